import type { Match, Person, PipelineSettings } from '@dossier/contract';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { useDispatch } from 'react-redux';
import { useMatchesQuery } from '@/features/matching';
import { problemText } from '@/lib/api';
import { likelihoodWords } from '@/lib/likelihood';
import { Button, DayField, LoadingLines, Notice, Soft, Subheading, Text, TextField, Toggle } from '@/ui';
import { usePipelineSettingsQuery, useQualifyMutation } from '../api';
import { complaintsOf, emptyDraft, fieldsOf, type Draft } from '../opportunities/draft';
import { DraftFields } from '../opportunities/DraftFields';
import { FirmPicker, type Firm } from '../opportunities/FirmPicker';
import { pipelineSlice } from '../slice';

interface Props {
  person: Person;
  onDone: () => void;
  onLeave: () => void;
}

/** A lead becomes a contact, with the firm, the business and the next step, on one sheet. */
export function QualifyLead({ person, onDone, onLeave }: Props) {
  const { data: settings, error } = usePipelineSettingsQuery();
  if (error) return <Notice fault>{problemText(error)}</Notice>;
  return settings ? <Sheet {...{ person, onDone, onLeave, settings }} /> : <LoadingLines lines={3} />;
}

function Sheet({ person, onDone, onLeave, settings }: Props & { settings: PipelineSettings }) {
  const dispatch = useDispatch();
  const { company } = person.fields;
  const [known, setKnown] = useState<Match>();
  const [firm, setFirm] = useState<Firm | null>(
    person.companyId ? { id: person.companyId, name: company } : company ? { id: null, name: company } : null,
  );
  const [withBusiness, setWithBusiness] = useState(true);
  const [draft, setDraft] = useState<Draft>(() => emptyDraft(settings, company));
  const [task, setTask] = useState('');
  const [dueOn, setDueOn] = useState('');
  const [isTold, setTold] = useState(false);
  const [qualify, { isLoading, error }] = useQualifyMutation();
  const isWrong = withBusiness && Object.keys(complaintsOf(draft)).length > 0;
  const go = async () => {
    setTold(true);
    if (isWrong) return;
    const { companyId: _c, people: _p, ...business } = fieldsOf(draft, null);
    const answer = await qualify({
      id: person.id,
      body: {
        version: person.version,
        known: known ? { personId: known.person.id, version: known.person.version } : null,
        company: firm ? (firm.id ? { id: firm.id } : { name: firm.name }) : null,
        opportunity: withBusiness ? { ...business, stageId: draft.stageId, part: 'decides' } : null,
        task: task.trim() ? { text: task.trim(), dueOn: dueOn || null } : null,
      },
    });
    if (!answer.data) return;
    const { id, opportunityId } = answer.data;
    dispatch(pipelineSlice.actions.qualified({ id, name: person.fullName, opportunityId }));
    onDone();
  };
  return (
    <View role="region" aria-label="Qualify the lead" className="gap-4 border-l-2 border-ink pl-3">
      <Subheading>{`Make a contact of ${person.fullName || 'this lead'}`}</Subheading>
      <Known person={person} known={known} onChoose={setKnown} />
      <FirmPicker firm={firm} onChange={setFirm} mayBeNew />
      <Toggle label="There is business in it" on={withBusiness} onChange={setWithBusiness} />
      {withBusiness ? (
        <DraftFields
          draft={draft}
          set={(change) => setDraft({ ...draft, ...change })}
          settings={settings}
          isTold={isTold}
          withStage
        />
      ) : null}
      <View className="flex-row flex-wrap gap-3">
        <View className="min-w-[190px] flex-[2]">
          <TextField label="What is to be done next" value={task} onChangeText={setTask} maxLength={300} />
        </View>
        <DayField label="On which day" value={dueOn} onChange={setDueOn} />
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {isTold && isWrong ? <Notice fault>Look at what is marked above.</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button look="ink" busy={isLoading} onPress={() => void go()}>
          {known ? 'Bring together and qualify' : 'Make a contact'}
        </Button>
        <Button look="bare" onPress={onLeave}>
          Not yet
        </Button>
      </View>
    </View>
  );
}

/** Contacts who are perhaps the same person already. */
function Known({ person, known, onChoose }: { person: Person; known?: Match; onChoose: (match?: Match) => void }) {
  const { data } = useMatchesQuery({ fields: person.fields, cardId: null });
  const contacts = (data?.matches ?? []).filter(({ person: one }) => one.id !== person.id && one.kind === 'contact').slice(0, 3); // prettier-ignore
  if (contacts.length === 0) return null;
  const One = ({ match, words, soft }: { match?: Match; words: string; soft: string }) => (
    <Pressable
      role="radio"
      aria-checked={known?.person.id === match?.person.id}
      aria-label={words}
      onPress={() => onChoose(match)}
      className={`min-h-touch justify-center border-l-[3px] px-3 py-1 hover:bg-table ${known?.person.id === match?.person.id ? 'border-ink bg-table' : 'border-transparent'}`}
    >
      <Text>{words}</Text>
      <Soft>{soft}</Soft>
    </Pressable>
  );
  return (
    <View role="radiogroup" aria-label="Known already?">
      <Soft aria-hidden>Known already?</Soft>
      <One words="A new contact" soft="Nobody whom you know" />
      {contacts.map((match) => (
        <One
          key={match.person.id}
          match={match}
          words={`The same as ${match.person.fullName}`}
          soft={[match.person.fields.company, likelihoodWords(match.likelihood)].filter(Boolean).join(' · ')}
        />
      ))}
    </View>
  );
}
