import type { CardOccasion, Match, ProofCard } from '@dossier/contract';
import { compareFields, endsWithJob, mergeFields, withoutEndings } from '@dossier/core/matching';
import { isDoubtful, noteOf, personFieldsOf } from '@dossier/core/proof';
import { complaintAbout } from '@dossier/core/proof/complaints';
import { displayName, type PersonFields } from '@dossier/core/people';
import { Link } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { useDispatch } from 'react-redux';
import { useSessionQuery, useTeamQuery } from '@/features/account';
import { PlanAtFiling } from '@/features/followup';
import { useMatchesQuery, useNotSameMutation } from '@/features/matching';
import { consentComplaint, ConsentFields, NO_CONSENT, useTagsQuery } from '@/features/people';
import {
  CardView,
  type FilingChoices,
  isOutOfTray,
  OutOfTray,
  proofActions,
  sidesOf,
  useCardQuery,
  useDraft,
} from '@/features/proof';
import { isUnreachable, problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { useWide } from '@/lib/useWide';
import {
  Button,
  CannotShow,
  Choice,
  Heading,
  LoadingLines,
  Notice,
  Select,
  Soft,
  Subheading,
  TagField,
  Text,
  TextField,
  Toggle,
} from '@/ui';
import { CompareFields } from './CompareFields';
import { EndsWithJob } from './EndsWithJob';
import { KnownPeople } from './KnownPeople';
import { useFiling } from './useFiling';

const KINDS = [
  { value: 'contact', label: 'Contact' },
  { value: 'lead', label: 'Lead' },
] as const;

/** The last step of a card: who is already known, what to keep and take, as what to file, and the note. */
export function FileScreen({ cardId }: { cardId: string }) {
  const { data: card, error, refetch } = useCardQuery(cardId);
  const cardDraft = useDraft(card);
  if (error) return <CannotShow title="This card cannot be shown" error={error} onRetry={refetch} />;
  if (card && isOutOfTray(card)) return <OutOfTray card={card} />;
  if (!card || !cardDraft) return <LoadingLines lines={5} />;
  const fields = personFieldsOf(cardDraft.draft);
  const wrong = cardDraft.draft.fields.map(complaintAbout).filter((c) => c !== undefined);
  const doubts = cardDraft.draft.fields.filter(isDoubtful).length;
  return (
    <Filing
      cardId={cardId}
      fields={fields}
      note={[noteOf(cardDraft.draft), cardDraft.note].filter(Boolean).join('\n')}
      ownNote={cardDraft.note}
      settledOnCard={new Set(cardDraft.draft.fields.filter((f) => f.settled).map((f) => f.field))}
      wrong={wrong}
      doubts={doubts}
      occasion={card.occasion}
      chosen={cardDraft.filing ?? {}}
      ticked={card.consent}
      picture={<CardView {...sidesOf(card).front} maxHeight="60vh" />}
    />
  );
}

interface FilingProps {
  cardId: string;
  fields: PersonFields;
  /** All that is filed as note; `ownNote` is the part written here. */
  note: string;
  ownNote: string;
  /** Fields that a person has settled on the desk. */
  settledOnCard: ReadonlySet<string>;
  wrong: readonly string[];
  doubts: number;
  /** Where the card comes from: what is filed begins with its kind, tags and owner. */
  occasion: CardOccasion | null;
  /** What was chosen here before, also when one went back to the desk in between. */
  chosen: FilingChoices;
  /** What they agreed to themselves, on a page of ours. */
  ticked: ProofCard['consent'];
  picture: React.ReactNode;
}

function Filing({
  cardId,
  fields,
  note,
  ownNote,
  settledOnCard,
  wrong,
  doubts,
  occasion,
  chosen,
  ticked,
  picture,
}: FilingProps) {
  const wide = useWide();
  const dispatch = useDispatch();
  const choose = (change: FilingChoices) => dispatch(proofActions.filingChosen({ cardId, change }));
  const { kind, rating, newJob } = chosen;
  const tags = chosen.tags ?? occasion?.tags ?? [];
  const choices = chosen.fields ?? {};
  const consent = chosen.consent ?? NO_CONSENT;
  const stays = chosen.stays ?? [];
  const { data: team } = useTeamQuery();
  const { data: session } = useSessionQuery();
  const ratings = session?.workspace.ratings ?? [];
  const knownTags = useTagsQuery().data?.items.map(({ tag }) => tag) ?? [];
  const { data, error: matchError, isFetching, refetch } = useMatchesQuery({ fields, cardId });
  const [keepApart, { error: apartError }] = useNotSameMutation();
  const { submit, isLoading, error } = useFiling(cardId);
  // Without a network nobody can be compared with: the server does it when the card arrives.
  const unreachable = isUnreachable(matchError);
  const matches = data?.matches ?? [];
  // Whoever is likelier the same person than not is offered first; others are there to be chosen.
  const known: Match | undefined =
    chosen.knownId === null
      ? undefined
      : (matches.find((m) => m.person.id === chosen.knownId) ?? matches.find((m) => m.likelihood >= 0.5));
  const inNewJob = known ? (newJob ?? known.newJob) : false;
  const endings = known && inNewJob ? endsWithJob(known.person.fields, fields) : [];
  const before = known && withoutEndings(known.person.fields, endings.filter(({ key }) => !stays.includes(key))); // prettier-ignore
  const differences = before
    ? compareFields(before, fields, { onCard: settledOnCard, inRecord: new Set(known.person.settled) })
    : [];
  const ownerId = chosen.ownerId ?? (known ? known.person.ownerId : (occasion?.ownerId ?? ''));
  const choiceOf = (field: keyof PersonFields) =>
    choices[field] ?? differences.find((d) => d.field === field)?.suggestion;
  const filedKind = kind ?? known?.person.kind ?? occasion?.kind ?? 'contact';
  const merged = before
    ? mergeFields(before, fields, Object.fromEntries(differences.map((d) => [d.field, choiceOf(d.field)])))
    : fields;
  const consentProblem = consent.channels.length > 0 ? consentComplaint(consent) : undefined;
  const file = () =>
    submit({
      cardId,
      kind: filedKind,
      fields: merged,
      note,
      tags,
      ownerId: ownerId || null,
      uncompared: unreachable && !known,
      known: known ? { personId: known.person.id, version: known.person.version, newJob: inNewJob } : null,
      notSame: known ? [] : matches.map((m) => m.person.id),
      rating: rating === undefined ? (known?.person.rating ?? null) : rating,
      consent: consent.channels.length > 0 ? consent : null,
      withoutPlan: chosen.withoutPlan ?? false,
    });

  const body = (
    <ScrollView className="min-h-0 flex-1" contentContainerStyle={{ paddingBottom: 32 }}>
      <View className="w-full max-w-[640px] gap-6 self-center px-4 pt-4">
        <Link href={`/proof/${cardId}`} aria-label="Back to the proof">
          <Text className="underline underline-offset-4">Proof</Text>
        </Link>
        <View className="gap-1">
          <Heading>{displayName(fields) || 'Unnamed'}</Heading>
          <Soft className="text-[17px]">{[fields.title, fields.company].filter(Boolean).join(', ')}</Soft>
        </View>
        {doubts > 0 ? (
          <Notice>{doubts === 1 ? 'One field is still doubtful.' : `${doubts} fields are still doubtful.`}</Notice>
        ) : null}
        {wrong.map((complaint) => (
          <Notice key={complaint} fault>
            {complaint}
          </Notice>
        ))}
        <View className="gap-3">
          <Subheading>Already known?</Subheading>
          {unreachable ? (
            <Notice>
              Dossier cannot be reached to compare. You can file all the same: the card waits on this device, and you
              are told if somebody like it is known.
            </Notice>
          ) : matchError ? (
            <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
              {problemText(matchError)}
            </Notice>
          ) : isFetching && !data ? (
            <Soft role="status">Looking …</Soft>
          ) : (
            <KnownPeople
              matches={matches}
              chosen={known?.person.id ?? null}
              onChoose={(knownId) =>
                choose({ knownId, fields: {}, newJob: undefined, stays: [], ownerId: undefined, rating: undefined })
              }
              onNotSame={(personId) => void keepApart({ ids: [cardId, personId] })}
            />
          )}
          {apartError ? <Notice fault>{problemText(apartError)}</Notice> : null}
          {known && differences.some(({ field }) => field === 'company') ? (
            <Toggle
              label={`A new job: ${known.person.fields.company || 'the old one'} goes into the history`}
              on={inNewJob}
              onChange={(on) => choose({ newJob: on })}
            />
          ) : null}
          {endings.length > 0 ? (
            <EndsWithJob endings={endings} stays={stays} onChange={(next) => choose({ stays: next })} />
          ) : null}
          {known ? (
            <CompareFields
              differences={differences}
              choiceOf={choiceOf}
              onChoose={(field, choice) => choose({ fields: { ...choices, [field]: choice } })}
            />
          ) : null}
        </View>
        <View className="gap-2">
          <Subheading>File as</Subheading>
          <Choice label="File as" options={KINDS} value={filedKind} onChange={(next) => choose({ kind: next })} />
          {occasion ? <Soft>{`From ${occasion.name}`}</Soft> : null}
        </View>
        <TagField label="Tags" tags={tags} onChange={(next) => choose({ tags: next })} known={knownTags} />
        {ratings.length > 0 ? (
          <View className="items-start gap-1">
            <Text aria-hidden>Rating</Text>
            <Select
              label="Rating"
              value={(rating === undefined ? known?.person.rating : rating) ?? ''}
              onChange={(value) => choose({ rating: value || null })}
              options={[{ value: '', label: 'None' }, ...ratings.map((value) => ({ value, label: value }))]}
            />
          </View>
        ) : null}
        <View className="gap-2">
          <Subheading>May be written to or called</Subheading>
          {ticked ? (
            <Soft>{`They ticked it on a page, ${formatWhen(ticked.at)}: by e-mail, about ${ticked.scope}. It is kept when you file this card.`}</Soft>
          ) : null}
          <ConsentFields consent={consent} onChange={(next) => choose({ consent: next })} hasOther={Boolean(ticked)} />
          {consentProblem ? <Notice fault>{consentProblem}</Notice> : null}
        </View>
        {occasion?.planId ? (
          <PlanAtFiling
            planId={occasion.planId}
            country={merged.country}
            hasConsent={consent.channels.includes('email') || Boolean(known) || Boolean(ticked)}
            isLeftOut={chosen.withoutPlan ?? false}
            onLeaveOut={(withoutPlan) => choose({ withoutPlan })}
          />
        ) : null}
        <View className="items-start gap-1">
          <Text aria-hidden>Owner</Text>
          <Select
            label="Owner"
            value={ownerId}
            onChange={(next) => choose({ ownerId: next })}
            options={[
              ...(known ? [] : [{ value: '', label: 'Me' }]),
              ...(team?.items ?? []).map(({ id, name }) => ({ value: id, label: name })),
            ]}
          />
        </View>
        <TextField
          label="Note"
          hint="What was said, what was promised."
          value={ownNote}
          onChangeText={(text) => dispatch(proofActions.noteEdited({ cardId, note: text }))}
          multiline
          maxLength={4000}
          className="min-h-[96px]"
        />
      </View>
    </ScrollView>
  );
  const name = known?.person.fullName;
  const bar = (
    <View className="gap-2 border-t border-rule bg-paper px-4 py-3">
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row justify-end">
        <Button
          look="ink"
          busy={isLoading}
          disabled={Boolean(consentProblem) || (!unreachable && ((isFetching && !data) || Boolean(matchError)))}
          onPress={() => void file()}
          className={wide ? '' : 'flex-1'}
        >
          {wrong.length > 0
            ? 'File as typed'
            : name
              ? inNewJob
                ? `File ${name}’s new job`
                : `Update ${name}`
              : filedKind === 'lead'
                ? 'File as lead'
                : 'File as contact'}
        </Button>
      </View>
    </View>
  );
  if (!wide) {
    return (
      <View role="main" className="min-h-0 flex-1">
        {body}
        {bar}
      </View>
    );
  }
  return (
    <View role="main" className="min-h-0 flex-1 flex-row">
      <View className="min-w-0 flex-1 items-center justify-center bg-table p-8">{picture}</View>
      <View className="min-h-0 min-w-0 flex-[1.1] border-l border-rule">
        {body}
        {bar}
      </View>
    </View>
  );
}
