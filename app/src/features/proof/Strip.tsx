import { spanArea } from '@dossier/core/proof';
import type { SourceSpan } from '@dossier/core/reading/fields';
import { cardPicture, Raw } from '@/ui';
import type { CardSide } from './sides';

const TALLEST = 30;
const LARGEST_SCALE = 1.6;

/** The strip of the card picture that a text was read from, scaled to fit; the text itself without a picture. */
export function Strip({
  cardId,
  reading,
  picture,
  pictureId,
  span,
  tallest = TALLEST,
}: CardSide & { span: SourceSpan; tallest?: number }) {
  if (!picture)
    return <Raw className="text-soft">{reading.lines[span.line]?.text.slice(span.from, span.to) ?? ''}</Raw>;
  const area = spanArea(reading, span);
  if (!area) return null;
  const widest = area.width * Math.min(tallest / area.height, LARGEST_SCALE);
  const share = (part: number, whole: number) => `${(100 * part) / whole}%`;
  // In shares of itself: nothing has to be measured before it is there.
  return (
    <div
      aria-hidden
      data-strip
      style={{
        position: 'relative',
        overflow: 'hidden',
        width: `min(100%, ${widest}px)`,
        aspectRatio: `${area.width} / ${area.height}`,
        borderRadius: 2,
        boxShadow: '0 0 0 1px rgb(var(--rule))',
      }}
    >
      <img
        src={cardPicture(cardId, 'full', pictureId)}
        alt=""
        decoding="async"
        style={{
          position: 'absolute',
          left: share(-area.left, area.width),
          top: share(-area.top, area.height),
          width: share(reading.width, area.width),
          height: share(reading.height, area.height),
          maxWidth: 'none',
        }}
      />
    </div>
  );
}
