import { filesOfDrop } from './filesOfDrop';

const file = (name: string) => new File(['x'], name);
const fileEntry = (name: string) =>
  ({ isFile: true, name, file: (give: (f: File) => void) => give(file(name)) }) as unknown as FileSystemEntry;

/** A folder whose reader gives at most `atOnce` entries at a time, as browsers do. */
function folder(name: string, inside: FileSystemEntry[], atOnce = 100): FileSystemEntry {
  const createReader = () => {
    const left = [...inside];
    return { readEntries: (give: (some: FileSystemEntry[]) => void) => give(left.splice(0, atOnce)) };
  };
  return { isFile: false, name, createReader } as unknown as FileSystemEntry;
}
const drop = (entries: (FileSystemEntry | null)[], files: File[] = []) =>
  ({ items: entries.map((entry) => ({ webkitGetAsEntry: () => entry })), files }) as unknown as DataTransfer;
const names = async (data: DataTransfer) => (await filesOfDrop(data)).map(({ name }) => name);

describe('the files of something dropped', () => {
  it('are those of its folders as well, in the order of their names and numbers', async () => {
    const inner = folder('inner', [fileEntry('b.jpg')]);
    const outer = folder('fair', [fileEntry('card 10.jpg'), inner, fileEntry('card 9.jpg')]);
    expect(await names(drop([fileEntry('first.jpg'), outer]))).toEqual([
      'first.jpg',
      'card 9.jpg',
      'card 10.jpg',
      'b.jpg',
    ]);
  });

  it('are all of a folder that is given in parts', async () => {
    const many = Array.from({ length: 7 }, (_, i) => fileEntry(`${i}.jpg`));
    expect(await names(drop([folder('fair', many, 3)]))).toHaveLength(7);
  });

  it('are the plain files where the browser tells of no entries', async () =>
    expect(await names(drop([null], [file('pasted.png')]))).toEqual(['pasted.png']));

  it('are none of an empty folder', async () => expect(await names(drop([folder('empty', [])]))).toEqual([]));
});
