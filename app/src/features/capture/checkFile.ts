import { MAX_PHOTO_BYTES, MAX_PHOTO_PIXELS } from '@dossier/contract';

const HEIC = /\.(heic|heif)$/i;

/**
 * Looks at a picked file before it is kept.
 * @returns what is wrong and what to do, or undefined when it can be sent. HEIC is left to the server,
 *   since few browsers can open it.
 */
export async function complaintAboutFile(file: File): Promise<string | undefined> {
  if (file.size === 0) return `${file.name} is empty. Choose another file.`;
  if (file.size > MAX_PHOTO_BYTES) return `${file.name} is larger than 15 MB. Send a smaller copy of it.`;
  if (HEIC.test(file.name) || /hei[cf]/.test(file.type)) return undefined;
  const size = await sizeOf(file);
  if (!size)
    return `${file.name} is not a picture that can be read. Use JPEG, PNG, WebP or HEIC, or photograph the card.`;
  return size.width * size.height > MAX_PHOTO_PIXELS
    ? `${file.name} has more than 60 million pixels. Send a smaller copy of it.`
    : undefined;
}

/** Width and height of a picture, from its head alone: decoding a large one would take a phone half a second. */
async function sizeOf(file: File): Promise<{ width: number; height: number } | undefined> {
  const image = new Image();
  const address = URL.createObjectURL(file);
  try {
    await new Promise((resolve, reject) => {
      image.onload = resolve;
      image.onerror = reject;
      image.src = address;
    });
    return { width: image.naturalWidth, height: image.naturalHeight };
  } catch {
    return undefined;
  } finally {
    URL.revokeObjectURL(address);
  }
}
