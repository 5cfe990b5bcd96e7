import { cardPicture } from '@/ui';
import type { CardSide } from './sides';
import { TextSheet } from './TextSheet';

interface Props extends CardSide {
  /** Tallest it may be, as a CSS length. */
  maxHeight: string;
}

/** The card as photographed, flat and upright and whole; its text where there is no picture. */
export function CardView({ cardId, reading, picture, pictureId, maxHeight }: Props) {
  if (!picture) return <TextSheet reading={reading} spans={[]} maxHeight={maxHeight} />;
  const aspect = reading.width / reading.height;
  return (
    <img
      src={cardPicture(cardId, 'full', pictureId)}
      alt="The card"
      style={{
        display: 'block',
        width: `min(100%, calc(${maxHeight} * ${aspect}))`,
        aspectRatio: String(aspect),
        borderRadius: 4,
        boxShadow: '0 1px 2px rgb(0 0 0 / 0.14), 0 8px 24px rgb(0 0 0 / 0.16)',
      }}
    />
  );
}
