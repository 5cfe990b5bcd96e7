import type { At } from '@dossier/core/people/map';
import { useState } from 'react';

export interface From extends At {
  label: string;
}

/** Where this device is, once it is asked for and somebody allows it. */
export function useWhereIAm(onFound: (from: From) => void) {
  const [state, setState] = useState<'idle' | 'asking' | 'denied' | 'nowhere'>('idle');
  const ask = () => {
    if (!navigator.geolocation) return setState('nowhere');
    setState('asking');
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        setState('idle');
        onFound({ lat: coords.latitude, lon: coords.longitude, label: 'where you are' });
      },
      (error) => setState(error.code === error.PERMISSION_DENIED ? 'denied' : 'nowhere'),
      { maximumAge: 60_000, timeout: 20_000 },
    );
  };
  const words = {
    idle: undefined,
    asking: 'Asking this device where it is …',
    denied: 'This device may not say where it is. Allow it in the browser’s settings, or write a town.',
    nowhere: 'This device does not know where it is. Write a town.',
  }[state];
  return { ask, words, isAsking: state === 'asking' };
}
