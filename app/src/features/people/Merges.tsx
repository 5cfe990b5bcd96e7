import type { Person } from '@dossier/contract';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Soft } from '@/ui';
import { useUndoMergeMutation } from './api';

/** Records that were merged into this one, each to be parted again. */
export const Merges = ({ person }: { person: Person }) =>
  person.merges.map((merge) => <MergedRecord key={merge.id} merge={merge} />);

function MergedRecord({ merge }: { merge: Person['merges'][number] }) {
  const [undo, { isLoading, error }] = useUndoMergeMutation();
  const may = useMay();
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Soft className="min-w-[200px] flex-1">{`Merged with ${merge.names.join(', ')} by ${merge.by}, ${formatWhen(merge.at)}`}</Soft>
        {may('merge') ? (
          <Button
            busy={isLoading}
            label={`Undo the merge with ${merge.names.join(', ')}`}
            onPress={() => void undo(merge.id)}
          >
            Undo merge
          </Button>
        ) : null}
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
