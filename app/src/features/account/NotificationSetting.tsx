import { useState } from 'react';
import { View } from 'react-native';
import { canNotify, setNotifications, wantsNotifications } from '@/lib/notify';
import { Notice, Soft, Subheading, Toggle } from '@/ui';

/** Word outside the window: when a batch is read, when a colleague asks or has looked. */
export function NotificationSetting() {
  const [on, setOn] = useState(wantsNotifications);
  const [refused, setRefused] = useState(false);
  const change = async (wanted: boolean) => {
    const now = await setNotifications(wanted);
    setOn(now);
    setRefused(wanted && !now);
  };
  return (
    <View className="gap-1">
      <Subheading>Notifications on this device</Subheading>
      {canNotify() ? (
        <Toggle label="Notify me while I use something else" on={on} onChange={(wanted) => void change(wanted)} />
      ) : (
        <Soft>This browser shows no notifications.</Soft>
      )}
      <Soft>
        When photographs are read, when a colleague asks for a second look and when one is done, when somebody answers,
        and when the time of a task has come.
      </Soft>
      {refused ? (
        <Notice fault>The browser does not let Dossier. Allow notifications for this page in the browser first.</Notice>
      ) : null}
    </View>
  );
}
