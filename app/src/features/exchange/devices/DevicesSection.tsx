import type { DeviceMade, Devices } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { SettingsSection, useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, LoadingLines, Notice, Raw, Rule, Soft, Subheading, Text, TextField, Toggle } from '@/ui';
import { useAddDeviceMutation, useDevicesQuery, useRemoveDeviceMutation, useSetDeviceSettingsMutation } from './api';

/** Phones and other programs whose address books are kept in step. */
export function DevicesSection() {
  const { data, error, refetch } = useDevicesQuery();
  const [made, setMade] = useState<DeviceMade & { name: string }>();
  return (
    <SettingsSection title="Address books">
      <Text>
        Your people in the address book of a phone or another program (CardDAV): all of them, your own, and a book for
        each view that you keep. What is changed there is changed here, with its history.
      </Text>
      {error && !data ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : null}
      {data ? (
        <>
          {made && data.items.some(({ id }) => id === made.id) ? <LetIn made={made} devices={data} /> : null}
          <AddDevice onMade={setMade} />
          <Rule />
          <TheDevices devices={data} />
          <Rule />
          <Deleting devices={data} />
        </>
      ) : error ? null : (
        <LoadingLines lines={3} />
      )}
    </SettingsSection>
  );
}

/** What a device is to be told, this once. */
function LetIn({ made, devices: { path, address, user } }: { made: DeviceMade & { name: string }; devices: Devices }) {
  const rows = [
    ['Server', address ?? `${globalThis.location?.origin ?? ''}${path}`],
    ['User name', user],
    ['Password', made.password],
  ] as const;
  return (
    <View role="region" aria-label={`How ${made.name} signs in`} className="gap-2 border-l-2 border-ink pl-3">
      <Text>{`Write this into ${made.name}, where it adds a CardDAV account. The password is shown this once.`}</Text>
      {rows.map(([label, value]) => (
        <View key={label} className="gap-1">
          <Soft>{label}</Soft>
          <Raw selectable className="[overflow-wrap:anywhere]">
            {value}
          </Raw>
        </View>
      ))}
    </View>
  );
}

function AddDevice({ onMade }: { onMade: (made: DeviceMade & { name: string }) => void }) {
  const [name, setName] = useState('');
  const [add, { isLoading, error }] = useAddDeviceMutation();
  const go = async () => {
    const { data } = await add({ name: name.trim() });
    if (!data) return;
    onMade({ ...data, name: name.trim() });
    setName('');
  };
  return (
    <View className="gap-3">
      <TextField
        label="Which device"
        hint="Such as: my phone."
        value={name}
        onChangeText={setName}
        maxLength={60}
        onSubmitEditing={() => void (name.trim() && go())}
      />
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="items-start">
        <Button look="ink" busy={isLoading} disabled={!name.trim()} onPress={() => void go()}>
          Let it in
        </Button>
      </View>
    </View>
  );
}

function TheDevices({ devices: { items } }: { devices: Devices }) {
  const [remove, { error, isLoading }] = useRemoveDeviceMutation();
  return (
    <View className="gap-3">
      <Subheading>Devices</Subheading>
      {items.length === 0 ? <Soft>There is none yet.</Soft> : null}
      {items.map(({ id, name, madeAt, usedAt }) => (
        <View key={id} className="flex-row flex-wrap items-center gap-x-3 border-b border-rule py-1">
          <View className="min-w-[180px] flex-1">
            <Text className="[overflow-wrap:anywhere]">{name}</Text>
            <Soft>{`${usedAt ? `last seen ${formatWhen(usedAt)}` : 'not seen yet'} · let in ${formatWhen(madeAt)}`}</Soft>
          </View>
          <Button look="brick" label={`Shut out ${name}`} busy={isLoading} onPress={() => void remove(id)}>
            Shut out
          </Button>
        </View>
      ))}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}

/** What deleting on a device means, for the whole team. */
function Deleting({ devices: { devicesDelete } }: { devices: Devices }) {
  const may = useMay();
  const [set, { error }] = useSetDeviceSettingsMutation();
  return (
    <View className="gap-2">
      <Subheading>Deleting there</Subheading>
      <Soft>
        {devicesDelete
          ? 'Whoever is deleted on a device is deleted here too, and can be brought back for a month.'
          : 'Whoever is deleted on a device only leaves that book: the record stays here.'}
      </Soft>
      {may('settle') ? (
        <Toggle
          label="Deleting on a device deletes here"
          on={devicesDelete}
          onChange={(on) => void set({ devicesDelete: on })}
        />
      ) : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
