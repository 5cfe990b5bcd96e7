import type { Range } from '@dossier/core/proof';
import { useId, type ClipboardEvent, type KeyboardEvent, type Ref } from 'react';

interface Props {
  label: string;
  value: string;
  doubts: readonly Range[];
  /** Nothing was found, and the card seems to have it. */
  missing?: boolean;
  serif?: boolean;
  /** As low as a line can be. */
  dense?: boolean;
  complaint?: string;
  inputMode?: 'text' | 'email' | 'tel' | 'url';
  /** @param atEnd the caret stands behind the last character */
  onChange: (value: string, atEnd: boolean) => void;
  /** Takes in pasted text of several lines; tells whether it did. */
  onBlock?: (text: string) => Promise<boolean>;
  onFocus: () => void;
  onBlur?: () => void;
  onEnter: () => void;
  inputRef?: Ref<HTMLTextAreaElement>;
}

const TEXT: React.CSSProperties = {
  gridArea: '1 / 1',
  margin: 0,
  padding: '5px 0 6px',
  border: 0,
  font: 'inherit',
  letterSpacing: 'inherit',
  whiteSpace: 'pre-wrap',
  overflowWrap: 'anywhere',
  minHeight: 36,
};
const DENSE_TEXT: React.CSSProperties = { ...TEXT, padding: '2px 0 3px', minHeight: 28 };

/** So wide is the highlighter where there are no characters for it to lie under. */
const PLACE_OF_NOTHING = '\u2003'.repeat(5);

/**
 * A field's text, to be written on as it stands. A copy of the text lies under it: it gives the
 * field its height and carries the highlighter under doubtful characters.
 */
export function ProofInput({
  label,
  value,
  doubts,
  missing = false,
  serif,
  dense,
  complaint,
  inputMode,
  onChange,
  onBlock,
  onFocus,
  onBlur,
  onEnter,
  inputRef,
}: Props) {
  const id = useId();
  const style = dense ? DENSE_TEXT : TEXT;
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' || event.nativeEvent.isComposing) return;
    event.preventDefault();
    onEnter();
  };
  const flat = (text: string) => text.replace(/\s*\n\s*/g, ' ');
  const onPaste = (event: ClipboardEvent<HTMLTextAreaElement>) => {
    const text = event.clipboardData.getData('text/plain');
    if (!onBlock || !/\n\s*\S/.test(text.trim())) return;
    event.preventDefault();
    void onBlock(text).then((taken) => taken || onChange(flat(text.trim()), true));
  };
  return (
    <div style={{ flex: 1, minWidth: 0 }}>
      <div
        style={{
          display: 'grid',
          font: serif
            ? `400 ${dense ? '19px/23px' : '20px/25px'} Newsreader, Georgia, serif`
            : `400 ${dense ? '16px/23px' : '17px/25px'} "Instrument Sans", Helvetica, sans-serif`,
          fontVariantNumeric: 'tabular-nums',
        }}
      >
        <div aria-hidden style={{ ...style, color: 'transparent', pointerEvents: 'none' }}>
          {missing ? <span className="doubt">{PLACE_OF_NOTHING}</span> : marked(value, doubts)}
          {'\u200b'}
        </div>
        <textarea
          ref={inputRef}
          rows={1}
          aria-label={doubts.length > 0 || missing ? `${label}, doubtful` : label}
          aria-invalid={Boolean(complaint)}
          aria-describedby={complaint ? id : undefined}
          inputMode={inputMode}
          className="proof-input"
          spellCheck={false}
          autoComplete="off"
          value={value}
          placeholder="Write here"
          dir="auto"
          onChange={({ target }) => onChange(flat(target.value), target.selectionEnd === target.value.length)}
          onPaste={onPaste}
          onBlur={onBlur}
          onFocus={onFocus}
          onKeyDown={onKeyDown}
          style={{
            ...style,
            width: '100%',
            resize: 'none',
            overflow: 'hidden',
            background: 'transparent',
            color: 'rgb(var(--ink))',
          }}
        />
      </div>
      {complaint ? (
        <div
          id={id}
          role="alert"
          style={{ font: '400 15px/20px "Instrument Sans", sans-serif', color: 'rgb(var(--brick))', paddingBottom: 4 }}
        >
          {complaint}
        </div>
      ) : null}
    </div>
  );
}

function marked(value: string, doubts: readonly Range[]) {
  const parts: React.ReactNode[] = [];
  let at = 0;
  for (const { from, to } of doubts) {
    parts.push(value.slice(at, from));
    parts.push(
      <span key={from} className="doubt">
        {value.slice(from, to)}
      </span>,
    );
    at = to;
  }
  parts.push(value.slice(at));
  return parts;
}
