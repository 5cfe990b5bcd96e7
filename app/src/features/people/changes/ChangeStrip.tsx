import { useEffect } from 'react';
import { View } from 'react-native';
import { useDispatch, useSelector } from 'react-redux';
import { peopleApi, useChangeStateQuery, useEndChangeMutation } from '../api';
import { api, hasStatus, problemText } from '@/lib/api';
import { Button, Notice, Text } from '@/ui';
import { peopleSlice, selectChangeId } from '../slice';
import { LeftPeople } from './LeftPeople';
import { stateWords } from './changeWords';

const OFTEN_MS = 700;

/** How far the change of many is that was made here last; while it is told it can be stopped or taken back. */
export function ChangeStrip() {
  const id = useSelector(selectChangeId);
  return id ? <StripOf key={id} id={id} /> : null;
}

function StripOf({ id }: { id: string }) {
  const dispatch = useDispatch();
  const known = peopleApi.endpoints.changeState.useQueryState(id).data;
  const isMoving = !known || ['waiting', 'running', 'undoing'].includes(known.state);
  const { data: change, error } = useChangeStateQuery(id, { pollingInterval: isMoving ? OFTEN_MS : 0 });
  const [end, ending] = useEndChangeMutation();
  const isOver = change !== undefined && !isMoving;
  // Lists and people are as they are now; while it goes on they are not fetched again and again.
  useEffect(() => {
    if (isOver) dispatch(api.util.invalidateTags(['Person']));
  }, [isOver, change?.state, dispatch]);
  const close = () => dispatch(peopleSlice.actions.changeTold(null));
  if (error && hasStatus(error, 404)) return null;
  if (!change) return null;
  const { state, done, total, isOwn } = change;
  return (
    <View className="gap-2 px-4 pb-2">
      <View role="status" className="gap-2 border-l-2 border-ink py-1 pl-3">
        <Text className="tabular">{stateWords(change)}</Text>
        {isMoving ? (
          <View
            role="progressbar"
            aria-label="How far the change is"
            aria-valuemin={0}
            aria-valuemax={total}
            aria-valuenow={done}
            className="h-[3px] w-full bg-table"
          >
            <View className="h-full bg-ink" style={{ width: `${(100 * done) / Math.max(1, total)}%` }} />
          </View>
        ) : null}
        <LeftPeople change={change} />
        <View className="flex-row flex-wrap gap-2">
          {isOwn && (state === 'done' || state === 'stopped') ? (
            <Button busy={ending.isLoading} onPress={() => void end({ id, to: 'undone' })}>
              Undo for all
            </Button>
          ) : null}
          {isOwn && (state === 'waiting' || state === 'running') ? (
            <Button busy={ending.isLoading} onPress={() => void end({ id, to: 'stopped' })}>
              Stop
            </Button>
          ) : null}
          {isMoving ? null : (
            <Button look="bare" onPress={close}>
              Close
            </Button>
          )}
        </View>
      </View>
      {error || ending.error ? <Notice fault>{problemText(error ?? ending.error)}</Notice> : null}
    </View>
  );
}
