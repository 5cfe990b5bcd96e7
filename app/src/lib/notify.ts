import { readDeviceSetting, writeDeviceSetting } from './deviceSetting';

const SETTING = 'notifications';

/** Whether this browser can show word from outside its window at all. */
export const canNotify = (): boolean => 'Notification' in globalThis;

/** Whether a person wants it here, and the browser lets it. */
export const wantsNotifications = (): boolean =>
  canNotify() && Notification.permission === 'granted' && readDeviceSetting(SETTING, false);

/** Turns word from outside the window on or off. @returns whether it is on now; false when the browser refuses */
export async function setNotifications(on: boolean): Promise<boolean> {
  const allowed = on && canNotify() && (await Notification.requestPermission()) === 'granted';
  writeDeviceSetting(SETTING, allowed);
  return allowed;
}

/** Says something outside the window, when nobody looks at it. @param tag the same word twice is shown once */
export async function notify(words: string, tag: string): Promise<void> {
  if (!document.hidden || !wantsNotifications()) return;
  const options = { body: words, tag, icon: '/icons/icon-192.png' };
  // Phones show notifications only through the service worker.
  const registration = await navigator.serviceWorker?.getRegistration();
  if (registration) await registration.showNotification('Dossier', options);
  else new Notification('Dossier', options);
}
