import { FIELD_NAMES, type FieldName } from '@dossier/core/reading/fields';
import { Pressable, View } from 'react-native';
import { Text } from '@/ui';
import { FIELD_LABELS } from '@/lib/fieldLabels';

/** Every field by name, one tap each. */
export const FieldChips = ({
  label,
  onChoose,
  without = [],
}: {
  label: string;
  onChoose: (field: FieldName) => void;
  without?: readonly FieldName[];
}) => (
  <View role="group" aria-label={label} className="flex-row flex-wrap gap-2">
    {FIELD_NAMES.filter((field) => !without.includes(field)).map((field) => (
      <Pressable
        key={field}
        role="button"
        onPress={() => onChoose(field)}
        className="min-h-touch justify-center rounded-[5px] border border-rule bg-paper px-3 hover:border-ink active:opacity-60"
      >
        <Text className="text-[15px]">{FIELD_LABELS[field]}</Text>
      </Pressable>
    ))}
  </View>
);
