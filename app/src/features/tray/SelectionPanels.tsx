import { useState } from 'react';
import { View } from 'react-native';
import { useSessionQuery, useTeamQuery } from '@/features/account';
import { problemText } from '@/lib/api';
import { COUNTRIES, countryName } from '@/lib/countries';
import { Button, ExpectedLanguages, Notice, Select, Soft, TextField } from '@/ui';
import { useAskForSecondLookMutation, useReadAgainMutation } from './api';

interface Props {
  cardIds: readonly string[];
  onDone: () => void;
  onCancel: () => void;
}

/** A colleague is asked to look, with a line about what is in doubt. */
export function SecondLookPanel({ cardIds, onDone, onCancel }: Props) {
  const { data: session } = useSessionQuery();
  const { data: team, error: teamError } = useTeamQuery();
  const [ask, { isLoading, error }] = useAskForSecondLookMutation();
  const [askedOf, setAskedOf] = useState('');
  const [message, setMessage] = useState('');
  const colleagues = (team?.items ?? []).filter(({ id }) => id !== session?.user.id);
  const problem = error ?? teamError;
  const send = async () => {
    const answer = await ask({ cardIds: [...cardIds], askedOf, message });
    if (!answer.error) onDone();
  };
  if (team && colleagues.length === 0) return <Soft>There is no colleague in this workspace yet.</Soft>;
  return (
    <View className="gap-2">
      <View className="self-start">
        <Select
          label="Who looks"
          options={[
            { value: '', label: 'Who looks …' },
            ...colleagues.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          value={askedOf}
          onChange={setAskedOf}
        />
      </View>
      <TextField label="What is in doubt" value={message} onChangeText={setMessage} maxLength={400} />
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
      <View className="flex-row gap-3">
        <Button look="ink" disabled={askedOf === ''} busy={isLoading} onPress={() => void send()}>
          Ask
        </Button>
        <Button onPress={onCancel}>Cancel</Button>
      </View>
    </View>
  );
}

/** The cards are read once more, as cards of another country or in other languages. */
export function ReadAgainPanel({ cardIds, onDone, onCancel }: Props) {
  const [read, { isLoading, error }] = useReadAgainMutation();
  const [country, setCountry] = useState('');
  const [languages, setLanguages] = useState<readonly string[]>([]);
  const go = async () => {
    const answer = await read({ cardIds: [...cardIds], country: country || null, languages: [...languages] });
    if (!answer.error) onDone();
  };
  return (
    <View className="gap-2">
      <View className="self-start">
        <Select
          label="Country of these cards"
          options={[
            { value: '', label: 'Country as before' },
            ...COUNTRIES.map((code) => ({ value: code, label: countryName(code) })),
          ]}
          value={country}
          onChange={setCountry}
        />
      </View>
      <Soft>Languages on these cards. None chosen: as before. What you have settled on the desk stays.</Soft>
      <ExpectedLanguages chosen={languages} onChange={setLanguages} />
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row gap-3">
        <Button look="ink" busy={isLoading} onPress={() => void go()}>
          Read again
        </Button>
        <Button onPress={onCancel}>Cancel</Button>
      </View>
    </View>
  );
}
