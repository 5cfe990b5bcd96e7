import type { Reading, SourceSpan } from '@dossier/core/reading/fields';
import { Raw, Soft } from '@/ui';

interface Props {
  reading: Reading;
  spans: readonly SourceSpan[];
  maxHeight: string;
}

/** The text that stands in for a picture, with the lines marked that are being proved. */
export function TextSheet({ reading, spans, maxHeight }: Props) {
  const marked = new Set(spans.map((span) => span.line));
  const texts = [...reading.lines.map((line) => line.text), ...(reading.codes ?? []).map((code) => code.text)];
  return (
    <div
      role="group"
      aria-label="The text of the card"
      style={{
        width: '100%',
        maxWidth: 560,
        maxHeight,
        overflow: 'auto',
        borderRadius: 4,
        padding: '10px 14px',
        boxSizing: 'border-box',
        background: 'rgb(var(--sheet))',
        boxShadow: '0 0 0 1px rgb(var(--rule))',
      }}
    >
      {texts.length === 0 ? <Soft>There is no picture and no text of this card.</Soft> : null}
      {texts.map((text, i) => (
        <div
          key={i}
          data-outline={marked.has(i) || undefined}
          style={{ boxShadow: marked.has(i) ? 'inset 3px 0 0 rgb(var(--ink))' : undefined, paddingLeft: 8 }}
        >
          <Raw>{text}</Raw>
        </div>
      ))}
    </div>
  );
}
