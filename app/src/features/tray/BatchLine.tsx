import { View } from 'react-native';
import { useSelector } from 'react-redux';
import { selectWaitingPhotos } from '@/features/capture';
import { Soft } from '@/ui';
import { useLatestBatchQuery } from './api';

/** How far the photographs are that came together, those still on this device included. */
export function BatchLine() {
  const { data } = useLatestBatchQuery();
  const waiting = useSelector(selectWaitingPhotos).filter((photo) => photo.refusal === null).length;
  const batch = data?.batch;
  const all = (batch?.photos ?? 0) + waiting;
  const done = batch?.done ?? 0;
  if (!batch || all < 2 || done === all) return null;
  return (
    <View className="gap-1">
      <Soft className="tabular">{`${done} of ${all} photographs read`}</Soft>
      <View
        role="progressbar"
        aria-label="Photographs read"
        aria-valuemin={0}
        aria-valuemax={all}
        aria-valuenow={done}
        className="h-[3px] w-full bg-table"
      >
        <View className="h-full bg-ink" style={{ width: `${(100 * done) / all}%` }} />
      </View>
    </View>
  );
}
