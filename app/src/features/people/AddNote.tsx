import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Notice, TextField } from '@/ui';

interface Props {
  label: string;
  busy: boolean;
  error: unknown;
  /** @returns whether it is written, or kept for later */
  onAdd: (text: string) => Promise<boolean>;
  /** More that can be written down with what was typed. */
  beside?: (save: (write: (text: string) => Promise<boolean>) => void) => ReactNode;
}

/** A line to write a note in; what could not be written stays there. */
export function AddNote({ label, busy, error, onAdd, beside }: Props) {
  const [text, setText] = useState('');
  const save = async (write: (text: string) => Promise<boolean>) => {
    if (await write(text.trim())) setText('');
  };
  return (
    <View className="gap-2">
      <TextField label={label} value={text} onChangeText={setText} multiline maxLength={4000} />
      <View className="flex-row flex-wrap gap-2">
        <Button
          look={text.trim() ? 'ink' : 'plain'}
          disabled={!text.trim()}
          busy={busy}
          onPress={() => void save(onAdd)}
        >
          Add note
        </Button>
        {beside?.((write) => void save(write))}
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
