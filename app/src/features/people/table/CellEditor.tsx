import { useEffect, useRef, type CSSProperties, type KeyboardEvent } from 'react';
import type { PeopleColumn, TableWords } from './columns';

interface Props {
  column: PeopleColumn;
  words: TableWords;
  text: string;
  /** What is wrong with what was written. */
  complaint: string | undefined;
  onTake: (text: string, then: 'down' | 'right' | 'left' | 'stay') => void;
  onLeave: () => void;
}

/** A cell while it is written in: the workspace's own words are offered, everything else is typed. */
export function CellEditor({ column, words, text, complaint, onTake, onLeave }: Props) {
  const field = useRef<HTMLInputElement & HTMLSelectElement>(null);
  /** Taken or left already: losing the focus afterwards is no second time. */
  const isOver = useRef(false);
  useEffect(() => {
    const input = field.current!;
    input.focus();
    if (input instanceof HTMLInputElement) input.setSelectionRange(input.value.length, input.value.length);
  }, []);
  useEffect(() => {
    if (complaint) isOver.current = false;
  }, [complaint]);
  const take = (then: 'down' | 'right' | 'left' | 'stay') => {
    if (isOver.current) return;
    isOver.current = true;
    onTake(field.current!.value, then);
  };
  const onKey = (event: KeyboardEvent) => {
    event.stopPropagation();
    if (event.key === 'Enter') take('down');
    else if (event.key === 'Tab') take(event.shiftKey ? 'left' : 'right');
    else if (event.key === 'Escape') {
      isOver.current = true;
      onLeave();
    } else return;
    event.preventDefault();
  };
  const choices = choicesOf(column, words);
  const common = {
    ref: field,
    'aria-label': column.label,
    'aria-invalid': complaint !== undefined,
    onKeyDown: onKey,
    onBlur: () => take('stay'),
    style: FIELD,
  };
  return (
    <>
      {choices ? (
        <select
          {...common}
          defaultValue={choices.find((choice) => choice.toLowerCase().startsWith(text.toLowerCase())) ?? choices[0]}
        >
          {choices.map((choice) => (
            <option key={choice} value={choice} style={{ color: '#1e242b', background: '#fffef9' }}>
              {choice || 'None'}
            </option>
          ))}
        </select>
      ) : (
        <input {...common} defaultValue={text} maxLength={4000} />
      )}
      {complaint ? (
        <div role="alert" className="border border-brick bg-sheet font-sans text-[14px] text-brick" style={UNDER}>
          {complaint}
        </div>
      ) : null}
    </>
  );
}

function choicesOf({ cell }: PeopleColumn, { ratings, owners }: TableWords): string[] | undefined {
  if (cell === 'kind') return ['Lead', 'Contact'];
  if (cell === 'rating') return ['', ...ratings];
  if (cell === 'owner') return owners.map(({ name }) => name);
  return undefined;
}

const FIELD: CSSProperties = {
  position: 'absolute',
  inset: 0,
  width: '100%',
  height: '100%',
  padding: '0 9px',
  border: 0,
  font: 'inherit',
  color: 'inherit',
  background: 'rgb(var(--sheet))',
};
const UNDER: CSSProperties = {
  position: 'absolute',
  top: '100%',
  left: 0,
  zIndex: 4,
  padding: '6px 10px',
  minWidth: 200,
  maxWidth: 320,
};
