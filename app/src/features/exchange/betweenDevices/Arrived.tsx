import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useDispatch } from 'react-redux';
import { v7 as uuidv7 } from 'uuid';
import { keepPhoto, useOccasions } from '@/features/capture';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { forgetParcel, type KeptParcel } from '@/lib/deviceStore';
import { formatWhen } from '@/lib/formatDate';
import { keepForLater } from '@/lib/outbox';
import { Button, Notice, Serif, Soft, Text } from '@/ui';
import { useBeginImportMutation } from '../api';
import { dealtWith, isWhole, wholeItem } from './parcels';
import { contentWords, share } from './words';

interface Props {
  accountId: string;
  parcel: KeptParcel;
  onChange: () => void;
}

/** What has come from another device, and what becomes of it. */
export function Arrived({ accountId, parcel, onChange }: Props) {
  const { bringIn, intoTray, busy, problem } = useDealing({ accountId, parcel, onChange });
  const [asks, setAsks] = useState(false);
  const open = parcel.items.map((item, index) => ({ ...item, index })).filter(({ index }) => !parcel.dealtWith.includes(index)); // prettier-ignore
  const people = open.filter(({ kind }) => kind === 'people');
  const cards = open.filter(({ kind }) => kind !== 'people');
  const whole = isWhole(parcel);
  const kept = parcel.kept.reduce((sum, bytes) => sum + bytes, 0);
  return (
    <View className="gap-2 border-b border-rule py-3">
      <Serif className="text-[19px] leading-[25px]">{contentWords(open)}</Serif>
      <Soft>
        {`from ${parcel.from || 'another device'}, ${formatWhen(new Date(parcel.at).toISOString())}${whole ? '' : `: ${share(kept, parcel.items)} % have come. Connect again, and it goes on from there.`}`}
      </Soft>
      {problem ? <Notice fault>{problem}</Notice> : null}
      <View className="flex-row flex-wrap gap-3">
        {whole && people.length > 0 ? (
          <Button look="ink" busy={busy} onPress={() => void bringIn(people[0]!.index)}>
            {`Look through ${contentWords(people)}`}
          </Button>
        ) : null}
        {whole && cards.length > 0 ? (
          <Button look={people.length > 0 ? 'plain' : 'ink'} busy={busy} onPress={() => void intoTray(cards.map(({ index }) => index))}>
            {`Put ${counted(cards.length, 'card')} into the tray`}
          </Button>
        ) : null}
        {asks ? null : (
          <Button look="brick" disabled={busy} onPress={() => setAsks(true)}>
            Remove from this device
          </Button>
        )}
      </View>
      {asks ? (
        <View role="region" aria-label="Remove from this device" className="gap-2 border-l-2 border-brick pl-3">
          <Text>{`Not brought in yet: ${contentWords(open)}. Once removed, only the other device has it.`}</Text>
          <View className="flex-row flex-wrap gap-3">
            <Button look="brick" onPress={() => void forgetParcel(parcel.key).then(onChange)}>
              Remove it for good
            </Button>
            <Button look="bare" onPress={() => setAsks(false)}>
              Keep it
            </Button>
          </View>
        </View>
      ) : null}
    </View>
  ); // prettier-ignore
}

/** People go through the preview of whatever is brought in; cards into the tray, and wait here until they can be sent. */
function useDealing({ accountId, parcel, onChange }: Props) {
  const router = useRouter();
  const dispatch = useDispatch();
  const { current } = useOccasions(accountId);
  const [begin] = useBeginImportMutation();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string>();
  const occasionId = current?.id ?? null;

  const bringIn = async (index: number) => {
    setBusy(true);
    setProblem(undefined);
    const file = new File([await wholeItem(parcel.key, index)], `From ${parcel.from || 'another device'}.json`, { type: 'application/json' }); // prettier-ignore
    const { data, error } = await begin(file);
    setBusy(false);
    if (!data) return setProblem(`${problemText(error)} It stays on this device.`);
    await dealtWith(parcel.key, [index]);
    onChange();
    router.push(`/bring-in/${data.id}`);
  };

  const intoTray = async (indexes: readonly number[]) => {
    setBusy(true);
    setProblem(undefined);
    try {
      for (const index of indexes) {
        const { kind, name } = parcel.items[index]!;
        const bytes = await wholeItem(parcel.key, index);
        if (kind === 'picture') await keepPhoto(accountId, { bytes, name, occasionId })(dispatch);
        else {
          const body = { kind: 'text', text: await bytes.text(), takenAt: new Date().toISOString(), occasionId };
          const words = `A card from ${parcel.from || 'another device'}`;
          await keepForLater(accountId, { method: 'PUT', path: `/cards/${uuidv7()}/text`, body, words })(dispatch);
        }
        await dealtWith(parcel.key, [index]);
      }
    } catch {
      setProblem('It could not be put into the tray. Is there room on this device? It stays here.');
    } finally {
      setBusy(false);
      onChange();
    }
  };
  return { bringIn, intoTray, busy, problem };
}
