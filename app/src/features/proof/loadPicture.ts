/** So many pictures of cards are kept decoded: those of the desk in sight and of the ones that wait behind it. */
const KEPT = 6;
const pictures = new Map<string, Promise<ImageBitmap>>();

/** A picture that can be drawn from, fetched and decoded once for all who want pieces of it. */
export function loadPicture(src: string): Promise<ImageBitmap> {
  const known = pictures.get(src);
  if (known) return known;
  const loaded = decoded(src);
  // One that could not be fetched is asked for again the next time.
  loaded.catch(() => pictures.delete(src));
  pictures.set(src, loaded);
  const [oldest] = pictures.keys();
  if (pictures.size > KEPT && oldest) pictures.delete(oldest);
  return loaded;
}

/** Decoded beside the thread that answers the person, as drawing from an element would not be. */
async function decoded(src: string): Promise<ImageBitmap> {
  const response = await fetch(src);
  if (!response.ok) throw new Error(response.statusText);
  return createImageBitmap(await response.blob());
}
