import { useState } from 'react';
import { View } from 'react-native';
import { useSettled } from '@/lib/useSettled';
import { Button, Soft, Text, TextField } from '@/ui';
import { usePeopleFoundQuery } from './api';

const SHOWN = 6;

interface Found {
  id: string;
  fullName: string;
}

interface Props {
  label: string;
  onChoose: (personId: string | undefined, person?: Found) => void;
  /** Nobody is offered before somebody is looked for. */
  quiet?: boolean;
}

/** Somebody, found by a few letters. */
export function PersonPicker({ label, onChoose, quiet = false }: Props) {
  const [q, setQ] = useState('');
  const [chosen, setChosen] = useState<Found>();
  const settled = useSettled(q.trim(), 200);
  const { data } = usePeopleFoundQuery(settled, { skip: chosen !== undefined || (quiet && settled === '') });
  const choose = (person: Found | undefined) => {
    setChosen(person);
    onChoose(person?.id, person);
  };
  if (chosen)
    return (
      <View className="flex-row items-center gap-2">
        <Text className="min-w-0 flex-1 [overflow-wrap:anywhere]">{`${label} ${chosen.fullName}`}</Text>
        <Button look="bare" onPress={() => choose(undefined)}>
          Somebody else
        </Button>
      </View>
    );
  return (
    <View className="gap-1">
      <TextField label={label} placeholder="Name or firm" value={q} onChangeText={setQ} maxLength={120} />
      <View role="list" aria-label="People found">
        {(quiet && settled === '' ? [] : (data?.items ?? [])).slice(0, SHOWN).map((person) => (
          <View key={person.id} role="listitem" className="items-start">
            <Button
              look="bare"
              className="-ml-4"
              label={[person.fullName, person.company].filter(Boolean).join(', ')}
              onPress={() => choose(person)}
            >
              {person.fullName || 'Unnamed'}
            </Button>
          </View>
        ))}
      </View>
      {data?.items.length === 0 && !(quiet && settled === '') ? <Soft>Nobody is found.</Soft> : null}
    </View>
  );
}
