/** An 8-bit picture in memory, three bytes (red, green, blue) a pixel, rows from the top. */
export interface Pixels {
  data: Uint8Array;
  width: number;
  height: number;
}

export const emptyPixels = (width: number, height: number): Pixels => ({
  data: new Uint8Array(width * height * 3),
  width,
  height,
});
