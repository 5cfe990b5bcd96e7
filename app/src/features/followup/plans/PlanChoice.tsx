import { View } from 'react-native';
import { Select, Soft, Text } from '@/ui';
import { usePlansQuery } from '../api';

/** The follow-up plan of an occasion: none unless it is said. */
export function PlanChoice({ value, onChange }: { value: string | null; onChange: (planId: string | null) => void }) {
  const { data } = usePlansQuery();
  const plans = data?.items.filter(({ id, isOn }) => isOn || id === value) ?? [];
  if (plans.length === 0) return null;
  return (
    <View className="items-start gap-1">
      <Text aria-hidden>Follow-up plan</Text>
      <Select
        label="Follow-up plan"
        value={value ?? ''}
        onChange={(id) => onChange(id || null)}
        options={[{ value: '', label: 'None' }, ...plans.map(({ id, name }) => ({ value: id, label: name }))]}
      />
      <Soft>Begins for each person filed from here. What it sends is shown before, and needs their consent.</Soft>
    </View>
  );
}
