/** Files of something dropped, those inside dropped folders included, in the order of their names. */
export async function filesOfDrop(data: DataTransfer): Promise<File[]> {
  // The entries must be asked for before the first pause: afterwards the list is empty.
  const entries = [...data.items]
    .map((item) => item.webkitGetAsEntry?.() ?? undefined)
    .filter((entry) => entry !== undefined);
  if (entries.length === 0) return [...data.files];
  const found = await Promise.all(entries.map(filesOf));
  return found.flat();
}

async function filesOf(entry: FileSystemEntry): Promise<File[]> {
  if (entry.isFile) {
    return [await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject))];
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const inside: FileSystemEntry[] = [];
  for (;;) {
    // A reader gives at most a hundred entries at a time.
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (some.length === 0) break;
    inside.push(...some);
  }
  inside.sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));
  const files = await Promise.all(inside.map(filesOf));
  return files.flat();
}
