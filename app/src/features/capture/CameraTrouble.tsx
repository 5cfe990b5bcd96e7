import { Link } from 'expo-router';
import { View } from 'react-native';
import { Button, Serif, Soft, Text } from '@/ui';
import { useHttpsAddressQuery } from './api';
import type { CameraState } from './useCamera';

const WORDS: Record<Exclude<CameraState, 'live'>, { title: string; text: string }> = {
  asking: { title: 'Waiting for the camera', text: 'Your browser may ask whether Dossier can use it.' },
  denied: {
    title: 'The camera is not allowed',
    text: 'Allow it in the browser’s settings for this site and try again, or pick pictures that you have already taken.',
  },
  none: { title: 'No camera here', text: 'Pick pictures of your cards, or drop them onto this page.' },
  busy: {
    title: 'The camera is in use',
    text: 'Another program has it. Close that one and try again, or pick pictures.',
  },
  insecure: {
    title: 'The camera needs https',
    text: 'Browsers give the camera only to pages that come over https. Picking pictures works here too.',
  },
};

/** Why there is no live picture, and the other way to go on. */
export function CameraTrouble({
  state,
  onTryAgain,
  onPick,
}: {
  state: CameraState;
  onTryAgain: () => void;
  onPick: () => void;
}) {
  if (state === 'live') return null;
  const { title, text } = WORDS[state];
  return (
    <View role={state === 'asking' ? 'status' : 'alert'} className="max-w-[400px] items-center gap-3 px-6">
      <Serif className="text-center text-[23px] leading-[30px]">{title}</Serif>
      <Soft className="text-center">{text}</Soft>
      {state === 'insecure' ? <OverHttps /> : null}
      {state === 'asking' ? null : (
        <View className="flex-row flex-wrap justify-center gap-3 pt-2">
          <Button look="ink" onPress={onPick}>
            Pick pictures
          </Button>
          {state === 'none' || state === 'insecure' ? null : <Button onPress={onTryAgain}>Try again</Button>}
        </View>
      )}
    </View>
  );
}

/** The same page where the camera is given, if Dossier answers there. */
function OverHttps() {
  const { data: port, isLoading } = useHttpsAddressQuery();
  if (isLoading) return null;
  if (!port)
    return (
      <Soft className="text-center">
        Ask whoever runs Dossier to start it for phones: “DOSSIER_HOST=0.0.0.0 npm start” serves https too.
      </Soft>
    );
  const address = `https://${globalThis.location.hostname}:${port}/photograph`;
  return (
    <>
      <Link href={address as never}>
        <Text className="text-center underline underline-offset-4 [overflow-wrap:anywhere]">{address}</Text>
      </Link>
      <Soft className="text-center">
        The certificate was made on that machine: go on past the browser’s warning, and sign in there.
      </Soft>
    </>
  );
}
