/** Largest photograph that is taken, as a file and decoded. */
export const MAX_PHOTO_BYTES = 15 * 1024 * 1024;
export const MAX_PHOTO_PIXELS = 60_000_000;
