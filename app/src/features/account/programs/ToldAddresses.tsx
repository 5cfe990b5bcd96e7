import type { WebhookSecret } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, LoadingLines, Notice, Soft, Subheading } from '@/ui';
import { GivenToken } from './GivenToken';
import { ToldAddress } from './ToldAddress';
import { ToldForm } from './ToldForm';
import { useAddWebhookMutation, useWebhooksQuery } from './webhooksApi';

const LOOK_MS = 5_000;

/** Addresses of others that are told what happens. */
export function ToldAddresses() {
  const { data, error, refetch } = useWebhooksQuery(undefined, { pollingInterval: LOOK_MS });
  const [add] = useAddWebhookMutation();
  const [adding, setAdding] = useState(false);
  const [given, setGiven] = useState<WebhookSecret>();
  if (error && !data)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data) return <LoadingLines />;
  return (
    <View className="gap-4 border-t border-rule pt-5">
      <Subheading>Told what happens</Subheading>
      <Soft>
        An address of yours or of somebody else hears at once that a card was filed or somebody changed: whom it is
        about, and nothing that stands on the card.
      </Soft>
      {given ? (
        <GivenToken kind="secret" token={given.secret} name="the receiver" onDone={() => setGiven(undefined)} />
      ) : null}
      {adding ? (
        <ToldForm
          submitWords="Tell this address"
          onSubmit={async (fields) => {
            const { data: made, error: problem } = await add(fields);
            if (problem) return problem;
            setGiven(made);
            setAdding(false);
            return undefined;
          }}
          onCancel={() => setAdding(false)}
        />
      ) : (
        <View className="flex-row">
          <Button onPress={() => setAdding(true)}>Tell an address</Button>
        </View>
      )}
      {data.items.length > 0 ? (
        <View role="list" aria-label="Addresses that are told" className="border-t border-rule">
          {data.items.map((webhook) => (
            <ToldAddress key={webhook.id} webhook={webhook} onSecret={setGiven} />
          ))}
        </View>
      ) : (
        <Soft>No address is told.</Soft>
      )}
    </View>
  );
}
