import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useSelector } from 'react-redux';
import { selectWaitingPhotos } from '@/features/capture';
import { useDeviceSetting } from '@/lib/deviceSetting';
import { notify } from '@/lib/notify';
import { Button, Notice } from '@/ui';
import { useLatestBatchQuery, useSecondLooksQuery, useSecondLooksSeenMutation } from './api';
import { wordsToSay, type Word } from './words';

/** Word of what is done or asked, above whatever is on the screen; outside the window when nobody looks at it. */
export function WordStrip({ accountId }: { accountId: string }) {
  const { data: latest } = useLatestBatchQuery();
  const { data: looks } = useSecondLooksQuery();
  const waiting = useSelector(selectWaitingPhotos).filter((photo) => photo.refusal === null).length;
  const [told, setTold] = useDeviceSetting(`batch.told.${accountId}`, '');
  const [closed, setClosed] = useState<readonly string[]>([]);
  const [markSeen] = useSecondLooksSeenMutation();
  const router = useRouter();
  const words = wordsToSay(latest?.batch, looks, waiting, told).filter((word) => !closed.includes(word.key));
  const [word] = words;
  useEffect(() => {
    if (word) void notify(word.words, word.key);
  }, [word?.key]); // eslint-disable-line react-hooks/exhaustive-deps -- once for each word

  if (!word) return null;
  const close = ({ key, seen, href }: Word) => {
    if (seen) void markSeen(seen);
    else if (href === '/tray') setTold(key);
    setClosed([...closed, key]);
  };
  return (
    <View className="border-b border-rule bg-sheet px-4 py-1">
      <Notice
        action={
          <View className="flex-row">
            <Button
              look="bare"
              onPress={() => {
                close(word);
                router.push(word.href);
              }}
            >
              {word.action}
            </Button>
            <Button look="bare" onPress={() => close(word)}>
              Close
            </Button>
          </View>
        }
      >
        {word.words}
      </Notice>
    </View>
  );
}
