import { onSideThread } from './sideThread';
import { smallJpeg } from './smallJpeg';
import { sniffPhoto } from './sniffPhoto';

const ofHeic = onSideThread<Parameters<typeof smallJpeg>[0], Uint8Array | undefined>('./smallJpeg.ts', 'smallJpeg');

/**
 * A small upright JPEG of a photograph. HEIC is decoded in JavaScript, on a thread of its own; the other kinds are opened outside of it
 * anyway.
 * @param side longest side in pixels
 * @returns undefined when it cannot be opened
 */
export const photoThumbnail = (bytes: Uint8Array, side = 320): Promise<Uint8Array | undefined> =>
  sniffPhoto(bytes) === 'heic' ? ofHeic({ bytes, side }) : smallJpeg({ bytes, side });
