import { cardPicture } from '@/ui';
import { useCompanyLogoQuery } from './api';

const TALLEST = 64;
const WIDEST = 150;

/** The firm's mark as it stands on a card of somebody who works there; nothing where there is none. */
export function Logo({ companyId, name }: { companyId: string; name: string }) {
  const { data } = useCompanyLogoQuery(companyId);
  if (!data?.logo) return null;
  const { cardId, pictureId, cardWidth, area } = data.logo;
  const scale = Math.min(TALLEST / area.height, WIDEST / area.width);
  return (
    <div
      style={{
        position: 'relative',
        overflow: 'hidden',
        flexShrink: 0,
        borderRadius: 4,
        width: area.width * scale,
        height: area.height * scale,
      }}
    >
      <img
        src={cardPicture(cardId, 'full', pictureId)}
        alt={`The mark of ${name}, from a card`}
        style={{
          position: 'absolute',
          maxWidth: 'none',
          width: cardWidth * scale,
          left: -area.left * scale,
          top: -area.top * scale,
        }}
      />
    </div>
  );
}
