import { DirectorySettingsChange, type DirectorySettings } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { SettingsSection, useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { Button, LoadingLines, Notice, Soft, Text, TextField, Toggle } from '@/ui';
import { useDirectorySettingsQuery, useSetDirectoryMutation } from './api';

/** Which directory of firms and people is asked, and what may be taken from it. */
export function DirectorySection() {
  const { data, error, refetch } = useDirectorySettingsQuery();
  return (
    <SettingsSection title="Directory">
      <Text>
        A directory of firms and people that you can ask by hand: industry, size, titles, numbers, pages elsewhere. What
        it says is offered value by value, with where it is from, and nothing is taken unasked.
      </Text>
      {error && !data ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : null}
      {data ? <Form key={`${data.address} ${data.hasKey} ${data.portraits}`} settings={data} /> : error ? null : <LoadingLines lines={3} />}
    </SettingsSection>
  ); // prettier-ignore
}

function Form({ settings }: { settings: DirectorySettings }) {
  const may = useMay();
  const [address, setAddress] = useState(settings.address ?? '');
  const [key, setKey] = useState('');
  const [portraits, setPortraits] = useState(settings.portraits);
  const [complaint, setComplaint] = useState<string>();
  const [save, { isLoading, error, isSuccess }] = useSetDirectoryMutation();
  if (!may('connect'))
    return <Soft>{settings.address ? `Your team asks ${settings.address}.` : 'Your team asks none. Your manager can set one up.'}</Soft>; // prettier-ignore
  const go = async (to: string | null) => {
    const change = DirectorySettingsChange.safeParse({ address: to, ...(key.trim() && { key }), portraits });
    setComplaint(change.success ? undefined : change.error.issues[0]?.message);
    if (change.success) await save(change.data);
  };
  return (
    <View className="gap-4">
      <TextField
        label="Address"
        value={address}
        onChangeText={setAddress}
        autoCapitalize="none"
        inputMode="url"
        maxLength={500}
        complaint={complaint}
      />
      <TextField
        label="Key"
        hint={settings.hasKey ? 'One is kept, and shown to nobody. Write a new one to replace it.' : 'What lets you in there.'} // prettier-ignore
        value={key}
        onChangeText={setKey}
        autoCapitalize="none"
        secureTextEntry
        maxLength={500}
      />
      <Toggle label="Portraits may be taken" on={portraits} onChange={setPortraits} />
      {error ? <Notice fault>{problemText(error)}</Notice> : isSuccess ? <Soft role="status">Saved.</Soft> : null}
      <View className="flex-row flex-wrap gap-3">
        <Button look="ink" busy={isLoading} disabled={!address.trim()} onPress={() => void go(address.trim())}>
          Save
        </Button>
        {settings.address ? (
          <Button look="brick" busy={isLoading} onPress={() => void go(null)}>
            Ask it no more
          </Button>
        ) : null}
      </View>
    </View>
  );
}
