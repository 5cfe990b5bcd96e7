import { MAX_PHOTO_BYTES } from '@dossier/contract';
import { complaintAboutFile } from './checkFile';

/** What the browser finds out about a picture: its size, or that it is none. */
let found: { width: number; height: number } | undefined;
const revoked = jest.fn();

beforeEach(() => {
  revoked.mockClear();
  found = { width: 4000, height: 3000 };
  Object.assign(URL, { createObjectURL: () => 'blob:picture', revokeObjectURL: revoked });
  globalThis.Image = class {
    onload?: () => void;
    onerror?: (error: unknown) => void;
    get naturalWidth() {
      return found!.width;
    }
    get naturalHeight() {
      return found!.height;
    }
    set src(_: string) {
      queueMicrotask(() => (found ? this.onload?.() : this.onerror?.(new Error('no picture'))));
    }
  } as unknown as typeof Image;
});

const fileOf = (name: string, bytes = 3, type = 'image/jpeg') => {
  const file = new File(['abc'], name, { type });
  Object.defineProperty(file, 'size', { value: bytes });
  return file;
};

describe('a picked file', () => {
  it('is taken when it is a picture of a size that can be read', async () => {
    expect(await complaintAboutFile(fileOf('card.jpg'))).toBeUndefined();
    expect(revoked).toHaveBeenCalledWith('blob:picture');
  });

  it.each([
    ['empty', fileOf('card.jpg', 0), /card\.jpg is empty\. Choose another/],
    ['too large', fileOf('card.jpg', MAX_PHOTO_BYTES + 1), /larger than 15 MB\. Send a smaller copy/],
  ])('that is %s is named with what to do', async (_what, file, words) =>
    expect(await complaintAboutFile(file)).toMatch(words),
  );

  it('that is no picture, or one of too many pixels, is named with what to do, and let go of', async () => {
    found = undefined;
    expect(await complaintAboutFile(fileOf('notes.txt'))).toMatch(/not a picture that can be read\. Use JPEG/);
    found = { width: 10_000, height: 10_000 };
    expect(await complaintAboutFile(fileOf('wall.jpg'))).toMatch(/more than 60 million pixels\. Send a smaller copy/);
    expect(revoked).toHaveBeenCalledTimes(2);
  });

  it.each([
    ['card.HEIC', ''],
    ['card', 'image/heif'],
  ])('is left to the server where few browsers can open it: %s %s', async (name, type) => {
    found = undefined;
    expect(await complaintAboutFile(fileOf(name, 3, type))).toBeUndefined();
  });
});
