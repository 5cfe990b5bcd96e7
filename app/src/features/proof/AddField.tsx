import { REPEATABLE_FIELDS, type FieldName } from '@dossier/core/reading/fields';
import { useState } from 'react';
import { View } from 'react-native';
import { useSessionQuery } from '@/features/account';
import { Button, TextField } from '@/ui';
import { FieldChips } from './FieldChips';

interface Props {
  standing: readonly FieldName[];
  open: boolean;
  onOpen: (open: boolean) => void;
  onAdd: (field: FieldName, label?: string) => void;
  /** Another address beside the main one, part by part. */
  onAddress: () => void;
}

/** Names that are often wanted, beside those the workspace has set. */
const COMMON = ['Social handle', 'Languages'];

/** Writing something that the reading missed; fields that can stand only once are offered once. */
export function AddField({ standing, open, onOpen, onAdd, onAddress }: Props) {
  const [naming, setNaming] = useState(false);
  const once = standing.filter((field) => !REPEATABLE_FIELDS.includes(field));
  const add = (field: FieldName, label?: string) => {
    onOpen(false);
    setNaming(false);
    onAdd(field, label);
  };
  return (
    <View className="gap-3 px-4 pt-4">
      <View className="items-start">
        <Button onPress={() => onOpen(!open)}>{open ? 'No more fields' : 'Add a field'}</Button>
      </View>
      {open ? (
        <FieldChips
          label="Add a field"
          without={once}
          onChoose={(field) => (field === 'more' ? setNaming(true) : add(field))}
        />
      ) : null}
      {open && !naming ? (
        <View className="items-start">
          <Button
            onPress={() => {
              onOpen(false);
              onAddress();
            }}
          >
            Another address
          </Button>
        </View>
      ) : null}
      {open && naming ? <OwnField onAdd={(label) => add('more', label)} /> : null}
    </View>
  );
}

/** A field with a name of its own: one that the workspace has, a common one, or any. */
function OwnField({ onAdd }: { onAdd: (label: string) => void }) {
  const { data: session } = useSessionQuery();
  const [name, setName] = useState('');
  const offered = [...(session?.workspace.ownFields ?? []), ...COMMON];
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap gap-2">
        {offered.map((label) => (
          <Button key={label} onPress={() => onAdd(label)}>
            {label}
          </Button>
        ))}
      </View>
      <TextField label="Any other name" value={name} onChangeText={setName} maxLength={60} />
      <View className="items-start">
        <Button disabled={name.trim() === ''} onPress={() => onAdd(name.trim())}>
          Add this field
        </Button>
      </View>
    </View>
  );
}
