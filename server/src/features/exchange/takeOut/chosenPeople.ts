import type { ChosenPeople, TakeOutQuery } from '@dossier/contract';
import type { EntityManager } from 'typeorm';
import { listOfAddress, listSpecOf, ORDERS } from '../../people';
import { beginChosen, chooseByName, chooseListed, countChosen } from '../queries';

export type Listed = ReturnType<typeof listOfAddress>;

/** Who is taken out: a list as it is narrowed and ordered, or people who were chosen. @returns how many */
export async function choosePeople(
  manager: EntityManager,
  workspaceId: string,
  chosen: ChosenPeople | { listed: Listed },
): Promise<number> {
  await beginChosen(manager);
  if ('ids' in chosen) await chooseByName(manager, workspaceId, chosen.ids);
  else {
    const listed = 'listed' in chosen ? chosen.listed : listOfAddress(chosen.list);
    const { spec } = await listSpecOf(manager, listed);
    // Who fits best is told of some only: all of them come by name.
    const { by, mostFirst } = ORDERS[listed.sort?.by ?? 'name'];
    const backwards = Boolean(listed.sort?.backwards) !== mostFirst;
    await chooseListed(manager, { spec, by, backwards }, 'except' in chosen ? chosen.except : []);
  }
  return countChosen(manager);
}

/** The narrowing of a list within what was asked. */
export function listedOf(query: TakeOutQuery): Listed {
  const { format, version, zip, pictures, delimiter, mark, column, ...listed } = query;
  void [format, version, zip, pictures, delimiter, mark, column];
  return listed;
}
