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
  /** Tags in use, offered while one is written. */
  known?: readonly string[];
}

/** Words that people are gathered by: written one after another, each taken off with a touch. */
/** So many are offered. */
const MOST_OFFERED = 4;

export function TagField({ label, tags, onChange, hint, known = [] }: Props) {
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
    const seen = new Set(tags.map((tag) => tag.toLowerCase()));
    const fresh = words.filter((word) => !seen.has(word.toLowerCase()) && seen.add(word.toLowerCase()));
    if (fresh.length > 0) onChange([...tags, ...fresh]);
  };
  const begun = text.trim().toLowerCase();
  const offered = begun
    ? known.filter((tag) => tag.toLowerCase().startsWith(begun) && !tags.includes(tag)).slice(0, MOST_OFFERED)
    : [];
  return (
    <View className="gap-2">
      <TextField
        label={label}
        hint={hint}
        complaint={complaint}
        value={text}
        onChangeText={(next) => (next.includes(',') ? add(next) : setText(next))}
        onSubmitEditing={() => add(text)}
        // A touch on an offer is no end of writing.
        onBlur={() => setTimeout(() => offered.length === 0 && add(text))}
        autoCapitalize="none"
        enterKeyHint="done"
        submitBehavior="submit"
      />
      {offered.length > 0 ? (
        <View role="group" aria-label="Tags in use" className="flex-row flex-wrap gap-2">
          {offered.map((tag) => (
            <Button key={tag} look="bare" onPress={() => add(tag)}>
              {tag}
            </Button>
          ))}
        </View>
      ) : null}
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
