import type { Company, CompanyAct } from '@dossier/contract';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Soft, Subheading, Text } from '@/ui';
import { useUndoCompanyActMutation } from './api';
import { peopleWords } from './words';

/** What was done to a firm, newest first; firms are parted again and people given back from here. */
export const CompanyHistory = ({ company: { history } }: { company: Company }) => (
  <View className="gap-3">
    <Subheading>History</Subheading>
    {history.length === 0 ? <Soft>Made when its first person was filed; nothing was done to it since.</Soft> : null}
    {history.map((act) => (
      <OneAct key={act.id} act={act} />
    ))}
  </View>
);

function OneAct({ act }: { act: CompanyAct }) {
  const may = useMay();
  const [undo, { isLoading, error }] = useUndoCompanyActMutation();
  const canUndo = act.canUndo && may(act.action === 'merged' ? 'merge' : 'edit');
  return (
    <View className="gap-1">
      <View className="flex-row flex-wrap items-center gap-x-3">
        <Text style={{ overflowWrap: 'anywhere' } as object}>{WORDS[act.action](act)}</Text>
        {canUndo ? (
          <Button look="bare" className="px-2" busy={isLoading} onPress={() => void undo(act.id)}>
            {act.action === 'merged' ? 'Part again' : 'Take back'}
          </Button>
        ) : null}
      </View>
      <Soft>{`${act.by}, ${formatWhen(act.at)}${act.undoneAt ? `, taken back ${formatWhen(act.undoneAt)}` : ''}`}</Soft>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}

const WORDS: Record<CompanyAct['action'], (act: CompanyAct) => string> = {
  renamed: ({ before, after }) => `“${before}” was renamed “${after}”.`,
  merged: ({ before, after }) => `“${before}” was brought together with “${after}”.`,
  peopleLeft: ({ people, after }) => `${peopleWords(people)} given to “${after}”.`,
  peopleCame: ({ people, before }) => `${peopleWords(people)} came from “${before}”.`,
};
