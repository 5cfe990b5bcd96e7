import { useState } from 'react';
import { View } from 'react-native';
import { SettingsSection } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Raw, Rule, Soft, Subheading, Text, TextField, Toggle } from '@/ui';
import {
  useCalendarFeedQuery,
  useEndFeedMutation,
  useMakeFeedMutation,
  useMorningQuery,
  useSetMorningMutation,
} from '../api';

/** One's tasks in the calendar that one has already. */
export function CalendarSection() {
  const { data } = useCalendarFeedQuery();
  const [make, made] = useMakeFeedMutation();
  const [end, ended] = useEndFeedMutation();
  const [copied, setCopied] = useState(false);
  const address = made.data && `${globalThis.location.origin}${made.data.path}`;
  const error = made.error ?? ended.error;
  return (
    <SettingsSection title="Calendar">
      <Text>
        Your tasks in any calendar that can follow an address. Whoever has the address sees them: keep it to yourself.
      </Text>
      {data?.madeAt ? (
        <Soft>
          {[
            `Made ${formatWhen(data.madeAt)}`,
            data.seenAt ? `last fetched ${formatWhen(data.seenAt)}` : 'not fetched yet',
          ].join(' · ')}
        </Soft>
      ) : (
        <Soft>There is no address yet.</Soft>
      )}
      {address ? (
        <View className="gap-2">
          <Raw selectable className="[overflow-wrap:anywhere]">
            {address}
          </Raw>
          <Soft>It is shown only now.</Soft>
          <View className="flex-row">
            <Button onPress={() => void navigator.clipboard.writeText(address).then(() => setCopied(true))}>
              {copied ? 'Copied' : 'Copy it'}
            </Button>
          </View>
        </View>
      ) : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button look={data?.madeAt ? 'plain' : 'ink'} busy={made.isLoading} onPress={() => void make()}>
          {data?.madeAt ? 'Make another one' : 'Make an address'}
        </Button>
        {data?.madeAt ? (
          <Button look="brick" busy={ended.isLoading} onPress={() => void end()}>
            End it
          </Button>
        ) : null}
      </View>
      {data?.madeAt ? <Soft>Another one ends the one before.</Soft> : null}
      <Rule />
      <MorningPart />
    </SettingsSection>
  );
}

const USUAL = '07:30';

/** What needs one, by mail in the morning. */
function MorningPart() {
  const { data } = useMorningQuery();
  const [typed, setTyped] = useState<string>();
  const [set, { error, isLoading }] = useSetMorningMutation();
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
  if (!data) return null;
  const at = typed ?? data.at ?? USUAL;
  return (
    <View className="gap-3">
      <Subheading>In the morning</Subheading>
      <Toggle
        label="Send me by mail what needs me that day"
        on={data.at !== null}
        onChange={(on) => void set({ at: on ? at : null, timeZone })}
      />
      {data.at !== null ? (
        <View className="flex-row items-end gap-3">
          <View className="w-[120px]">
            <TextField label="At" value={at} onChangeText={setTyped} maxLength={5} />
          </View>
          <Button disabled={at === data.at} busy={isLoading} onPress={() => void set({ at, timeZone })}>
            Save
          </Button>
        </View>
      ) : null}
      <Soft>Nothing comes on days on which nothing needs you.</Soft>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
