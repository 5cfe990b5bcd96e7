import { inkOnPaper, spanArea, type Area } from '@dossier/core/proof';
import type { SourceSpan } from '@dossier/core/reading/fields';
import { useEffect, useRef } from 'react';
import { inTurn } from '@/lib/inTurn';
import { cardPicture, Raw } from '@/ui';
import { loadPicture } from './loadPicture';
import type { CardSide } from './sides';

const TALLEST = 30;
const LARGEST_SCALE = 1.6;

/**
 * The strip of the card picture that a text was read from, scaled to fit; the text itself without a picture. Its ink stands on the
 * page's own paper: the card's ground is taken out.
 */
export function Strip({
  cardId,
  reading,
  picture,
  pictureId,
  span,
  tallest = TALLEST,
}: CardSide & { span: SourceSpan; tallest?: number }) {
  const area = spanArea(reading, span);
  if (!picture)
    return <Raw className="text-soft">{reading.lines[span.line]?.text.slice(span.from, span.to) ?? ''}</Raw>;
  if (!area) return null;
  return <InkStrip {...{ cardId, pictureId, area, tallest }} cardWidth={reading.width} />;
}

interface StripProps {
  cardId: string;
  /** Names the picture itself. */
  pictureId: string | null;
  /** In pixels of the card as it was read. */
  area: Area;
  cardWidth: number;
  tallest?: number;
}

/** A part of a card's picture, scaled to fit. */
export function InkStrip({ cardId, pictureId, area, cardWidth, tallest = TALLEST }: StripProps) {
  const widest = area.width * Math.min(tallest / area.height, LARGEST_SCALE);
  return (
    <div
      aria-hidden
      data-strip
      // In shares of itself: nothing has to be measured before it is there.
      style={{ width: `min(100%, ${widest}px)`, aspectRatio: `${area.width} / ${area.height}` }}
    >
      <Ink
        // Drawn anew for another card or place: what was drawn before must not be seen meanwhile.
        key={`${pictureId} ${area.left} ${area.top} ${area.width} ${area.height}`}
        src={cardPicture(cardId, 'full', pictureId)}
        area={area}
        cardWidth={cardWidth}
        height={Math.min(tallest, area.height * LARGEST_SCALE)}
      />
    </div>
  );
}

interface InkProps {
  src: string;
  /** In pixels of the card as it was read. */
  area: Area;
  cardWidth: number;
  /** As it is shown at most, in pixels. */
  height: number;
}

/** Sharp enough for any screen at arm's length. */
const MOST_PIXELS_A_POINT = 2;

function Ink({ src, area, cardWidth, height }: InkProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { left, top, width, height: tall } = area;
  useEffect(() => {
    let gone = false;
    let takeBack: (() => void) | undefined;
    const draw = (picture: ImageBitmap) => {
      const context = canvas.current?.getContext('2d', { willReadFrequently: true });
      if (!canvas.current || !context) return;
      const scale = picture.width / cardWidth;
      const density = Math.min(MOST_PIXELS_A_POINT, globalThis.devicePixelRatio || 1);
      const rows = Math.max(1, Math.round(Math.min(tall * scale, height * density)));
      const columns = Math.max(1, Math.round((rows * width) / tall));
      Object.assign(canvas.current, { width: columns, height: rows });
      context.drawImage(picture, left * scale, top * scale, width * scale, tall * scale, 0, 0, columns, rows);
      const pixels = context.getImageData(0, 0, columns, rows);
      inkOnPaper(pixels.data, columns, rows);
      context.putImageData(pixels, 0, 0);
    };
    const later = (picture: ImageBitmap) => {
      if (!gone) takeBack = inTurn(() => draw(picture));
    };
    // Without the picture there is nothing to compare with; the desk says so where the card is shown.
    loadPicture(src).then(later, () => undefined);
    return () => {
      gone = true;
      takeBack?.();
    };
  }, [src, left, top, width, tall, cardWidth, height]);
  return <canvas ref={canvas} className="ink" style={{ display: 'block', width: '100%', height: '100%' }} />;
}
