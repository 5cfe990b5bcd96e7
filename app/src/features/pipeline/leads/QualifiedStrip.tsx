import { Link, type Href } from 'expo-router';
import { View } from 'react-native';
import { useDispatch, useSelector } from 'react-redux';
import { problemText } from '@/lib/api';
import { Button, Notice, Text } from '@/ui';
import { useUnqualifyMutation } from '../api';
import { pipelineSlice, selectLast } from '../slice';

/** The lead that was qualified here last; as long as it is told it can be taken back. */
export function QualifiedStrip() {
  const last = useSelector(selectLast);
  const dispatch = useDispatch();
  const [undo, { isLoading, error }] = useUnqualifyMutation();
  if (!last) return null;
  const close = () => dispatch(pipelineSlice.actions.qualified(null));
  const takeBack = async () => {
    const answer = await undo(last.id);
    if (!answer.error) close();
  };
  return (
    <View className="px-4 pb-2">
      <View role="status" className="gap-1 border-l-2 border-ink py-1 pl-3">
        <Text>{`${last.name || 'The lead'} is a contact now.`}</Text>
        {error ? <Notice fault>{problemText(error)}</Notice> : null}
        <View className="flex-row flex-wrap items-center gap-2">
          <Button busy={isLoading} onPress={() => void takeBack()}>
            Undo
          </Button>
          {last.opportunityId ? (
            <Link href={`/pipeline/opportunities/${last.opportunityId}` as Href}>
              <View className="min-h-touch justify-center px-3">
                <Text className="underline underline-offset-4">Open the opportunity</Text>
              </View>
            </Link>
          ) : null}
          <Button look="bare" onPress={close}>
            Close
          </Button>
        </View>
      </View>
    </View>
  );
}
