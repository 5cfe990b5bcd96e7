import { useState } from 'react';
import { View } from 'react-native';
import { useCompaniesFoundQuery } from '@/features/companies';
import { useSettled } from '@/lib/useSettled';
import { Button, Soft, TextField } from '@/ui';

/** A firm that is here, or, where that may be, the name of one that is not. */
export type Firm = { id: string; name: string } | { id: null; name: string };

interface Props {
  firm: Firm | null;
  onChange: (firm: Firm | null) => void;
  /** Whether a name may stay that no firm here has. */
  mayBeNew?: boolean;
}

const SHOWN = 5;

/** A firm, found by a few letters. */
export function FirmPicker({ firm, onChange, mayBeNew = false }: Props) {
  const [isOpen, setOpen] = useState(false);
  const typed = firm?.name ?? '';
  const q = useSettled(typed.trim(), 200);
  const { data, isFetching } = useCompaniesFoundQuery(q, { skip: !isOpen || q === '' });
  const found = (isOpen && q !== '' ? (data?.items ?? []) : []).slice(0, SHOWN);
  const choose = (chosen: Firm) => {
    onChange(chosen);
    setOpen(false);
  };
  const isNew = firm !== null && firm.id === null && typed.trim() !== '';
  return (
    <View className="gap-1">
      <TextField
        label="Firm"
        value={typed}
        maxLength={240}
        onChangeText={(name) => {
          setOpen(true);
          onChange(name === '' ? null : { id: null, name });
        }}
      />
      {found.length > 0 ? (
        <View role="group" aria-label="Firms that are here" className="flex-row flex-wrap">
          {found.map(({ id, name, people }) => (
            <Button key={id} look="bare" label={`${name}, ${people} people`} onPress={() => choose({ id, name })}>
              {name}
            </Button>
          ))}
        </View>
      ) : null}
      {isNew && (mayBeNew || (!isFetching && q === typed.trim())) ? (
        <Soft role="status">
          {mayBeNew
            ? 'A firm of this name is made unless there is one.'
            : 'Choose a firm that is here, or leave it empty.'}
        </Soft>
      ) : null}
    </View>
  );
}
