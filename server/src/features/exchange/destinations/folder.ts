import { mkdir, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { DestinationFields } from '@dossier/contract';
import { csvLine, peopleColumns, repeatsOf } from '@dossier/core/exchange/files';
import type { HandedPerson } from '@dossier/core/exchange/handOver';
import { asVcard } from '../takeOut/writers';
import type { Load } from './load';
import { NeedsPerson, TryLater, type Landed } from './outcome';

type OutsideFolder = Extract<DestinationFields['to'], { kind: 'folder' }>;

/**
 * Writes somebody into a folder: one file, under a name that stays, whole or not at all.
 * @param root the folder that whoever runs this has named; undefined where they have named none @throws NeedsPerson, TryLater
 */
export async function bringIntoFolder(
  root: string | undefined,
  { folder, format }: OutsideFolder,
  { person, pictures }: Pick<Extract<Load, { kind: 'person' }>, 'person' | 'pictures'>,
  workspaceId: string,
): Promise<Landed> {
  if (!root) throw new NeedsPerson('No folder is named for this: whoever runs Dossier sets DOSSIER_HAND_OVER_FOLDER.');
  const name = `${person.id}.${format === 'vcard' ? 'vcf' : 'csv'}`;
  // Two teams may call a folder the same.
  const own = join(root, workspaceId, folder);
  const path = join(own, name);
  try {
    await mkdir(own, { recursive: true });
    await writeFile(`${path}.part`, format === 'vcard' ? asVcard(person, '4.0', pictures) : asCsv(person));
    await rename(`${path}.part`, path);
  } catch (error) {
    throw new TryLater(`It could not be written (${(error as NodeJS.ErrnoException).code ?? 'unknown'}): is there room, and may it be written there?`); // prettier-ignore
  }
  return { ref: name, link: null, theirs: [], sent: {} };
}

function asCsv(person: HandedPerson): string {
  const columns = peopleColumns(repeatsOf([person]));
  return csvLine(columns.map(({ header }) => header), ',') + csvLine(columns.map(({ get }) => get(person)), ','); // prettier-ignore
}
