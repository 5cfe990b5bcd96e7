import type { Message, Person } from '@dossier/contract';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { useAskedFor } from '@/lib/useAskedFor';
import { Button, Notice, Soft, Subheading, Text } from '@/ui';
import { useMessagesQuery, useMoveMessageMutation } from '../api';
import { SendOwnCard } from '../ownCard/SendOwnCard';
import { ComposeMessage } from './ComposeMessage';
import { standingWords } from './standingWords';

/** So often is looked whether what is on its way has gone, and whether something came. */
const LOOK_MS = 10_000;

/** What was written to somebody and by them, and a new message. */
export function PersonMessages({ person }: { person: Person }) {
  const may = useMay();
  const { data, error, refetch } = useMessagesQuery(person.id, { pollingInterval: LOOK_MS });
  const [writing, setWriting] = useState<{ answers: Message | null }>();
  const desk = useRef<HTMLDivElement>(null);
  const was = useRef(writing);
  useEffect(() => {
    if (was.current === writing) return;
    was.current = writing;
    // Whoever works by keyboard goes on where the message is written, or was.
    desk.current?.focus({ preventScroll: true });
    desk.current?.scrollIntoView({ block: writing ? 'start' : 'nearest' });
  }, [writing]);
  if (person.deletedAt && !data?.items.length) return null;
  return (
    <View role="region" aria-label="Messages" className="gap-3">
      <Subheading>Messages</Subheading>
      {error && !data ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : null}
      <div ref={desk} tabIndex={-1} style={{ outline: 'none', scrollMarginTop: 12 }}>
        {writing ? (
          <ComposeMessage
            key={writing.answers?.id ?? 'new'}
            person={person}
            answers={writing.answers}
            onClose={() => setWriting(undefined)}
          />
        ) : person.deletedAt || !may('write') ? null : (
          <View className="flex-row flex-wrap items-start gap-3">
            <Button onPress={() => setWriting({ answers: null })}>Write</Button>
            <SendOwnCard person={person} />
          </View>
        )}
      </div>
      {data?.items.map((message) => (
        <OneMessage
          key={message.id}
          message={message}
          onAnswer={person.deletedAt || !may('write') ? undefined : () => setWriting({ answers: message })}
        />
      ))}
    </View>
  );
}

const SHORT = 280;

function OneMessage({ message, onAnswer }: { message: Message; onAnswer?: () => void }) {
  const { isAsked, ref } = useAskedFor(message.id);
  const [whole, setWhole] = useState(isAsked);
  const [move, { error }] = useMoveMessageMutation();
  const act = (to: Parameters<typeof move>[0]['to']) => void move({ id: message.id, to });
  const isIn = message.direction === 'in';
  const isLong = message.text.length > SHORT || message.text.split('\n').length > 5;
  return (
    <div ref={ref} style={{ scrollMarginTop: 12 }}>
      <View className={`gap-1 border-l-2 py-1 pl-3 ${isIn ? 'border-ink' : 'border-rule'}`}>
        <Text className="[overflow-wrap:anywhere]">
          {message.subject || 'Without a subject'}
          <Soft>{`  ${formatWhen(message.at)}`}</Soft>
        </Text>
        <Soft
          className={
            message.state === 'refused' || message.state === 'uncertain' || message.cameBack ? 'text-brick' : ''
          }
        >
          {standingWords(message)}
        </Soft>
        {message.problem ? <Soft className="[overflow-wrap:anywhere]">{message.problem}</Soft> : null}
        <Text numberOfLines={whole ? undefined : 5} className="[overflow-wrap:anywhere]">
          {message.text}
        </Text>
        {message.attachments.map(({ id, name }) => (
          <a
            key={id}
            href={`/api/v1/attachments/${id}`}
            download
            style={{ color: 'rgb(var(--ink))', padding: '11px 0', textUnderlineOffset: 4, alignSelf: 'flex-start' }}
          >
            <Text className="underline underline-offset-4 [overflow-wrap:anywhere]">{name}</Text>
          </a>
        ))}
        <View className="-ml-4 flex-row flex-wrap">
          {isLong ? (
            <Button
              look="bare"
              label={whole ? `Shorten “${message.subject}”` : `Show all of “${message.subject}”`}
              onPress={() => setWhole(!whole)}
            >
              {whole ? 'Shorten' : 'Show all'}
            </Button>
          ) : null}
          {isIn && !message.isRead ? (
            <Button look="bare" label={`Seen: “${message.subject}”`} onPress={() => act('read')}>
              Seen
            </Button>
          ) : null}
          {isIn && onAnswer ? (
            <Button look="bare" label={`Answer “${message.subject}”`} onPress={onAnswer}>
              Answer
            </Button>
          ) : null}
          {message.state === 'uncertain' ? (
            <>
              <Button look="bare" onPress={() => act('arrived')}>
                It arrived
              </Button>
              <Button look="bare" onPress={() => act('again')}>
                Send again
              </Button>
            </>
          ) : null}
          {message.state === 'refused' && !message.cameBack ? (
            <Button look="bare" label={`Try “${message.subject}” again`} onPress={() => act('again')}>
              Try again
            </Button>
          ) : null}
          {message.state === 'waiting' || message.state === 'uncertain' ? (
            <Button look="bare" label={`Do not send “${message.subject}”`} onPress={() => act('dropped')}>
              Do not send
            </Button>
          ) : null}
        </View>
        {error ? <Notice fault>{problemText(error)}</Notice> : null}
      </View>
    </div>
  );
}
