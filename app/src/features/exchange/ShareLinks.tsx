import type { Share, ShareMade } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Select, Soft, Text, TextField } from '@/ui';
import { useEndShareMutation, useMakeShareMutation, useSharesQuery } from './api';

const DAYS = [
  { value: '1', label: 'for a day' },
  { value: '7', label: 'for a week' },
  { value: '30', label: 'for a month' },
];

/** Links that show somebody's card to whoever has them: made, copied, and taken back. */
export function ShareLinks({ personId }: { personId: string }) {
  const mayMake = useMay()('edit');
  const { data, error: unlisted } = useSharesQuery(personId);
  const [days, setDays] = useState('7');
  const [make, { isLoading, error }] = useMakeShareMutation();
  const [made, setMade] = useState<ShareMade>();
  const links = data?.items ?? [];
  const isThere = made !== undefined && links.some(({ id }) => id === made.id);
  const problem = error ?? unlisted;
  return (
    <View className="gap-2">
      {mayMake ? (
        <View className="flex-row flex-wrap items-center gap-3">
          <Button
            busy={isLoading}
            onPress={() =>
              void make({ personId, days: Number(days) }).then((answer) => answer.data && setMade(answer.data))
            }
          >
            Make a link
          </Button>
          <Select label="How long the link opens" options={DAYS} value={days} onChange={setDays} />
        </View>
      ) : null}
      {made && isThere ? <NewLink key={made.id} made={made} /> : null}
      {links.map((link) => (
        <OneLink key={link.id} link={link} mayEnd={mayMake} />
      ))}
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
    </View>
  );
}

function NewLink({ made }: { made: ShareMade }) {
  const [copied, setCopied] = useState(false);
  const address = `${globalThis.location?.origin ?? ''}${made.path}`;
  return (
    <View className="gap-1 border-l-2 border-ink pl-3">
      <TextField
        label="Whoever has this link sees the card. It is shown this once."
        value={address}
        readOnly
        selectTextOnFocus
      />
      <View className="items-start">
        <Button
          look="bare"
          className="-ml-4"
          onPress={() =>
            void navigator.clipboard?.writeText(address).then(
              () => setCopied(true),
              () => undefined,
            )
          }
        >
          {copied ? 'Copied' : 'Copy the link'}
        </Button>
      </View>
    </View>
  );
}

function OneLink({ link, mayEnd }: { link: Share; mayEnd: boolean }) {
  const [end, { isLoading, error }] = useEndShareMutation();
  const opened = link.openedAt ? `opened ${link.opened === 1 ? 'once' : `${link.opened} times`}, last ${formatWhen(link.openedAt)}` : 'not opened yet'; // prettier-ignore
  return (
    <View className="gap-1">
      <View className="flex-row flex-wrap items-center gap-x-3">
        <Text className="min-w-[200px] flex-1">{`A link opens until ${formatWhen(link.endsAt)}`}</Text>
        {mayEnd ? (
          <Button
            look="brick"
            className="px-2"
            label="Take this link back"
            busy={isLoading}
            onPress={() => void end(link.id)}
          >
            Take back
          </Button>
        ) : null}
      </View>
      <Soft>{`Made by ${link.by} ${formatWhen(link.madeAt)}, ${opened}`}</Soft>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
