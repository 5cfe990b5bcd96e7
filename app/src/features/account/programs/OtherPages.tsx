import { AllowedOrigins } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, LoadingLines, Notice, Soft, Subheading, Text, TextField } from '@/ui';
import { useAllowedOriginsQuery, useAllowOriginsMutation } from './api';

/** Pages of others whose scripts may ask here with a token. */
export function OtherPages() {
  const { data, error, refetch } = useAllowedOriginsQuery();
  const [allow, { error: problem, isLoading }] = useAllowOriginsMutation();
  const [typed, setTyped] = useState('');
  const [complaint, setComplaint] = useState<string>();
  if (error && !data)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data) return <LoadingLines />;
  const { origins } = data;
  const add = async () => {
    const asked = AllowedOrigins.safeParse({ origins: [...origins, typed] });
    setComplaint(asked.error?.issues[0]?.message);
    if (!asked.success) return;
    const done = await allow(asked.data);
    if (!done.error) setTyped('');
  };
  return (
    <View className="gap-4 border-t border-rule pt-5">
      <Subheading>Pages of others</Subheading>
      <Soft>Scripts of other web pages may ask here only from addresses that stand in this list.</Soft>
      {origins.length > 0 ? (
        <View role="list" aria-label="Pages that may ask" className="border-t border-rule">
          {origins.map((origin) => (
            <View
              key={origin}
              role="listitem"
              className="min-h-touch flex-row items-center justify-between gap-3 border-b border-rule py-1"
            >
              <Text className="min-w-0 flex-1 [overflow-wrap:anywhere]">{origin}</Text>
              <Button
                look="brick"
                label={`Let ${origin} ask no more`}
                onPress={() => void allow({ origins: origins.filter((one) => one !== origin) })}
              >
                Remove
              </Button>
            </View>
          ))}
        </View>
      ) : null}
      <TextField
        label="Address of a page"
        hint="As https://intranet.example"
        value={typed}
        onChangeText={setTyped}
        onSubmitEditing={() => void add()}
        complaint={complaint}
        autoCapitalize="none"
        autoComplete="off"
        inputMode="url"
      />
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
      <View className="flex-row">
        <Button busy={isLoading} onPress={() => void add()}>
          Let it ask
        </Button>
      </View>
    </View>
  );
}
