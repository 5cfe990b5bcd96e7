import { useEffect, useRef, useState, type RefObject } from 'react';
import { TextInput } from 'react-native';
import { useSettled } from '@/lib/useSettled';

/** So long nothing is typed before it is looked for. */
const PAUSE_MS = 120;

interface Props {
  label: string;
  placeholder: string;
  /** What was looked for last. */
  q: string;
  onChange: (q: string) => void;
  field?: RefObject<TextInput | null>;
}

/** Looks while one writes. */
export function SearchField({ label, placeholder, q, onChange, field }: Props) {
  const [typed, setTyped] = useState(q);
  const asked = useRef(q);
  const settled = useSettled(typed.trim(), PAUSE_MS);
  useEffect(() => {
    if (settled === asked.current) return;
    asked.current = settled;
    onChange(settled);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- asked once for each thing that was written
  }, [settled]);
  // Going back, or to another list, writes another thing here.
  useEffect(() => {
    if (q === asked.current) return;
    asked.current = q;
    setTyped(q);
  }, [q]);
  return (
    <TextInput
      ref={field}
      aria-label={label}
      placeholder={placeholder}
      value={typed}
      onChangeText={setTyped}
      autoCapitalize="none"
      autoCorrect={false}
      inputMode="search"
      className="min-h-touch rounded-[4px] border border-rule bg-sheet px-3 py-2 font-sans text-[17px] text-ink"
    />
  );
}
