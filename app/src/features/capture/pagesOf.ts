/** Pages of scans are drawn so that the text of a card has about the pixels it has in a photograph. */
const PAGE_DPI = 250;
const POINTS_AN_INCH = 72;
const LARGEST_SIDE = 5000;
const MOST_PAGES = 200;
const JPEG_QUALITY = 0.92;

const isPdf = (file: File): boolean => file.type === 'application/pdf' || /\.pdf$/i.test(file.name);
const isTiff = (file: File): boolean => file.type === 'image/tiff' || /\.tiff?$/i.test(file.name);

/** A file that cannot be taken in; the message says to a person what to do. */
export class UnusableFile extends Error {}

/** Scans of several pages, which browsers do not show as pictures. */
export const isScan = (file: File): boolean => isPdf(file) || isTiff(file);

/**
 * The pages of a scan as pictures, one after another.
 * @throws UnusableFile when the file cannot be opened
 */
export async function* pagesOf(file: File): AsyncGenerator<{ bytes: Blob; name: string }> {
  const pages = isPdf(file) ? pdfPages(file) : tiffPages(file);
  let page = 0;
  try {
    for await (const canvas of pages) {
      page += 1;
      if (page > MOST_PAGES) return;
      const bytes = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', JPEG_QUALITY));
      if (bytes) yield { bytes, name: `${file.name}, page ${page}` };
    }
  } catch {
    throw new UnusableFile(`${file.name} cannot be opened. Scan it again, or send its pages as JPEG.`);
  }
  if (page === 0) throw new UnusableFile(`${file.name} has no page. Choose another file.`);
}

async function* pdfPages(file: File): AsyncGenerator<HTMLCanvasElement> {
  const { openPdf } = await import('./openPdf');
  const document_ = await openPdf(new Uint8Array(await file.arrayBuffer()));
  try {
    for (let number = 1; number <= document_.numPages; number++) {
      const page = await document_.getPage(number);
      const natural = page.getViewport({ scale: 1 });
      const scale = Math.min(PAGE_DPI / POINTS_AN_INCH, LARGEST_SIDE / Math.max(natural.width, natural.height));
      const viewport = page.getViewport({ scale });
      const canvas = blankCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
      await page.render({ canvasContext: canvas.getContext('2d')!, viewport }).promise;
      yield canvas;
      page.cleanup();
    }
  } finally {
    await document_.loadingTask.destroy();
  }
}

async function* tiffPages(file: File): AsyncGenerator<HTMLCanvasElement> {
  const { decode, decodeImage, toRGBA8 } = await import('utif2');
  const buffer = await file.arrayBuffer();
  for (const page of decode(buffer)) {
    decodeImage(buffer, page);
    // Previews and masks inside the file are no pages.
    if (!page.width || page.width < 200) continue;
    const canvas = blankCanvas(page.width, page.height);
    const pixels = new ImageData(new Uint8ClampedArray(toRGBA8(page)), page.width, page.height);
    canvas.getContext('2d')!.putImageData(pixels, 0, 0);
    yield canvas;
  }
}

function blankCanvas(width: number, height: number): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  return canvas;
}
