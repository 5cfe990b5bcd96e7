import type { Opportunity, PipelineSettings } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useSessionQuery, useTeamQuery } from '@/features/account';
import { useOccasions } from '@/features/capture';
import { problemText } from '@/lib/api';
import { Button, Notice, Select, Soft } from '@/ui';
import { complaintsOf, draftOf, emptyDraft, fieldsOf, type Draft } from './draft';
import { DraftFields } from './DraftFields';
import { FirmPicker, type Firm } from './FirmPicker';
import { PeopleWithParts } from './PeopleWithParts';

type Fields = ReturnType<typeof fieldsOf>;

interface Props {
  settings: PipelineSettings;
  /** What is changed; without it a new one. */
  one?: Opportunity;
  /** What a new one begins with. */
  begin?: { firm: Firm | null; people: Draft['people'] };
  busy: boolean;
  error: unknown;
  onSave: (fields: Fields, stageId: string) => void;
  onLeave: () => void;
}

/** A piece of business as it is written down, or changed. */
export function OpportunityForm({ settings, one, begin, busy, error, onSave, onLeave }: Props) {
  const [draft, setDraft] = useState<Draft>(() =>
    one ? draftOf(one) : { ...emptyDraft(settings), people: begin?.people ?? [] },
  );
  const [firm, setFirm] = useState<Firm | null>(one ? one.company : (begin?.firm ?? null));
  const [isTold, setTold] = useState(false);
  const { data: session } = useSessionQuery();
  const { data: team } = useTeamQuery();
  const { items: occasions } = useOccasions(session?.user.id ?? '');
  const set = (change: Partial<Draft>) => setDraft({ ...draft, ...change });
  const isNoFirm = firm !== null && firm.id === null;
  const isWrong = isNoFirm || Object.keys(complaintsOf(draft)).length > 0;
  const save = () => {
    setTold(true);
    if (!isWrong) onSave(fieldsOf(draft, firm?.id ?? null), draft.stageId);
  };
  return (
    <View className="gap-4">
      <DraftFields draft={draft} set={set} settings={settings} isTold={isTold} withStage={!one} />
      <FirmPicker firm={firm} onChange={setFirm} />
      <PeopleWithParts people={draft.people} onChange={(people) => set({ people })} />
      <View className="flex-row flex-wrap gap-x-6">
        <View>
          <Soft aria-hidden>Owner</Soft>
          <Select
            label="Owner"
            value={draft.ownerId || (session?.user.id ?? '')}
            onChange={(ownerId) => set({ ownerId })}
            options={(team?.items ?? []).map(({ id, name }) => ({ value: id, label: name }))}
          />
        </View>
        <View>
          <Soft aria-hidden>Occasion it came from</Soft>
          <Select
            label="Occasion it came from"
            value={draft.occasionId}
            onChange={(occasionId) => set({ occasionId })}
            options={[{ value: '', label: 'None' }, ...occasions.map(({ id, name }) => ({ value: id, label: name }))]}
          />
        </View>
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {isTold && isWrong ? (
        <Notice fault>
          {isNoFirm ? 'Choose a firm that is here, or leave it empty.' : 'Look at what is marked above.'}
        </Notice>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        <Button look="ink" busy={busy} onPress={save}>
          {one ? 'Save' : 'Write it down'}
        </Button>
        <Button look="bare" onPress={onLeave}>
          Leave it
        </Button>
      </View>
    </View>
  );
}
