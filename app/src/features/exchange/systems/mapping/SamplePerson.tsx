import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { SearchField, Soft, Text } from '@/ui';
import { usePeopleFoundQuery } from '@/features/people';

interface Chosen {
  id: string;
  fullName: string;
}

interface Props {
  chosen: Chosen | undefined;
  onChoose: (person: Chosen) => void;
}

const SHOWN = 6;

/** Whom the mapping is tried with as one writes it. */
export function SamplePerson({ chosen, onChoose }: Props) {
  const [q, setQ] = useState('');
  const { data } = usePeopleFoundQuery(q);
  const found = data?.items.slice(0, SHOWN) ?? [];
  const shown = q ? found : [];
  return (
    <View role="group" aria-label="Shown with" className="gap-1">
      <Text>
        {chosen
          ? `Shown with ${chosen.fullName || 'somebody unnamed'}.`
          : 'Choose somebody, and see what would be sent of them.'}
      </Text>
      <SearchField label="Show it with somebody else" placeholder="Show it with somebody else" q={q} onChange={setQ} />
      {q && data && found.length === 0 ? <Soft>Nobody is found.</Soft> : null}
      <View role="list" aria-label="People found">
        {shown.map(({ id, fullName, company, kind }) => (
          <View key={id} role="listitem">
            <Pressable
              role="button"
              onPress={() => {
                onChoose({ id, fullName });
                setQ('');
              }}
              className="min-h-touch justify-center border-b border-rule px-2 hover:bg-table"
            >
              <Text>{fullName || 'Unnamed'}</Text>
              <Soft numberOfLines={1}>
                {[kind === 'lead' ? 'Lead' : 'Contact', company].filter(Boolean).join(' · ')}
              </Soft>
            </Pressable>
          </View>
        ))}
      </View>
    </View>
  );
}
