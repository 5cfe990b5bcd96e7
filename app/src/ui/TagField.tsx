import { Tag } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from './Button';
import { TextField } from './TextField';

interface Props {
  label: string;
  tags: readonly string[];
  onChange: (tags: string[]) => void;
  hint?: string;
}

/** Words that people are gathered by: written one after another, each taken off with a touch. */
export function TagField({ label, tags, onChange, hint }: Props) {
  const [text, setText] = useState('');
  const [complaint, setComplaint] = useState<string>();
  const add = (written: string) => {
    const words = written
      .split(',')
      .map((word) => word.trim())
      .filter(Boolean);
    const wrong = words.map((word) => Tag.safeParse(word)).find((result) => !result.success);
    if (wrong) return setComplaint(wrong.error?.issues[0]?.message);
    setComplaint(undefined);
    setText('');
    const known = new Set(tags.map((tag) => tag.toLowerCase()));
    const fresh = words.filter((word) => !known.has(word.toLowerCase()) && known.add(word.toLowerCase()));
    if (fresh.length > 0) onChange([...tags, ...fresh]);
  };
  return (
    <View className="gap-2">
      <TextField
        label={label}
        hint={hint}
        complaint={complaint}
        value={text}
        onChangeText={(next) => (next.includes(',') ? add(next) : setText(next))}
        onSubmitEditing={() => add(text)}
        onBlur={() => add(text)}
        autoCapitalize="none"
        enterKeyHint="done"
        submitBehavior="submit"
      />
      {tags.length > 0 ? (
        <View className="flex-row flex-wrap gap-2">
          {tags.map((tag) => (
            <Button
              key={tag}
              className="max-w-full"
              label={`Take the tag ${tag} off`}
              onPress={() => onChange(tags.filter((t) => t !== tag))}
            >
              {`${tag}  ×`}
            </Button>
          ))}
        </View>
      ) : null}
    </View>
  );
}
