import type { Person } from '@dossier/contract';
import { useDrag } from '@use-gesture/react';
import { Link, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useMay, useSessionQuery } from '@/features/account';
import { PersonTasks } from '@/features/followup';
import { ChangeStrip, ContactLinks, PersonNotes, useChangeManyMutation, usePersonQuery } from '@/features/people';
import { isNotHere, problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { usePageTitle } from '@/lib/pageTitle';
import { useWide } from '@/lib/useWide';
import { Button, CannotShow, Heading, LoadingLines, Notice, Page, Rule, Select, Soft, Text } from '@/ui';
import { lackWords, untouchedWords } from '../words';
import { CloseLead } from './CloseLead';
import { QualifiedStrip } from './QualifiedStrip';
import { QualifyLead } from './QualifyLead';
import { useLeads } from './useLeads';

/** So far a thumb draws the page before it counts, in pixels. */
const SWIPE_PX = 90;

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (/^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.isContentEditable);

/** One lead after the other: what is known, what is lacking, and what becomes of them. */
export function LeadScreen({ personId }: { personId: string }) {
  const router = useRouter();
  const wide = useWide();
  const { data: person, error, refetch } = usePersonQuery(personId);
  const { leads, at, nextOf } = useLeads();
  const next = nextOf(personId);
  const [sheet, setSheet] = useState<'qualify' | 'close'>();
  usePageTitle(person?.fullName);
  const go = () => {
    if (next) router.replace(at(`/pipeline/leads/${next.id}`));
    else router.replace(at('/pipeline/leads'));
  };
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      const place = leads.findIndex(({ id }) => id === personId);
      const to = event.key === 'n' ? leads[place + 1] : event.key === 'p' ? leads[place - 1] : undefined;
      if (to) router.replace(at(`/pipeline/leads/${to.id}`));
      else if (event.key === 'q') setSheet('qualify');
      else if (event.key === 'c') setSheet('close');
      else return;
      event.preventDefault();
    };
    document.addEventListener('keydown', press);
    return () => document.removeEventListener('keydown', press);
  });
  const drag = useDrag(
    ({ movement: [x], last, tap }) => {
      if (last && !tap && x < -SWIPE_PX && next) go();
    },
    { axis: 'x', pointer: { touch: true }, filterTaps: true },
  );
  if (error)
    return (
      <CannotShow
        title={isNotHere(error) ? 'This lead is not here' : 'This lead cannot be shown'}
        error={error}
        onRetry={refetch}
        onwards={
          <Button look="ink" onPress={() => router.replace('/pipeline/leads')}>
            Go to the leads
          </Button>
        }
      />
    );
  if (!person) return <LoadingLines lines={4} />;
  const done = () => {
    setSheet(undefined);
    go();
  };
  return (
    <Page>
      <View className="gap-5">
        {wide ? null : (
          <>
            <Link href={at('/pipeline/leads')} aria-label="Back to the leads">
              <Text className="underline underline-offset-4">Leads</Text>
            </Link>
            <View className="-mx-4">
              <QualifiedStrip />
              <ChangeStrip />
            </View>
          </>
        )}
        {/* A thumb draws one lead away and the next one comes. */}
        <div {...drag()} style={{ touchAction: 'pan-y' }}>
          <Who person={person} untouched={leads.find(({ id }) => id === personId)?.untouchedSince} />
        </div>
        <Standing person={person} />
        {sheet === 'qualify' && person.kind === 'lead' ? (
          <QualifyLead person={person} onDone={done} onLeave={() => setSheet(undefined)} />
        ) : sheet === 'close' && person.kind === 'lead' && !person.closed ? (
          <CloseLead lead={person} onDone={done} onLeave={() => setSheet(undefined)} />
        ) : (
          <Acts person={person} onOpen={setSheet} onNext={next && next.id !== personId ? go : undefined} />
        )}
        <ContactLinks fields={person.fields} />
        <PersonTasks person={person} />
        <PersonNotes person={person} />
        <Rule />
        <Link href={`/people/${person.id}`}>
          <View className="min-h-touch justify-center">
            <Text className="underline underline-offset-4">Everything about them</Text>
          </View>
        </Link>
      </View>
    </Page>
  );
}

function Who({ person: { fields, fullName, kind, closed, owner }, untouched }: { person: Person; untouched?: string }) {
  const position = [fields.title, fields.company].filter(Boolean).join(', ');
  const { givenName, familyName, company, emails, phones } = fields;
  const lacks = lackWords([
    ...(givenName && familyName ? [] : (['name'] as const)),
    ...(company ? [] : (['company'] as const)),
    ...(emails.length + phones.length > 0 ? [] : (['reach'] as const)),
  ]);
  return (
    <View className="gap-1">
      <Heading className="text-[30px] leading-[38px] [overflow-wrap:anywhere]">{fullName || 'Unnamed'}</Heading>
      {position ? <Text className="text-[18px] leading-[25px]">{position}</Text> : null}
      <Soft>
        {kind === 'contact'
          ? 'A contact now'
          : closed
            ? `Closed ${formatWhen(closed.at)}: ${[closed.reason, closed.words].filter(Boolean).join('. ')}`
            : [untouched && untouchedWords(untouched), `owned by ${owner.name}`].filter(Boolean).join(' · ')}
      </Soft>
      {lacks && kind === 'lead' && !closed ? <Text>{lacks}</Text> : null}
    </View>
  );
}

/** How far they are, and how they are rated: one touch each. */
function Standing({ person }: { person: Person }) {
  const { data: session } = useSessionQuery();
  const may = useMay();
  const [change, { error }] = useChangeManyMutation();
  const { leadStatuses = [], ratings = [] } = session?.workspace ?? {};
  if (person.kind === 'contact' || person.closed || !may('edit')) return null;
  const set = (what: { status: string | null } | { rating: string | null }) =>
    void change({ who: { ids: [person.id] }, what });
  const options = (words: readonly string[], now: string | null, none: string) => [
    { value: '', label: none },
    ...[...new Set([...words, ...(now ? [now] : [])])].map((word) => ({ value: word, label: word })),
  ];
  return (
    <View className="gap-1">
      <View className="flex-row flex-wrap gap-x-6">
        <Select
          label="Status"
          value={person.status ?? ''}
          onChange={(status) => set({ status: status || null })}
          options={options(leadStatuses, person.status, 'No status')}
        />
        <Select
          label="Rating"
          value={person.rating ?? ''}
          onChange={(rating) => set({ rating: rating || null })}
          options={options(ratings, person.rating, 'Not rated')}
        />
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}

interface ActsProps {
  person: Person;
  onOpen: (sheet: 'qualify' | 'close') => void;
  onNext?: () => void;
}

function Acts({ person, onOpen, onNext }: ActsProps) {
  const may = useMay();
  const [change, { isLoading, error }] = useChangeManyMutation();
  const isOpen = person.kind === 'lead' && !person.closed && !person.deletedAt;
  return (
    <View className="gap-2">
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        {isOpen && may('edit') ? (
          <>
            <Button look="ink" onPress={() => onOpen('qualify')}>
              Qualify
            </Button>
            <Button onPress={() => onOpen('close')}>Close</Button>
          </>
        ) : null}
        {person.kind === 'lead' && person.closed && may('edit') ? (
          <Button
            look="ink"
            busy={isLoading}
            onPress={() => void change({ who: { ids: [person.id] }, what: { closed: null } })}
          >
            Open again
          </Button>
        ) : null}
        {onNext ? <Button onPress={onNext}>Next lead</Button> : null}
      </View>
    </View>
  );
}
