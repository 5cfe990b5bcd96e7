import type { Opportunity, PipelineSettings } from '@dossier/contract';
import { Link, useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { OpportunityTasks } from '@/features/followup';
import { isNotHere, problemText } from '@/lib/api';
import { formatDay, formatWhen } from '@/lib/formatDate';
import { usePageTitle } from '@/lib/pageTitle';
import { Button, CannotShow, Heading, LoadingLines, Notice, Page, Rule, Select, Soft, Subheading, Text } from '@/ui';
import {
  useChangeOpportunityMutation, useEndOpportunityMutation, useMoveOpportunityMutation, useOpportunityQuery, usePipelineSettingsQuery,
  useRemoveOpportunityMutation,
} from '../api'; // prettier-ignore
import { moneyWords } from '@/lib/money';
import { PART_WORDS } from '../words';
import { EndIt } from './EndIt';
import { HistoryOf } from './HistoryOf';
import { OpportunityFiles, OpportunityNotes } from './NotesAndFiles';
import { OpportunityForm } from './OpportunityForm';

/** One piece of business with all that belongs to it. */
export function OpportunityScreen({ opportunityId }: { opportunityId: string }) {
  const router = useRouter();
  const { data: one, error, refetch } = useOpportunityQuery(opportunityId, { refetchOnMountOrArgChange: true });
  const { data: settings } = usePipelineSettingsQuery();
  usePageTitle(one?.title);
  if (error && !one)
    return (
      <CannotShow
        title={isNotHere(error) ? 'This opportunity is not here' : 'This opportunity cannot be shown'}
        error={error}
        onRetry={refetch}
        onwards={
          <Button look="ink" onPress={() => router.replace('/pipeline')}>
            Go to the board
          </Button>
        }
      />
    );
  if (!one || !settings) return <LoadingLines lines={4} />;
  return (
    <Page>
      <View className="gap-5">
        <Link href="/pipeline" aria-label="Back to the board">
          <Text className="underline underline-offset-4">Business</Text>
        </Link>
        <What one={one} settings={settings} />
        <Rule />
        <PeopleOf one={one} />
        <OpportunityTasks opportunityId={one.id} />
        <OpportunityNotes one={one} />
        <OpportunityFiles one={one} />
        <Rule />
        <HistoryOf one={one} />
        <Rule />
        <Remove one={one} />
      </View>
    </Page>
  );
}

function What({ one, settings }: { one: Opportunity; settings: PipelineSettings }) {
  const [open, setOpen] = useState<'edit' | 'won' | 'lost'>();
  const may = useMay();
  const [change, changing] = useChangeOpportunityMutation();
  const [move, moving] = useMoveOpportunityMutation();
  const [end, ending] = useEndOpportunityMutation();
  const close = () => setOpen(undefined);
  const isMine = may('edit');
  const problem = moving.error ?? ending.error;
  const stages = settings.stages.some(({ id }) => id === one.stageId) ? settings.stages : [{ id: one.stageId, name: one.stays.at(-1)?.stage ?? '' }, ...settings.stages]; // prettier-ignore
  return (
    <View className="gap-3">
      <View className="gap-1">
        <Heading className="text-[30px] leading-[38px] [overflow-wrap:anywhere]">{one.title}</Heading>
        {one.company ? (
          <Link href={`/companies/${one.company.id}` as Href}>
            <Text className="text-[18px] leading-[25px] underline decoration-rule underline-offset-4">
              {one.company.name}
            </Text>
          </Link>
        ) : null}
        <Text className="tabular text-[18px] leading-[25px]">
          {one.value === null
            ? 'Worth not known yet'
            : `${moneyWords(one.value, one.currency)}, chance ${one.chance} %`}
        </Text>
        <Soft>
          {[
            one.state === 'open' && one.expectedOn && `expected ${formatDay(one.expectedOn)}`,
            one.state !== 'open' && one.endedAt && `${one.state} ${formatWhen(one.endedAt)}`,
            one.endReason,
            `owned by ${one.owner.name}`,
            one.occasion?.name,
            one.about.join(', '),
          ]
            .filter(Boolean)
            .join(' · ')}
        </Soft>
        {one.endWords ? <Text className="[overflow-wrap:anywhere]">{one.endWords}</Text> : null}
      </View>
      {one.state === 'open' ? (
        <View className="items-start">
          <Select
            label="Stage"
            value={one.stageId}
            onChange={(stageId) => void move({ id: one.id, stageId, version: one.version })}
            options={stages.map(({ id, name }) => ({ value: id, label: name }))}
          />
        </View>
      ) : null}
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
      {open === 'edit' ? (
        <View role="region" aria-label="Change the opportunity" className="border-l-2 border-ink pl-3">
          <OpportunityForm
            key={one.version}
            settings={settings}
            one={one}
            busy={changing.isLoading}
            error={changing.error}
            onSave={(fields) =>
              void change({ id: one.id, body: { ...fields, version: one.version } }).then((answer) => {
                if (!answer.error) close();
              })
            }
            onLeave={close}
          />
        </View>
      ) : open ? (
        <EndIt one={one} as={open} settings={settings} onDone={close} />
      ) : isMine ? (
        <View className="flex-row flex-wrap gap-2">
          {one.state === 'open' ? (
            <>
              <Button look="ink" onPress={() => setOpen('won')}>
                Won
              </Button>
              <Button onPress={() => setOpen('lost')}>Lost</Button>
            </>
          ) : (
            <Button
              look="ink"
              busy={ending.isLoading}
              onPress={() => void end({ id: one.id, end: { state: 'open', version: one.version } })}
            >
              Open again
            </Button>
          )}
          <Button onPress={() => setOpen('edit')}>Change</Button>
        </View>
      ) : null}
    </View>
  );
}

const PeopleOf = ({ one: { people } }: { one: Opportunity }) => (
  <View className="gap-1">
    <Subheading>People</Subheading>
    {people.length === 0 ? <Soft>Nobody yet. Who decides?</Soft> : null}
    {people.map(({ personId, fullName, title, company, part }) => (
      <View key={personId} className="border-b border-rule py-1">
        <Link href={`/people/${personId}`}>
          <View className="min-h-touch justify-center">
            <Text className="underline decoration-rule underline-offset-4">{fullName || 'Unnamed'}</Text>
            <Soft>{[PART_WORDS[part], title, company].filter(Boolean).join(' · ')}</Soft>
          </View>
        </Link>
      </View>
    ))}
  </View>
);

/** It asks first: this is for good. */
function Remove({ one }: { one: Opportunity }) {
  const router = useRouter();
  const may = useMay();
  const [isAsking, setAsking] = useState(false);
  const [remove, { isLoading, error }] = useRemoveOpportunityMutation();
  if (!may('delete')) return null;
  const go = async () => {
    const answer = await remove({ id: one.id, version: one.version });
    if (!answer.error) router.replace('/pipeline');
  };
  if (!isAsking)
    return (
      <View className="items-start">
        <Button look="brick" className="-ml-4" onPress={() => setAsking(true)}>
          Remove the opportunity
        </Button>
      </View>
    );
  return (
    <View role="region" aria-label="Remove the opportunity" className="gap-2 border-l-2 border-brick pl-3">
      <Text>It goes for good, with its notes, files, tasks and history. What is lost is better closed as lost.</Text>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button look="brick" busy={isLoading} onPress={() => void go()}>
          Remove it for good
        </Button>
        <Button look="bare" onPress={() => setAsking(false)}>
          Keep it
        </Button>
      </View>
    </View>
  );
}
