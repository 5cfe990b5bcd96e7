import type { Person } from '@dossier/contract';
import { addressLines } from '@dossier/core/people';
import { Link, useRouter } from 'expo-router';
import { useState, type ComponentType } from 'react';
import { Text as NativeText, View } from 'react-native';
import { useSelector } from 'react-redux';
import { isNotHere } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { usePageTitle } from '@/lib/pageTitle';
import { useWide } from '@/lib/useWide';
import { Button, CannotShow, Heading, LoadingLines, Page, Rule, Soft, Text } from '@/ui';
import { usePersonQuery } from './api';
import { CardPictures } from './CardPictures';
import { Consents } from './Consents';
import { ContactLinks } from './ContactLinks';
import { EditPerson } from './EditPerson';
import { DeletedNotice, EndOfRecord } from './EndOfRecord';
import { History } from './History';
import { useListPlace } from './list/useListPlace';
import { Merges } from './Merges';
import { Notes } from './Notes';
import { SendBack } from './SendBack';
import { selectLeftEdit } from './slice';

interface Props {
  personId: string;
  /** Ways to give the card to somebody: lent by the room that has them. */
  Share: ComponentType<{ person: Person }>;
  /** What was read where on the cards: lent by the room that has the cards. */
  WhereFrom: ComponentType<{ person: Person }>;
  /** Other systems that have this person: lent by the room that hands people over. */
  Elsewhere: ComponentType<{ person: Person }>;
  /** What a directory says, and a portrait that was taken from one: lent by the room that asks it. */
  Directory: ComponentType<{ person: Person }>;
  Portrait: ComponentType<{ person: Person }>;
  /** What is to be done, what follows by itself, what was written: lent by the room that follows up. */
  Tasks: ComponentType<{ person: Person }>;
  /** Business that they have to do with: lent by the room that has it. */
  Business: ComponentType<{ person: Person }>;
  Plans: ComponentType<{ person: Person }>;
  Messages: ComponentType<{ person: Person }>;
}

/** Somebody's dossier. */
export function PersonScreen({
  personId,
  Share,
  WhereFrom,
  Elsewhere,
  Directory,
  Portrait,
  Tasks,
  Business,
  Plans,
  Messages,
}: Props) {
  const wide = useWide();
  const { data: person, error, refetch } = usePersonQuery(personId);
  const isLeft = useSelector(selectLeftEdit(personId)) !== undefined;
  const [editing, setEditing] = useState(isLeft);
  const router = useRouter();
  const { listAt } = useListPlace();
  usePageTitle(person?.fullName);
  if (error) {
    return (
      <CannotShow
        title={isNotHere(error) ? 'This person is not here' : 'This person cannot be shown'}
        error={error}
        onRetry={refetch}
        onwards={
          <Button look="ink" onPress={() => router.replace('/people')}>
            Go to people
          </Button>
        }
      />
    );
  }
  if (!person) return <LoadingLines lines={4} />;
  return (
    <Page>
      <View className="gap-5">
        {wide ? null : (
          <Link href={listAt} aria-label="Back to people">
            <Text className="underline underline-offset-4">People</Text>
          </Link>
        )}
        <DeletedNotice person={person} />
        <Who person={person} />
        <Portrait person={person} />
        {person.deletedAt ? null : (
          <View className="items-start">
            {editing ? null : <Button onPress={() => setEditing(true)}>Change</Button>}
          </View>
        )}
        {editing ? <EditPerson person={person} onDone={() => setEditing(false)} /> : null}
        {person.cardIds.length > 0 ? <CardPictures person={person} /> : null}
        <ContactLinks fields={person.fields} />
        <FormerJobs person={person} />
        <Address person={person} />
        <More person={person} />
        <WhereFrom person={person} />
        <Tasks person={person} />
        <Business person={person} />
        <Plans person={person} />
        <Messages person={person} />
        <Notes person={person} />
        <Rule />
        <Consents person={person} />
        <Rule />
        <Elsewhere person={person} />
        <Directory person={person} />
        {person.deletedAt ? null : <Share person={person} />}
        <Rule />
        <Merges person={person} />
        <SendBack person={person} />
        <History changes={person.history} cardIds={person.cardIds} />
        <Rule />
        <EndOfRecord person={person} />
      </View>
    </Page>
  );
}

function Who({
  person: { fields, fullName, kind, owner, tags, rating, status, closed, companyId },
}: {
  person: Person;
}) {
  const position = [fields.title, fields.department].filter(Boolean).join(', ');
  return (
    <View className="gap-1">
      <Heading className="text-[32px] leading-[40px]">
        {fields.prefix ? <Heading className="text-[32px] leading-[40px] text-soft">{fields.prefix} </Heading> : null}
        {fullName || 'Unnamed'}
        {fields.suffix ? <Soft className="font-serif text-[19px]">{`  ${fields.suffix}`}</Soft> : null}
      </Heading>
      {position || companyId ? (
        <Text className="text-[18px] leading-[25px]">
          {position}
          {position && companyId ? ', ' : ''}
          {companyId ? <FirmLink id={companyId} name={fields.company} /> : null}
        </Text>
      ) : null}
      <Soft>
        {[
          kind === 'contact' ? 'Contact' : closed ? `Closed lead: ${closed.reason}` : 'Lead',
          kind === 'lead' && !closed && status,
          rating,
          `owned by ${owner.name}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Soft>
      {tags.length > 0 ? <Soft>{tags.join(', ')}</Soft> : null}
    </View>
  );
}

const FirmLink = ({ id, name }: { id: string; name: string }) => (
  <Link href={`/companies/${id}`}>
    <NativeText className="underline decoration-rule underline-offset-4 hover:decoration-ink">{name}</NativeText>
  </Link>
);

function Address({ person: { fields } }: { person: Person }) {
  const lines = [...addressLines(fields), countryName(fields.country)].filter(Boolean);
  if (lines.length === 0) return null;
  return (
    <View className="gap-1">
      <Soft>Address</Soft>
      {lines.map((line) => (
        <Text key={line}>{line}</Text>
      ))}
      {/* RFC 5870, with the words to look for in place of coordinates: phones and desktops open their own maps. */}
      <a
        href={`geo:0,0?q=${encodeURIComponent(lines.join(', '))}`}
        style={{ color: 'rgb(var(--ink))', padding: '11px 0', textUnderlineOffset: 4, alignSelf: 'flex-start' }}
      >
        <Text className="underline underline-offset-4">Show on a map</Text>
      </a>
    </View>
  );
}

/** Fields with a name of their own. */
const More = ({ person: { fields } }: { person: Person }) =>
  fields.more.map(({ label, value }) => (
    <View key={`${label} ${value}`} className="gap-1">
      <Soft>{label}</Soft>
      <Text>{value}</Text>
    </View>
  ));

const countries = new Intl.DisplayNames('en', { type: 'region' });

/** The name of an ISO 3166 code; anything else as it was written. */
const countryName = (country: string): string =>
  /^[A-Z]{2}$/.test(country) ? (countries.of(country) ?? country) : country;

/** Where somebody worked before. */
const FormerJobs = ({ person }: { person: Person }) =>
  person.formerJobs.length === 0 ? null : (
    <View className="gap-1">
      <Soft>Before</Soft>
      {person.formerJobs.map((job) => (
        <Text key={job.id}>
          {job.title}
          {job.title && job.companyId ? ', ' : ''}
          {job.companyId ? <FirmLink id={job.companyId} name={job.company} /> : null}
          {`, until ${formatWhen(job.endedAt)}`}
        </Text>
      ))}
    </View>
  );
