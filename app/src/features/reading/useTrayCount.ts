import { useSelector } from 'react-redux';
import { selectWaitingPhotos } from '@/features/capture';
import { useTrayInfiniteQuery } from './api';

/** How many cards and photographs are not filed yet, those still on this device included. */
export function useTrayCount(): number {
  const { data } = useTrayInfiniteQuery({});
  const waiting = useSelector(selectWaitingPhotos);
  return (data?.pages[0]?.total ?? 0) + waiting.length;
}
