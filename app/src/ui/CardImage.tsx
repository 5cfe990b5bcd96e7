import { API } from '@/lib/api';

export const cardPicture = (cardId: string, size: 'full' | 'thumbnail' = 'full'): string => `${API}/cards/${cardId}/picture?size=${size}`;

interface Props {
  src: string;
  alt: string;
  width: number | '100%';
  /** Width over height of the place kept for it. */
  aspect?: number;
  lifted?: boolean;
}

/** A card as a crisp rectangle with a hairline edge; shadows only lie under photographs. */
export const CardImage = ({ src, alt, width, aspect = 1.7, lifted }: Props) => (
  <div
    style={{
      width,
      aspectRatio: String(aspect),
      borderRadius: 4,
      overflow: 'hidden',
      background: 'rgb(var(--sheet))',
      boxShadow: lifted ? '0 1px 2px rgb(0 0 0 / 0.12), 0 8px 22px rgb(0 0 0 / 0.14)' : '0 0 0 1px rgb(var(--rule))',
      flexShrink: 0,
    }}
  >
    <img src={src} alt={alt} loading="lazy" decoding="async" style={{ width: '100%', height: '100%', objectFit: 'contain', display: 'block' }} />
  </div>
);
