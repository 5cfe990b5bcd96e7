import { PARTS } from '@dossier/core/pipeline';
import { useState } from 'react';
import { View } from 'react-native';
import { PersonPicker } from '@/features/people';
import { Button, Select, Subheading, Text } from '@/ui';
import { PART_WORDS } from '../words';
import type { Draft } from './draft';

type People = Draft['people'];

/** Who has to do with it, and how. */
export function PeopleWithParts({ people, onChange }: { people: People; onChange: (people: People) => void }) {
  const [round, setRound] = useState(0);
  return (
    <View className="gap-2">
      <Subheading>People</Subheading>
      {people.map(({ personId, fullName, part }, place) => (
        <View key={personId} className="flex-row flex-wrap items-center gap-x-3">
          <Text className="min-w-[150px] flex-1 [overflow-wrap:anywhere]">{fullName || 'Unnamed'}</Text>
          <Select
            label={`Part of ${fullName}`}
            value={part}
            onChange={(next) => onChange(people.map((one, i) => (i === place ? { ...one, part: next } : one)))}
            options={PARTS.map((value) => ({ value, label: PART_WORDS[value] }))}
          />
          <Button
            look="bare"
            label={`Take ${fullName} off`}
            onPress={() => onChange(people.filter((_, i) => i !== place))}
          >
            Take off
          </Button>
        </View>
      ))}
      <PersonPicker
        key={round}
        quiet
        label="Somebody of it"
        onChoose={(personId, person) => {
          if (!personId || !person) return;
          setRound(round + 1);
          if (!people.some((one) => one.personId === personId))
            onChange([
              ...people,
              { personId, fullName: person.fullName, part: people.length === 0 ? 'decides' : 'uses' },
            ]);
        }}
      />
    </View>
  );
}
