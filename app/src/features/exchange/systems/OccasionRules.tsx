import type { HandOverWhen } from '@dossier/contract';
import { useController } from 'react-hook-form';
import { View } from 'react-native';
import { useOccasionsQuery } from '@/features/capture';
import { Button, Select, Soft } from '@/ui';
import type { SystemForm } from './systemForm';

/** People of some occasions go there otherwise than the rest. */
export function OccasionRules({ options }: { options: readonly { value: HandOverWhen; label: string }[] }) {
  const { field } = useController<SystemForm, 'occasions'>({ name: 'occasions' });
  const { data } = useOccasionsQuery();
  const rules = field.value;
  const nameOf = (id: string) => data?.items.find((one) => one.id === id)?.name ?? 'An occasion that is gone';
  const left = (data?.items ?? []).filter(({ id }) => !rules.some(({ occasionId }) => occasionId === id));
  return (
    <View className="gap-2">
      {rules.map(({ occasionId, when }) => (
        <View key={occasionId} className="gap-1 border-l-2 border-rule pl-3">
          <Soft>{`From ${nameOf(occasionId)}`}</Soft>
          <View className="flex-row flex-wrap items-center gap-x-3">
            <Select
              label={`Who goes there from ${nameOf(occasionId)}`}
              options={options}
              value={when}
              onChange={(next) => field.onChange(rules.map((rule) => (rule.occasionId === occasionId ? { occasionId, when: next } : rule)))} // prettier-ignore
            />
            <Button
              look="bare"
              label={`No rule of its own for ${nameOf(occasionId)}`}
              onPress={() => field.onChange(rules.filter((rule) => rule.occasionId !== occasionId))}
            >
              Take off
            </Button>
          </View>
        </View>
      ))}
      {left.length > 0 ? (
        <Select
          label="Otherwise for an occasion"
          options={[
            { value: '', label: 'Otherwise for an occasion …' },
            ...left.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          value=""
          onChange={(occasionId) => occasionId && field.onChange([...rules, { occasionId, when: 'byHand' }])}
        />
      ) : null}
    </View>
  );
}
