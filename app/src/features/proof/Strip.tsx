import { spanArea } from '@dossier/core/proof';
import type { SourceSpan } from '@dossier/core/reading/fields';
import { useState } from 'react';
import { View } from 'react-native';
import { cardPicture, Raw } from '@/ui';
import type { CardSide } from './sides';

const TALLEST = 30;
const LARGEST_SCALE = 1.6;

/** The strip of the card picture that a text was read from, scaled to fit; the text itself without a picture. */
export function Strip({ cardId, reading, picture, span }: CardSide & { span: SourceSpan }) {
  const [room, setRoom] = useState(0);
  if (!picture)
    return <Raw className="text-soft">{reading.lines[span.line]?.text.slice(span.from, span.to) ?? ''}</Raw>;
  const area = spanArea(reading, span);
  if (!area) return null;
  const scale = Math.min(TALLEST / area.height, room / area.width, LARGEST_SCALE);
  return (
    <View onLayout={(event) => setRoom(event.nativeEvent.layout.width)} className="w-full">
      {room > 0 ? (
        <div
          aria-hidden
          data-strip
          style={{
            position: 'relative',
            overflow: 'hidden',
            width: area.width * scale,
            height: area.height * scale,
            borderRadius: 2,
            boxShadow: '0 0 0 1px rgb(var(--rule))',
          }}
        >
          <img
            src={cardPicture(cardId)}
            alt=""
            decoding="async"
            style={{
              position: 'absolute',
              left: -area.left * scale,
              top: -area.top * scale,
              width: reading.width * scale,
              height: reading.height * scale,
              maxWidth: 'none',
            }}
          />
        </div>
      ) : (
        <View style={{ height: TALLEST }} />
      )}
    </View>
  );
}
