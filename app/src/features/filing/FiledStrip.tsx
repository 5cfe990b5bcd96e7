import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useDispatch, useSelector } from 'react-redux';
import { forgetRequest, isHeld, selectWaitingRequests } from '@/lib/outbox';
import { Button, Notice } from '@/ui';

/** What was filed a moment ago, with the way back. */
export function FiledStrip() {
  const dispatch = useDispatch();
  const router = useRouter();
  const waiting = useSelector(selectWaitingRequests).filter((request) => request.cardId && isHeld(request));
  const last = waiting.at(-1);
  const held = waiting.filter(({ notBefore }) => notBefore === last?.notBefore);
  const [, setNow] = useState(0);
  useEffect(() => {
    if (!last) return undefined;
    const timer = setTimeout(() => setNow(Date.now()), Math.max(0, last.notBefore! - Date.now()) + 10);
    return () => clearTimeout(timer);
  }, [last]);
  if (!last) return null;
  const undo = async () => {
    for (const request of held) await forgetRequest(request.id)(dispatch);
    router.replace(held.length === 1 ? `/proof/${last.cardId}` : '/tray');
  };
  const words = held.length === 1 ? `${last.words.replace(/^File /, 'Filed ')}.` : `Filed ${held.length} cards.`;
  return (
    <View className="border-t border-rule bg-sheet px-4 py-1">
      <Notice
        action={
          <Button
            look="bare"
            label={held.length === 1 ? 'Undo filing' : `Undo filing ${held.length} cards`}
            onPress={() => void undo()}
          >
            Undo
          </Button>
        }
      >
        {words}
      </Notice>
    </View>
  );
}
