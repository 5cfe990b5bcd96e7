import type { Person } from '@dossier/contract';
import { addressLines } from '@dossier/core/people';
import { Link, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { isNotHere } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { usePageTitle } from '@/lib/pageTitle';
import { useWide } from '@/lib/useWide';
import {
  Button,
  CannotShow,
  CardImage,
  cardPicture,
  Heading,
  LoadingLines,
  Page,
  Rule,
  Soft,
  Subheading,
  Text,
} from '@/ui';
import { usePersonQuery } from './api';
import { Consents } from './Consents';
import { ContactLinks } from './ContactLinks';
import { EditPerson } from './EditPerson';
import { DeletedNotice, EndOfRecord } from './EndOfRecord';
import { History } from './History';
import { Merges } from './Merges';
import { SendBack } from './SendBack';
import { VcardDownload } from './VcardDownload';

/** Somebody's dossier. */
export function PersonScreen({ personId }: { personId: string }) {
  const wide = useWide();
  const { data: person, error, refetch } = usePersonQuery(personId);
  const [editing, setEditing] = useState(false);
  const router = useRouter();
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
          <Link href="/people" aria-label="Back to people">
            <Text className="underline underline-offset-4">People</Text>
          </Link>
        )}
        <DeletedNotice person={person} />
        <Who person={person} />
        {person.deletedAt ? null : (
          <View className="items-start">
            {editing ? null : <Button onPress={() => setEditing(true)}>Change</Button>}
          </View>
        )}
        {editing ? <EditPerson person={person} onDone={() => setEditing(false)} /> : null}
        {person.cardIds.length > 0 ? <Cards person={person} /> : null}
        <ContactLinks fields={person.fields} />
        <FormerJobs person={person} />
        <Address person={person} />
        <More person={person} />
        {person.notes.length > 0 ? <Notes person={person} /> : null}
        <Rule />
        <Consents person={person} />
        <Rule />
        <VcardDownload person={person} />
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

function Who({ person: { fields, fullName, kind, owner, tags, rating } }: { person: Person }) {
  const job = [fields.title, fields.department, fields.company].filter(Boolean).join(', ');
  return (
    <View className="gap-1">
      <Heading className="text-[32px] leading-[40px]">
        {fields.prefix ? <Heading className="text-[32px] leading-[40px] text-soft">{fields.prefix} </Heading> : null}
        {fullName || 'Unnamed'}
        {fields.suffix ? <Soft className="font-serif text-[19px]">{`  ${fields.suffix}`}</Soft> : null}
      </Heading>
      {job ? <Text className="text-[18px] leading-[25px]">{job}</Text> : null}
      <Soft>
        {[kind === 'lead' ? 'Lead' : 'Contact', rating, `owned by ${owner.name}`].filter(Boolean).join(' · ')}
      </Soft>
      {tags.length > 0 ? <Soft>{tags.join(', ')}</Soft> : null}
    </View>
  );
}

const Cards = ({ person }: { person: Person }) => (
  <View className="flex-row flex-wrap gap-4">
    {person.cardIds.slice(0, 4).map((cardId, i) => (
      <CardImage
        key={cardId}
        src={cardPicture(cardId)}
        alt={i === 0 ? `The card of ${person.fullName}` : 'An earlier card'}
        width={i === 0 ? 320 : 140}
        natural
        lifted={i === 0}
      />
    ))}
  </View>
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
        <Text
          key={job.id}
        >{`${[job.title, job.company].filter(Boolean).join(', ')}, until ${formatWhen(job.endedAt)}`}</Text>
      ))}
    </View>
  );

const Notes = ({ person }: { person: Person }) => (
  <View className="gap-3">
    <Subheading>Notes</Subheading>
    {person.notes.map((note) => (
      <View key={note.id} className="border-l-2 border-ink pl-3">
        <Text>{note.text}</Text>
        <Soft>{`${note.author}, ${formatWhen(note.at)}`}</Soft>
      </View>
    ))}
  </View>
);
