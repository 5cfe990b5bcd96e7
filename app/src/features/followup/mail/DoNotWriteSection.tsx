import { useState } from 'react';
import { View } from 'react-native';
import { SettingsSection, useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, LoadingLines, Notice, Soft, Text, TextField } from '@/ui';
import { useAddDoNotWriteMutation, useDoNotWriteQuery, useRemoveDoNotWriteMutation } from '../api';

/** Addresses and domains that nothing is sent to, whatever else is noted. */
export function DoNotWriteSection() {
  const may = useMay();
  const { data, error, refetch } = useDoNotWriteQuery();
  const [value, setValue] = useState('');
  const [why, setWhy] = useState('');
  const [add, adding] = useAddDoNotWriteMutation();
  const [remove, removing] = useRemoveDoNotWriteMutation();
  const save = async () => {
    const answer = await add({ value, why });
    if (answer.error) return;
    setValue('');
    setWhy('');
  };
  const problem = adding.error ?? removing.error;
  return (
    <SettingsSection title="Not written to">
      <Text>Nothing is sent to these, by nobody and by no plan. A domain stands for everybody at it.</Text>
      <View className="gap-3">
        <TextField
          label="Address or domain"
          value={value}
          onChangeText={setValue}
          autoCapitalize="none"
          inputMode="email"
          maxLength={254}
          onSubmitEditing={() => void save()}
        />
        <TextField label="Why" value={why} onChangeText={setWhy} maxLength={300} />
        {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
        <View className="flex-row">
          <Button look="ink" disabled={!value.trim()} busy={adding.isLoading} onPress={() => void save()}>
            Add
          </Button>
        </View>
      </View>
      {error && !data ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : !data ? (
        <LoadingLines lines={3} />
      ) : data.items.length === 0 ? (
        <Soft>Nobody is on the list.</Soft>
      ) : (
        <View role="list" aria-label="Not written to" className="border-t border-rule">
          {data.items.map((one) => (
            <View
              key={one.id}
              role="listitem"
              className="flex-row flex-wrap items-center gap-x-3 border-b border-rule py-2"
            >
              <View className="min-w-[180px] flex-1">
                <Text className="[overflow-wrap:anywhere]">{one.value}</Text>
                <Soft>{[one.why, `${one.by}, ${formatWhen(one.at)}`].filter(Boolean).join(' · ')}</Soft>
              </View>
              {may('settle') ? (
                <Button look="bare" label={`Take ${one.value} off`} onPress={() => void remove(one.id)}>
                  Take off
                </Button>
              ) : null}
            </View>
          ))}
        </View>
      )}
    </SettingsSection>
  );
}
