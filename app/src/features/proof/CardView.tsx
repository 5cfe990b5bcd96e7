import { spanQuad } from '@dossier/core/proof';
import type { SourceSpan } from '@dossier/core/reading/fields';
import { cardPicture } from '@/ui';
import type { CardSide } from './sides';
import { TextSheet } from './TextSheet';

interface Props extends CardSide {
  /** Places to point at. */
  spans: readonly SourceSpan[];
  /** Tallest the picture may be, as a CSS length. */
  maxHeight: string;
}

/** Room between the text and the outline around it, as a share of the line's height. */
const OUTLINE_MARGIN = 0.22;

/**
 * The card as photographed, flat and upright, with an outline around the place that is being proved; its text
 * where there is no picture.
 */
export function CardView({ cardId, reading, picture, spans, maxHeight }: Props) {
  if (!picture) return <TextSheet reading={reading} spans={spans} maxHeight={maxHeight} />;
  const outlines = spans.map((span) => spanQuad(reading, span, OUTLINE_MARGIN)).filter((quad) => quad !== undefined);
  const stroke = Math.max(reading.width, reading.height) / 260;
  const aspect = reading.width / reading.height;
  return (
    <div
      style={{
        position: 'relative',
        width: `min(100%, calc(${maxHeight} * ${aspect}))`,
        aspectRatio: String(aspect),
        borderRadius: 4,
        overflow: 'hidden',
        boxShadow: '0 1px 2px rgb(0 0 0 / 0.14), 0 8px 24px rgb(0 0 0 / 0.16)',
      }}
    >
      <img src={cardPicture(cardId)} alt="The card" style={{ width: '100%', height: '100%', display: 'block' }} />
      <svg
        viewBox={`0 0 ${reading.width} ${reading.height}`}
        aria-hidden
        style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
      >
        {outlines.map((quad, i) => (
          <g key={i} fill="none" strokeLinejoin="round">
            <polygon points={quad.map((p) => p.join(',')).join(' ')} stroke="#fffef9" strokeWidth={stroke * 2.4} />
            <polygon
              data-outline
              points={quad.map((p) => p.join(',')).join(' ')}
              stroke="#1e242b"
              strokeWidth={stroke}
            />
          </g>
        ))}
      </svg>
    </div>
  );
}
