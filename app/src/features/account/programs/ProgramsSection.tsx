import type { ApiToken, TokenMade } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, LoadingLines, Notice, Serif, Soft, Text } from '@/ui';
import { SettingsSection } from '../SettingsSection';
import { useRevokeTokenMutation, useTokensQuery } from './api';
import { GivenToken } from './GivenToken';
import { OtherPages } from './OtherPages';
import { scopesInWords } from './scopeWords';
import { ToldAddresses } from './ToldAddresses';
import { TokenForm } from './TokenForm';

/** Programs that are let in, each with a token of its own; addresses that are told what happens; pages of others. */
export const ProgramsSection = () => (
  <SettingsSection title="Programs">
    <Programs />
    <ToldAddresses />
    <OtherPages />
  </SettingsSection>
);

function Programs() {
  const { data, error, refetch } = useTokensQuery();
  const [making, setMaking] = useState(false);
  const [given, setGiven] = useState<{ made: TokenMade; name: string }>();
  if (error && !data)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data) return <LoadingLines />;
  return (
    <View className="gap-5">
      <Text>
        A program of yours or of somebody else is let in by a token: it sends pictures, reads people, files them, as far
        as you let it. <DocsLink />
      </Text>
      {given ? <GivenToken token={given.made.token} name={given.name} onDone={() => setGiven(undefined)} /> : null}
      {making ? (
        <TokenForm
          onMade={(made, name) => {
            setGiven({ made, name });
            setMaking(false);
          }}
          onCancel={() => setMaking(false)}
        />
      ) : (
        <View className="flex-row">
          <Button look={given ? 'plain' : 'ink'} onPress={() => setMaking(true)}>
            Let a program in
          </Button>
        </View>
      )}
      {data.items.length > 0 ? (
        <View role="list" aria-label="Programs that are let in" className="border-t border-rule">
          {data.items.map((token) => (
            <TokenRow key={token.id} token={token} />
          ))}
        </View>
      ) : (
        <Soft>No program is let in.</Soft>
      )}
    </View>
  );
}

const DocsLink = () => (
  <a
    href="/api/docs"
    target="_blank"
    rel="noreferrer"
    style={{ color: 'rgb(var(--ink))', textDecoration: 'underline', textUnderlineOffset: 3 }}
  >
    What programs can do
  </a>
);

function TokenRow({ token: { id, name, scopes, by, endsAt, lastUsedAt } }: { token: ApiToken }) {
  const [asking, setAsking] = useState(false);
  const [revoke, { error, isLoading }] = useRevokeTokenMutation();
  const isOver = endsAt !== null && Date.parse(endsAt) <= Date.now();
  const when = isOver
    ? `Ended ${formatWhen(endsAt)}`
    : [
        endsAt ? `Ends ${formatWhen(endsAt)}` : '',
        lastUsedAt ? `Last used ${formatWhen(lastUsedAt)}` : 'Never used yet',
      ]
        .filter(Boolean)
        .join('. ');
  return (
    <View role="listitem" className="gap-1 border-b border-rule py-3">
      <Serif className="[overflow-wrap:anywhere]">{name}</Serif>
      <Soft>{`${scopesInWords(scopes)}.`}</Soft>
      <Soft>{`${when}. In the name of ${by}.`}</Soft>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {asking ? (
        <View className="gap-2">
          <Text>{`${name} is let in no more, at once and for good. It takes a new token to let it in again.`}</Text>
          <View className="flex-row flex-wrap gap-3">
            <Button look="brick" busy={isLoading} onPress={() => void revoke(id)}>
              Revoke the token
            </Button>
            <Button onPress={() => setAsking(false)}>Keep it</Button>
          </View>
        </View>
      ) : (
        <View className="-ml-4 flex-row">
          <Button look="bare" label={`Revoke the token of ${name}`} onPress={() => setAsking(true)}>
            Revoke
          </Button>
        </View>
      )}
    </View>
  );
}
