import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useDispatch, useSelector } from 'react-redux';
import { SendAfterFiling } from '@/features/followup';
import { forgetRequest, isHeld, selectWaitingRequests } from '@/lib/outbox';
import { Button, Notice } from '@/ui';

/** What was filed a moment ago, with the way back. */
export function FiledStrip() {
  const dispatch = useDispatch();
  const router = useRouter();
  const waiting = useSelector(selectWaitingRequests).filter((request) => request.cardId && isHeld(request));
  const filings = waiting.filter(({ path }) => path === '/people');
  const last = filings.at(-1);
  const held = filings.filter(({ notBefore }) => notBefore === last?.notBefore);
  const [, setNow] = useState(0);
  useEffect(() => {
    if (!last) return undefined;
    const timer = setTimeout(() => setNow(Date.now()), Math.max(0, last.notBefore! - Date.now()) + 10);
    return () => clearTimeout(timer);
  }, [last]);
  if (!last) return null;
  const undo = async () => {
    const cards = new Set(held.map(({ cardId }) => cardId));
    // With what was to follow it.
    for (const { id } of waiting.filter(({ cardId }) => cards.has(cardId))) await forgetRequest(id)(dispatch);
    router.replace(held.length === 1 ? `/proof/${last.cardId}` : '/tray');
  };
  const words = held.length === 1 ? `${last.words.replace(/^File /, 'Filed ')}.` : `Filed ${held.length} cards.`;
  return (
    <View className="border-t border-rule bg-sheet px-4 py-1">
      <Notice
        action={
          <View className="flex-row items-center">
            {held.length === 1 ? <SendAfterFiling filing={last} waiting={waiting} /> : null}
            <Button
              look="bare"
              label={held.length === 1 ? 'Undo filing' : `Undo filing ${held.length} cards`}
              onPress={() => void undo()}
            >
              Undo
            </Button>
          </View>
        }
      >
        {words}
      </Notice>
    </View>
  );
}
