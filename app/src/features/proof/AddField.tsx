import type { FieldName } from '@dossier/core/reading/fields';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui';
import { FieldChips } from './FieldChips';

/** Writing something that the reading missed; fields that can stand only once are offered once. */
export function AddField({ standing, onAdd }: { standing: readonly FieldName[]; onAdd: (field: FieldName) => void }) {
  const [open, setOpen] = useState(false);
  const once = standing.filter((field) => !['email', 'phone', 'website'].includes(field));
  return (
    <View className="gap-2 px-4 pt-4">
      <View className="items-start">
        <Button onPress={() => setOpen(!open)}>{open ? 'No more fields' : 'Add a field'}</Button>
      </View>
      {open ? (
        <FieldChips
          label="Add a field"
          without={once}
          onChoose={(field) => {
            setOpen(false);
            onAdd(field);
          }}
        />
      ) : null}
    </View>
  );
}
