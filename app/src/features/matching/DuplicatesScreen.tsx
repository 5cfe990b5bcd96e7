import type { DuplicateGroup, Duplicates, Sweep } from '@dossier/contract';
import { Link } from 'expo-router';
import { useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useMay } from '@/features/account';
import { useMergePeopleMutation, useUndoMergeMutation } from '@/features/people';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { likelihoodWords } from '@/lib/likelihood';
import {
  Button,
  CannotShow,
  CardImage,
  cardPicture,
  Heading,
  LoadingLines,
  Notice,
  Page,
  Serif,
  Soft,
  Text,
} from '@/ui';
import {
  useCancelSweepMutation,
  useDuplicatesQuery,
  useLatestSweepQuery,
  useMergeCertainMutation,
  useNotSameMutation,
  useStartSweepMutation,
} from './api';
import { Reasons } from './Reasons';

const ASK_AGAIN_MS = 1000;

/** Records that are likely of one person: found in all people, looked at one after the other, the certain ones merged in one act. */
export function DuplicatesScreen() {
  const may = useMay();
  const { data, error, refetch } = useDuplicatesQuery();
  const searching = isUnderWay(data?.sweep);
  const { data: latest } = useLatestSweepQuery(undefined, { skip: !searching, pollingInterval: ASK_AGAIN_MS });
  const sweep = latest?.sweep && latest.sweep.id === data?.sweep?.id ? latest.sweep : data?.sweep;
  const hasEnded = searching && !isUnderWay(sweep);
  useEffect(() => {
    if (hasEnded) void refetch();
  }, [hasEnded, refetch]);
  const [mergeAll, merging] = useMergeCertainMutation();
  const [undone, setUndone] = useState<string[]>([]);
  if (error && !data) {
    return <CannotShow title="Duplicates cannot be shown" error={error} onRetry={refetch} />;
  }
  if (!data) return <LoadingLines />;
  const merged = merging.data?.mergeIds.filter((id) => !undone.includes(id)) ?? [];
  return (
    <Page measure={760}>
      <View className="gap-5">
        <Link href="/people" aria-label="Back to people">
          <Text className="underline underline-offset-4">People</Text>
        </Link>
        <View className="gap-1">
          <Heading>Same person twice</Heading>
          <Soft>{found(data)}</Soft>
        </View>
        {may('merge') ? <Search sweep={sweep} searching={searching} /> : null}
        {merging.error ? <Notice fault>{problemText(merging.error)}</Notice> : null}
        {merged.length > 0 ? <MergedAll mergeIds={merged} onUndone={() => setUndone([...undone, ...merged])} /> : null}
        {data.certain > 1 && !searching && may('merge') ? (
          <View className="items-start">
            <Button look="ink" busy={merging.isLoading} onPress={() => void mergeAll()}>
              {`Merge the ${data.certain} that are certain`}
            </Button>
          </View>
        ) : null}
        {data.groups.map((group) => (
          <Group key={group.people.map(({ id }) => id).join()} group={group} />
        ))}
        {data.total > data.groups.length ? (
          <Soft>{`${data.total - data.groups.length} more come up as you go.`}</Soft>
        ) : null}
      </View>
    </Page>
  );
}

const isUnderWay = (sweep: Sweep | null | undefined): boolean =>
  sweep?.state === 'waiting' || sweep?.state === 'running';

function found({ sweep, total }: Duplicates): string {
  if (!sweep) return 'Dossier has not looked through all people yet.';
  if (isUnderWay(sweep)) return 'Dossier is looking through all people.';
  const when = `Looked through ${sweep.people} people ${formatWhen(sweep.finishedAt ?? sweep.startedAt)}.`;
  if (sweep.state === 'cancelled') return `${when} It was stopped before the end.`;
  if (sweep.state === 'failed') return `${when} It could not be finished. Look once more.`;
  return total === 0
    ? `${when} Nobody is there twice.`
    : `${when} ${total === 1 ? 'One group is' : `${total} groups are`} left to look at.`;
}

function Search({ sweep, searching }: { sweep: Sweep | null | undefined; searching: boolean }) {
  const [start, starting] = useStartSweepMutation();
  const [cancel, cancelling] = useCancelSweepMutation();
  const problem = starting.error ?? cancelling.error;
  const share = Math.round((sweep?.progress ?? 0) * 100);
  return (
    <View className="gap-3">
      {searching ? (
        <View
          role="progressbar"
          aria-label="Looking through all people"
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={share}
          className="h-[3px] w-full bg-table"
        >
          <View className="h-full bg-ink" style={{ width: `${share}%` }} />
        </View>
      ) : null}
      <View className="items-start">
        {searching ? (
          <Button busy={cancelling.isLoading} onPress={() => void cancel()}>
            Stop looking
          </Button>
        ) : (
          <Button busy={starting.isLoading} onPress={() => void start()}>
            {sweep ? 'Look once more' : 'Look through all people'}
          </Button>
        )}
      </View>
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
    </View>
  );
}

/** One group: which record stays, why they are alike, and what is to become of them. */
function Group({ group: { people, evidence, likelihood, newJob } }: { group: DuplicateGroup }) {
  const may = useMay();
  const [stays, setStays] = useState(people[0]?.id);
  const [merge, merging] = useMergePeopleMutation();
  const [keepApart, parting] = useNotSameMutation();
  const problem = merging.error ?? parting.error;
  const into = people.find(({ id }) => id === stays) ?? people[0];
  if (!into) return null;
  const others = people.filter((one) => one !== into);
  const name = into.fullName || 'Unnamed';
  const mergeThem = () =>
    merge({
      into: { id: into.id, version: into.version },
      others: others.map(({ id, version }) => ({ id, version })),
      fields: null,
    });
  const part = async () => {
    for (const [i, one] of people.entries())
      for (const other of people.slice(i + 1)) await keepApart({ ids: [one.id, other.id] });
  };
  return (
    <View role="group" aria-label={name} className="gap-2 border-t border-rule pt-4">
      <Text className="font-medium">
        {newJob ? `${likelihoodWords(likelihood)}, in a new job` : likelihoodWords(likelihood)}
      </Text>
      <View role="radiogroup" aria-label="Which record stays">
        {people.map((person) => (
          <Pressable
            key={person.id}
            role="radio"
            aria-checked={person === into}
            aria-label={`${person.fullName}, ${person.company} stays`}
            onPress={() => setStays(person.id)}
            className={`min-h-touch flex-row items-center gap-3 px-2 py-2 hover:bg-table ${person === into ? 'bg-sheet' : ''}`}
          >
            <View className="h-[18px] w-[18px] items-center justify-center rounded-full border border-ink">
              {person === into ? <View className="h-[10px] w-[10px] rounded-full bg-ink" /> : null}
            </View>
            {person.cardId ? <CardImage src={cardPicture(person.cardId, 'thumbnail')} alt="" width={76} /> : null}
            <View className="min-w-0 flex-1">
              <Serif numberOfLines={2} className="text-[18px] leading-[24px]">
                {person.fullName || 'Unnamed'}
              </Serif>
              <Soft numberOfLines={2}>{[person.title, person.company].filter(Boolean).join(', ')}</Soft>
              <Soft>{`changed ${formatWhen(person.updatedAt)}`}</Soft>
            </View>
            {person === into ? <Soft>this one stays</Soft> : null}
          </Pressable>
        ))}
      </View>
      <Reasons evidence={evidence} />
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
      <View className="flex-row flex-wrap gap-2 pb-2">
        {may('merge') ? (
          <Button look="ink" busy={merging.isLoading} label={`Merge into ${name}`} onPress={() => void mergeThem()}>
            Merge
          </Button>
        ) : null}
        <Button busy={parting.isLoading} label={`${name} and the others are not the same`} onPress={() => void part()}>
          Not the same
        </Button>
      </View>
    </View>
  );
}

function MergedAll({ mergeIds, onUndone }: { mergeIds: readonly string[]; onUndone: () => void }) {
  const [undo, { error }] = useUndoMergeMutation();
  const [busy, setBusy] = useState(false);
  const undoAll = async () => {
    setBusy(true);
    let whole = true;
    for (const id of mergeIds.toReversed()) whole = !(await undo(id)).error && whole;
    setBusy(false);
    if (whole) onUndone();
  };
  return (
    <Notice
      fault={Boolean(error)}
      action={
        <Button busy={busy} label="Undo these merges" onPress={() => void undoAll()}>
          Undo
        </Button>
      }
    >
      {error
        ? problemText(error)
        : mergeIds.length === 1
          ? 'One group was merged.'
          : `${mergeIds.length} groups were merged.`}
    </Notice>
  );
}
