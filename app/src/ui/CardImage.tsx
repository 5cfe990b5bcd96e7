import { API } from '@/lib/api';

/**
 * Where the picture of a card is. With the name of the picture itself it is kept by the browser; without, the browser asks each time
 * whether it is still the same.
 */
export const cardPicture = (
  cardId: string,
  size: 'full' | 'thumbnail' = 'full',
  pictureId: string | null = null,
): string => `${API}/cards/${cardId}/picture?size=${size}${pictureId ? `&of=${pictureId}` : ''}`;

interface Props {
  src: string;
  alt: string;
  width: number | '100%';
  /** Keeps the picture's own proportions instead of a place of a card's. */
  natural?: boolean;
  /** Those proportions, width to height, where they are known before the picture is there. */
  aspect?: number;
  lifted?: boolean;
}

/** A card as a crisp rectangle with a hairline edge; shadows only lie under photographs. */
export const CardImage = ({ src, alt, width, natural, aspect, lifted }: Props) => (
  <div
    style={{
      width,
      maxWidth: '100%',
      aspectRatio: natural ? undefined : '1.7',
      borderRadius: 4,
      overflow: 'hidden',
      background: 'rgb(var(--table))',
      boxShadow: lifted ? '0 1px 2px rgb(0 0 0 / 0.12), 0 8px 22px rgb(0 0 0 / 0.14)' : '0 0 0 1px rgb(var(--rule))',
      flexShrink: 0,
    }}
  >
    <img
      src={src}
      alt={alt}
      loading="lazy"
      decoding="async"
      style={{
        width: '100%',
        height: natural ? 'auto' : '100%',
        // Room as for most cards until the picture says its own: what stands below moves little.
        aspectRatio: natural ? (aspect ?? 'auto 1.7') : undefined,
        objectFit: 'contain',
        display: 'block',
      }}
    />
  </div>
);
