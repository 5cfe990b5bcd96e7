import { usePathname, useRouter } from 'expo-router';
import CloseIcon from 'lucide-react-native/icons/x';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useSelector } from 'react-redux';
import { useLatestBatchQuery, useSecondLooksQuery, useSecondLooksSeenMutation } from './api';
import { type News, newsToTell } from './news';
import { selectWaitingPhotos } from '@/features/capture';
import { useDeviceSetting } from '@/lib/deviceSetting';
import { notify } from '@/lib/notify';
import { Button, IconButton, Text } from '@/ui';

/** Word of what is done or asked, above whatever is on the screen; outside the window when nobody looks at it. */
export function NewsStrip({ accountId }: { accountId: string }) {
  const { data: latest } = useLatestBatchQuery();
  const { data: looks } = useSecondLooksQuery();
  const waiting = useSelector(selectWaitingPhotos).filter((photo) => photo.refusal === null).length;
  const [told, setTold] = useDeviceSetting(`batch.told.${accountId}`, '');
  const [closed, setClosed] = useState<readonly string[]>([]);
  const [markSeen] = useSecondLooksSeenMutation();
  const router = useRouter();
  // On the desk one card is enough to think of: what the machine has to say can wait.
  const atDesk = usePathname().startsWith('/proof/');
  const words = newsToTell(latest?.batch, looks, waiting, told).filter(
    (word) => !closed.includes(word.key) && !(atDesk && word.href === '/tray' && !word.seen),
  );
  const [word] = words;
  useEffect(() => {
    if (word) void notify(word.words, word.key);
  }, [word?.key]); // eslint-disable-line react-hooks/exhaustive-deps -- once for each word

  if (!word) return null;
  const close = ({ key, seen, href }: News) => {
    if (seen) void markSeen(seen);
    else if (href === '/tray') setTold(key);
    setClosed([...closed, key]);
  };
  return (
    <View
      role="status"
      className="flex-row flex-wrap items-center justify-end border-b border-l-2 border-b-rule border-l-ink bg-sheet pl-3"
    >
      <Text className="min-w-[140px] flex-1 py-2 text-[15px] leading-[20px]">{word.words}</Text>
      <Button
        look="bare"
        className="px-2"
        onPress={() => {
          close(word);
          router.push(word.href);
        }}
      >
        {word.action}
      </Button>
      <IconButton label="Close" onPress={() => close(word)}>
        <CloseIcon size={18} color="rgb(var(--ink))" />
      </IconButton>
    </View>
  );
}
