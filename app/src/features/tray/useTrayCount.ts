import { useSelector } from 'react-redux';
import { selectWaitingPhotos } from '@/features/capture';
import { selectWaitingRequests } from '@/lib/outbox';
import { useTrayInfiniteQuery } from './api';

/** How many cards and photographs are not filed yet, those still on this device included. */
export function useTrayCount(): number {
  const { data } = useTrayInfiniteQuery({});
  const waiting = useSelector(selectWaitingPhotos);
  const filed = useSelector(selectWaitingRequests).filter(({ cardId, refusal }) => cardId && !refusal).length;
  return Math.max(0, (data?.pages[0]?.total ?? 0) + waiting.length - filed);
}
