import type { Webhook, WebhookDelivery, WebhookSecret } from '@dossier/contract';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatWhen } from '@/lib/formatDate';
import { Button, LoadingLines, Notice, Raw, Serif, Soft, Text } from '@/ui';
import { eventWords } from './eventWords';
import { ToldForm } from './ToldForm';
import { useActOnWebhookMutation, useChangeWebhookMutation, useDeliveriesQuery, useRemoveWebhookMutation, useRenewSecretMutation, useRepeatDeliveryMutation } from './webhooksApi'; // prettier-ignore

const LOOK_MS = 3_000;

interface Props {
  webhook: Webhook;
  onSecret: (given: WebhookSecret) => void;
}

/** One address: how it stands, what was sent to it, and what can be done about it. */
export function ToldAddress({ webhook, onSecret }: Props) {
  const { id, url, types, pausedAt } = webhook;
  const [open, setOpen] = useState<'sent' | 'change' | 'remove'>();
  const [act, acting] = useActOnWebhookMutation();
  const [change, changing] = useChangeWebhookMutation();
  const [renew, renewing] = useRenewSecretMutation();
  const [remove, removing] = useRemoveWebhookMutation();
  const problem = acting.error ?? changing.error ?? renewing.error ?? removing.error;
  const toggle = (part: typeof open) => setOpen(open === part ? undefined : part);
  return (
    <View role="listitem" className="gap-1 border-b border-rule py-3">
      <Serif className="[overflow-wrap:anywhere]">{url}</Serif>
      <Soft>{types.length > 0 ? `${types.map(eventWords).join('. ')}.` : 'Everything.'}</Soft>
      <Soft className={webhook.failed > 0 || webhook.pausedWhy ? 'text-brick' : ''}>{standing(webhook)}</Soft>
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
      <View className="-ml-4 flex-row flex-wrap gap-x-2">
        <Button look="bare" onPress={() => toggle('sent')} label={`What was sent to ${url}`}>
          {open === 'sent' ? 'Hide what was sent' : 'What was sent'}
        </Button>
        <Button
          look="bare"
          busy={acting.isLoading}
          onPress={() => void act({ id, act: 'try' }).then(() => setOpen('sent'))}
        >
          Try it
        </Button>
        {webhook.failed > 0 ? (
          <Button look="bare" onPress={() => void act({ id, act: 'repeat' })}>
            Send again what failed
          </Button>
        ) : null}
        <Button look="bare" onPress={() => void change({ id, url, types, paused: pausedAt === null })}>
          {pausedAt ? 'Go on' : 'Pause'}
        </Button>
        <Button look="bare" onPress={() => toggle('change')}>
          Change
        </Button>
        <Button
          look="bare"
          busy={renewing.isLoading}
          onPress={() => void renew(id).then(({ data }) => data && onSecret(data))}
        >
          New secret
        </Button>
        <Button look="brick" onPress={() => toggle('remove')}>
          Remove
        </Button>
      </View>
      {open === 'sent' ? <Sent webhookId={id} /> : null}
      {open === 'change' ? (
        <ToldForm
          value={{ url, types }}
          submitWords="Save"
          onSubmit={async (fields) => {
            const { error } = await change({ id, ...fields, paused: pausedAt !== null });
            if (!error) setOpen(undefined);
            return error;
          }}
          onCancel={() => setOpen(undefined)}
        />
      ) : null}
      {open === 'remove' ? (
        <View className="gap-2">
          <Text>It is told nothing more, also not what is still on its way.</Text>
          <View className="flex-row flex-wrap gap-3">
            <Button look="brick" busy={removing.isLoading} onPress={() => void remove(id)}>
              Remove this address
            </Button>
            <Button onPress={() => setOpen(undefined)}>Keep it</Button>
          </View>
        </View>
      ) : null}
    </View>
  );
}

function standing({ pausedAt, pausedWhy, waiting, failed, lastDeliveredAt }: Webhook): string {
  return [
    pausedAt ? `Paused since ${formatWhen(pausedAt)}${pausedWhy ? `: ${pausedWhy}` : '.'}` : '',
    failed > 0 ? `${counted(failed, 'message')} could not be delivered.` : '',
    waiting > 0 ? `${counted(waiting, 'message')} on the way.` : '',
    lastDeliveredAt ? `Last taken ${formatWhen(lastDeliveredAt)}.` : 'Nothing has been taken there yet.',
  ]
    .filter(Boolean)
    .join(' ');
}

function Sent({ webhookId }: { webhookId: string }) {
  const { data, error, refetch } = useDeliveriesQuery(webhookId, { pollingInterval: LOOK_MS });
  if (error && !data)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data) return <LoadingLines />;
  if (data.items.length === 0) return <Soft>Nothing has been sent yet.</Soft>;
  return (
    <View role="list" aria-label="What was sent">
      {data.items.map((delivery) => (
        <SentOne key={delivery.id} delivery={delivery} />
      ))}
    </View>
  );
}

function SentOne({ delivery }: { delivery: WebhookDelivery }) {
  const { id, type, madeAt, state, attempts, nextAt, status, answer, problem, request } = delivery;
  const [open, setOpen] = useState(false);
  const [repeat, { isLoading }] = useRepeatDeliveryMutation();
  const how =
    state === 'delivered'
      ? `Taken (${status})`
      : [problem ?? (attempts === 0 ? 'On its way' : ''), state === 'failed' ? `Given up after ${counted(attempts, 'try', 'tries')}.` : attempts > 0 && nextAt ? `Sent again ${formatWhen(nextAt)}.` : ''].filter(Boolean).join(' '); // prettier-ignore
  return (
    <View role="listitem" className="border-t border-rule py-1">
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={() => setOpen(!open)}
        className="min-h-touch justify-center"
      >
        <Text>{`${eventWords(type)}, ${formatWhen(madeAt)}`}</Text>
        <Soft className={state === 'delivered' ? '' : 'text-brick'}>{how}</Soft>
      </Pressable>
      {open ? (
        <View className="gap-2 pb-2">
          <Soft>Sent</Soft>
          <Raw selectable className="[overflow-wrap:anywhere]">
            {request}
          </Raw>
          <Soft>{status === null ? 'No answer came.' : `Answered ${status}`}</Soft>
          {answer ? (
            <Raw selectable className="[overflow-wrap:anywhere]">
              {answer}
            </Raw>
          ) : null}
          <View className="flex-row">
            <Button busy={isLoading} onPress={() => void repeat(id)}>
              Send it again
            </Button>
          </View>
        </View>
      ) : null}
    </View>
  );
}
