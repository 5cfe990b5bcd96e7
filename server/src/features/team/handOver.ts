import type { HandedOver } from '@dossier/contract';
import type { EntityManager } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import type { Account } from '../account';
import { handOverOccasions, handOverPhotos } from '../capture';
import { handOverTasks } from '../followup';
import { handOverPeople } from '../people';
import { handOverBusiness } from '../pipeline';
import { handOverCards } from '../reading';
import { handOverSecondLooks } from '../tray';

/** Everything of one colleague that somebody must look after goes to another. What they did stays theirs in every history. */
export async function handOver(manager: EntityManager, who: SignedIn, from: Account, to: Account): Promise<HandedOver> {
  const ids = { workspaceId: who.workspaceId, from: from.id, to: to.id };
  await handOverPhotos(manager, ids);
  const cards = await handOverCards(manager, ids);
  const secondLooks = await handOverSecondLooks(manager, ids);
  await handOverTasks(manager, who.workspaceId, ids);
  await handOverBusiness(manager, who.workspaceId, ids, who.accountId);
  const people = await handOverPeople(manager, who, from, to);
  const occasions = await handOverOccasions(manager, ids);
  return { people, cards, occasions, secondLooks };
}
