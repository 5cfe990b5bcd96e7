import type { Booking, BookingStanding } from '@dossier/contract';
import { Link, useRouter } from 'expo-router';
import { View } from 'react-native';
import { SettingsSection } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, LoadingLines, Notice, Rule, Soft, Subheading, Text } from '@/ui';
import { useBookingQuery, useCallOffMutation } from './api';
import { BookingForm } from './BookingForm';

/** When others may book a talk with whoever is signed in, and what they have booked. */
export function BookingSection() {
  const { data, error, refetch } = useBookingQuery();
  return (
    <SettingsSection title="Talks">
      <Text>
        Others choose a free time of yours on your page. It becomes a task of yours, and they get an invitation.
      </Text>
      {error && !data ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : null}
      {data ? (
        <>
          <Standing standing={data} />
          <Rule />
          <BookingForm key={data.busy?.host ?? ''} standing={data} />
          <Rule />
          <Coming coming={data.coming} />
        </>
      ) : error ? null : (
        <LoadingLines lines={4} />
      )}
    </SettingsSection>
  );
}

function Standing({ standing: { isOn, path, free, busy } }: { standing: BookingStanding }) {
  const router = useRouter();
  if (!isOn) return <Soft>Nobody can book you: it is off.</Soft>;
  return (
    <View className="gap-2">
      {path ? (
        <a href={path} target="_blank" rel="noreferrer" style={{ color: 'rgb(var(--ink))', textUnderlineOffset: 4 }}>
          <Text className="underline underline-offset-4">See what others see</Text>
        </a>
      ) : (
        <Notice fault action={<Button onPress={() => router.push('/settings/card')}>Make a page</Button>}>
          Nobody finds it yet: it stands on the page of your card, and there is none.
        </Notice>
      )}
      <Soft>
        {free[0] ? `The next free time: ${formatWhen(free[0])}` : 'There is no free time in the days that others see.'}
      </Soft>
      {busy?.problem ? (
        <Notice
          fault
        >{`The other calendar cannot be looked at: ${busy.problem} What was seen last still counts.`}</Notice>
      ) : null}
    </View>
  );
}

function Coming({ coming }: { coming: readonly Booking[] }) {
  return (
    <View className="gap-3">
      <Subheading>Booked</Subheading>
      {coming.length === 0 ? <Soft>Nothing is booked.</Soft> : null}
      {coming.map((booking) => (
        <OneBooking key={booking.id} booking={booking} />
      ))}
    </View>
  );
}

const MAIL_WORDS = {
  waiting: 'the confirmation is on its way',
  sent: 'they have the confirmation',
  uncertain: 'the confirmation was perhaps sent',
  refused: 'the confirmation could not be sent',
} as const;

function OneBooking({ booking: { id, startsAt, name, email, words, person, cardId, mail } }: { booking: Booking }) {
  const [off, { isLoading, error }] = useCallOffMutation();
  const href = person ? (`/people/${person.id}` as const) : cardId ? (`/proof/${cardId}` as const) : undefined;
  return (
    <View className="gap-1 border-l-2 border-rule pl-3">
      <Text className="tabular [overflow-wrap:anywhere]">
        {`${formatWhen(startsAt)}, `}
        {href ? (
          <Link href={href}>
            <Text className="underline underline-offset-4">{name}</Text>
          </Link>
        ) : (
          name
        )}
      </Text>
      <Soft className="[overflow-wrap:anywhere]">
        {`${email} · ${mail ? MAIL_WORDS[mail] : 'they were not written to: no address to send from is set'}`}
      </Soft>
      {words ? <Soft className="[overflow-wrap:anywhere]">{`“${words}”`}</Soft> : null}
      <View className="-ml-4 items-start">
        <Button look="brick" label={`Call off the talk with ${name}`} busy={isLoading} onPress={() => void off(id)}>
          Call it off
        </Button>
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
