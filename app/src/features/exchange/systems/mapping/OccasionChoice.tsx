import type { HandOverMapping } from '@dossier/contract';
import { View } from 'react-native';
import { useOccasionsQuery } from '@/features/capture';
import { Button, Select } from '@/ui';

interface Props {
  mapping: HandOverMapping;
  occasionId: string;
  onChange: (mapping: HandOverMapping) => void;
  onLook: (occasionId: string) => void;
}

/** For people of some occasions other rules hold. */
export function OccasionChoice({ mapping, occasionId, onChange, onLook }: Props) {
  const { data } = useOccasionsQuery();
  const own = mapping.occasions.map((one) => one.occasionId);
  const nameOf = (id: string) => data?.items.find((one) => one.id === id)?.name ?? 'an occasion that is gone';
  const left = (data?.items ?? []).filter(({ id }) => !own.includes(id));
  if (own.length + left.length === 0) return null;
  const begin = (id: string) => {
    const { lead, contact } = mapping;
    if (!own.includes(id))
      onChange({ ...mapping, occasions: [...mapping.occasions, { occasionId: id, lead, contact }] });
    onLook(id);
  };
  return (
    <View className="flex-row flex-wrap items-center gap-x-3">
      <Select
        label="Met where"
        options={[
          { value: '', label: own.length > 0 ? 'Met anywhere else' : 'Met anywhere' },
          ...own.map((id) => ({ value: id, label: `Met at ${nameOf(id)}` })),
          ...left.map(({ id, name }) => ({ value: id, label: `Otherwise for ${name} …` })),
        ]}
        value={occasionId}
        onChange={(id) => (id ? begin(id) : onLook(''))}
      />
      {occasionId ? (
        <Button
          look="bare"
          onPress={() => {
            onLook('');
            onChange({ ...mapping, occasions: mapping.occasions.filter((one) => one.occasionId !== occasionId) });
          }}
        >
          As everywhere
        </Button>
      ) : null}
    </View>
  );
}
