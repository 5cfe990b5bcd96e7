import type { Person } from '@dossier/contract';
import { useRef } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { problemText } from '@/lib/api';
import { Button, Notice, Text } from '@/ui';
import { useOwnCardQuery, useSendOwnCardMutation } from './api';
import { textLink } from './textLink';

/** One's own details to somebody who asked for them: by mail, or by a text message of the device. */
export function SendOwnCard({ person }: { person: Person }) {
  const id = useRef(uuidv7());
  const [send, { isLoading, error, data }] = useSendOwnCardMutation();
  const { data: card } = useOwnCardQuery();
  const text = textLink(person.fields, card);
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap items-center gap-3">
        {person.fields.emails.length > 0 ? (
          <Button
            busy={isLoading}
            disabled={data !== undefined}
            onPress={() => void send({ personId: person.id, id: id.current })}
          >
            {data ? 'Your card is on its way' : 'Send my card'}
          </Button>
        ) : null}
        {text ? <TextIt href={text} /> : null}
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}

export const TextIt = ({ href }: { href: string }) => (
  <a href={href} style={{ color: 'rgb(var(--ink))', padding: '11px 0', textUnderlineOffset: 4 }}>
    <Text className="underline underline-offset-4">Text my card</Text>
  </a>
);
