import { usePathname, useRouter } from 'expo-router';
import CloseIcon from 'lucide-react-native/icons/x';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useSelector } from 'react-redux';
import { selectWaitingPhotos } from '@/features/capture';
import { useDeviceSetting } from '@/lib/deviceSetting';
import { notify } from '@/lib/notify';
import { Button, IconButton, Text } from '@/ui';
import { useLatestBatchQuery, useSecondLooksQuery, useSecondLooksSeenMutation } from './api';
import { type News, newsToTell } from './news';

/** What the machine has to say goes by itself after so long: time to read it twice. */
const PASSES_AFTER_MS = 10_000;

/** Word of what is done or asked, above whatever is on the screen; outside the window when nobody looks at it. */
export function NewsStrip({ accountId }: { accountId: string }) {
  const { data: latest } = useLatestBatchQuery();
  const { data: looks } = useSecondLooksQuery();
  const waiting = useSelector(selectWaitingPhotos).filter((photo) => photo.refusal === null).length;
  const [told, setTold] = useDeviceSetting(`batch.told.${accountId}`, '');
  const [closed, setClosed] = useState<readonly string[]>([]);
  const [passing, setPassing] = useState<News>();
  const [markSeen] = useSecondLooksSeenMutation();
  const router = useRouter();
  // On the desk one card is enough to think of: what the machine has to say can wait.
  const atDesk = usePathname().startsWith('/proof/');
  const fresh = newsToTell(latest?.batch, looks, waiting, told);
  const news = [...fresh, ...(passing ? [passing] : [])].find(
    (one) => !closed.includes(one.key) && !(atDesk && one.passes),
  );
  useEffect(() => {
    if (!news) return undefined;
    void notify(news.words, news.key);
    if (!news.passes) return undefined;
    // Said once: it stays for a while and is never said of this batch again, on whichever page somebody is by then.
    setPassing(news);
    setTold(news.key);
    const timer = setTimeout(() => setClosed((keys) => [...keys, news.key]), PASSES_AFTER_MS);
    return () => clearTimeout(timer);
  }, [news?.key]); // eslint-disable-line react-hooks/exhaustive-deps -- once for each word

  if (!news) return null;
  const close = ({ key, seen }: News) => {
    if (seen) void markSeen(seen);
    setClosed([...closed, key]);
  };
  return (
    <View
      role="status"
      className="flex-row flex-wrap items-center justify-end border-b border-l-2 border-b-rule border-l-ink bg-sheet pl-3"
    >
      <Text className="min-w-[140px] flex-1 py-2 text-[15px] leading-[20px]">{news.words}</Text>
      <Button
        look="bare"
        className="px-2"
        onPress={() => {
          close(news);
          router.push(news.href);
        }}
      >
        {news.action}
      </Button>
      <IconButton label="Close" onPress={() => close(news)}>
        <CloseIcon size={18} color="rgb(var(--ink))" />
      </IconButton>
    </View>
  );
}
