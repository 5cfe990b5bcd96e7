const SCALE = 2;

/** A picture of the page as a file of pixels, on the page's paper, with the colours that it has here. */
export async function pngOf(svg: SVGSVGElement): Promise<Blob> {
  const { width, height } = svg.getBoundingClientRect();
  const copy = svg.cloneNode(true) as SVGSVGElement;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  const colours = getComputedStyle(document.documentElement);
  const text = new XMLSerializer()
    .serializeToString(copy)
    .replace(/var\((--[\w-]+)\)/g, (_, name: string) => colours.getPropertyValue(name).trim());
  const picture = new Image();
  picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
  await picture.decode();
  const canvas = Object.assign(document.createElement('canvas'), { width: width * SCALE, height: height * SCALE });
  const context = canvas.getContext('2d')!;
  context.fillStyle = `rgb(${colours.getPropertyValue('--paper').trim()})`;
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('No picture was made.'))), 'image/png'),
  );
}

/** Hands a file to whoever is at the screen. */
export function saveFile(blob: Blob, name: string): void {
  const link = Object.assign(document.createElement('a'), { href: URL.createObjectURL(blob), download: name });
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
