import type { Action, FileCard, Filed } from '@dossier/contract';
import { changesBetween, emptyPersonFields, type PersonFields } from '@dossier/core/people';
import { proofFactOf } from '@dossier/core/proof/fact';
import { lessonsOf } from '@dossier/core/reading';
import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { Occasion, ownerIn } from '../capture';
import { adoptBookings, enrol } from '../followup';
import { isProbablyKnown } from '../matching';
import {
  addPeople,
  changePerson,
  distinctTags,
  Employment,
  FilingReceipt,
  giveConsent,
  keepApart,
  keepApartFurther,
  lockPerson,
  log,
  Note,
} from '../people';
import { Card, cardStates, learn, lockCards } from '../reading';
import { keptAsFiled, removePicturesSoon } from '../retention';
import { closeSecondLook } from '../tray';
import { ProofFactRecord } from './entities';
import { lockKey } from './queries';

/**
 * Files a proved card as a new person or into a known one: person, employment, company, addresses,
 * note, change log and the card's own state in one transaction. A repeated request with the same key
 * gets the first answer again.
 * @throws ProblemError 404 for a card or person that is not here, 409 for a card filed otherwise or
 *   a person that changed since it was shown
 */
export function fileCard(database: DataSource, who: SignedIn, key: string, request: FileCard): Promise<Filed> {
  return inWorkspace(database, who.workspaceId, (manager) =>
    fileLocked(manager, who, key, request, { byItself: false }),
  );
}

/** @param byItself whether nobody has looked at the card */
export async function fileLocked(
  manager: EntityManager,
  who: SignedIn,
  key: string,
  request: FileCard,
  { byItself }: Pick<Filing, 'byItself'>,
): Promise<Filed> {
  // One key for several cards at once: the second waits and is told so.
  await lockKey(manager, who.workspaceId, key);
  const backs = await manager.find(Card, { where: { frontCardId: request.cardId }, select: { id: true } });
  const locked = await lockCards(manager, [request.cardId, ...backs.map(({ id }) => id)]);
  const card = locked.find(({ id }) => id === request.cardId)!;
  const receipt = await manager.findOneBy(FilingReceipt, { workspaceId: who.workspaceId, key });
  if (receipt) return answerOf(receipt, request);
  if (card.state === 'filed') throw conflict('already-filed', 'This card is filed already. Open the person to see it.');
  const filing = { manager, who, card, request, byItself, at: new Date() };
  if (card.state === 'attached')
    throw conflict('is-a-back', 'This is the back of another card. File that card: the back goes with it.');
  const filed = request.known ? await updateKnown(filing, request.known) : await createPerson(filing);
  const kept = await keptAsFiled(manager, card, filing.at);
  for (const { id } of locked) await cardStates.move(manager, id, 'filed', { personId: filed.personId, ...kept });
  await keepApartFurther(manager, who, card.id, filed.personId);
  await manager.insert(FilingReceipt, {
    workspaceId: who.workspaceId,
    key,
    cardId: card.id,
    ...filed,
    at: filing.at,
  });
  await tellHowRead(filing, filed.personId);
  await closeSecondLook(manager, who, card.id, '');
  // Nobody has proved what was filed by itself: it teaches nothing.
  if (!byItself)
    await learn(manager, who, { cardId: card.id, personId: filed.personId }, lessonsOf(request.fields, card.reading));
  await removePicturesSoon(manager, who.workspaceId);
  await announce(manager, who.workspaceId, { photoId: card.photoId ?? card.id, state: 'changed', progress: null });
  return filed;
}

/** What was read, beside what was filed: a fact for the figures. What nobody has read has none. */
async function tellHowRead({ manager, who, card, request, byItself, at }: Filing, personId: string): Promise<void> {
  if (card.proposals.length === 0) return;
  const job = await manager.findOneBy(Employment, { personId, endedAt: IsNull() });
  const fact = { ...proofFactOf(card.proposals, request.fields), workspaceId: who.workspaceId, at, byItself };
  await manager.upsert(ProofFactRecord, { cardId: card.id, companyId: job?.companyId ?? null, ...fact }, ['cardId']);
}

function answerOf(receipt: FilingReceipt, request: FileCard): Filed {
  if (receipt.cardId !== request.cardId)
    throw conflict('key-reused', 'This request was already used for another card. Try again.');
  return { personId: receipt.personId, outcome: receipt.outcome };
}

interface Filing {
  manager: EntityManager;
  who: SignedIn;
  card: Card;
  request: FileCard;
  byItself: boolean;
  at: Date;
}

async function createPerson(filing: Filing): Promise<Filed> {
  const { manager, who, card, request, at } = filing;
  if (request.uncompared) await assertUnknown(filing);
  const personId = uuidv7();
  const person = {
    id: personId,
    kind: request.kind,
    source: card.photoId ? ('card' as const) : ('text' as const),
    ownerId: (await ownerIn(manager, who.workspaceId, request.ownerId)) ?? who.accountId,
    tags: distinctTags(request.tags),
    rating: request.rating,
    filedByItselfAt: filing.byItself ? at : null,
    fields: request.fields,
  };
  await addPeople(manager, who.workspaceId, [person], at);
  await saveRest(filing, personId, filing.byItself ? 'filedByItself' : 'filed', emptyPersonFields());
  return { personId, outcome: 'created' };
}

async function updateKnown(filing: Filing, known: NonNullable<FileCard['known']>): Promise<Filed> {
  const { manager, request, at } = filing;
  const { person, fields: before } = await lockPerson(manager, known.personId, known.version);
  await changePerson(manager, person, request.fields, {
    at,
    kind: request.kind,
    tags: distinctTags([...person.tags, ...request.tags]),
    rating: request.rating ?? person.rating,
    ownerId: (await ownerIn(manager, filing.who.workspaceId, request.ownerId)) ?? person.ownerId,
    // Whoever updates somebody has looked at them.
    filedByItselfAt: null,
    newJob: known.newJob,
  });
  const outcome = known.newJob ? 'newJob' : 'updated';
  await saveRest(filing, person.id, outcome, before);
  return { personId: person.id, outcome };
}

/** @throws ProblemError 409 when somebody is probably the same person */
async function assertUnknown({ manager, who, request }: Filing): Promise<void> {
  if (!(await isProbablyKnown(manager, who.workspaceId, request.fields))) return;
  throw conflict('perhaps-known', 'Somebody here is probably the same person. Compare them, then file this card.');
}

/** The occasion says what follows, unless whoever files it leaves that out. */
async function beginPlan(
  manager: EntityManager,
  who: SignedIn,
  { occasionId }: Card,
  { withoutPlan, note }: FileCard,
  personId: string,
  at: Date,
): Promise<void> {
  if (withoutPlan || !occasionId) return;
  const occasion = await manager.findOneBy(Occasion, { id: occasionId });
  if (occasion?.planId)
    await enrol(manager, who, { personId, planId: occasion.planId, occasionId, noteLine: note }, at);
}

/** Note, consent, who it is not, and what was done. */
async function saveRest(
  { manager, who, card, request, at }: Filing,
  personId: string,
  action: Action,
  before: PersonFields,
): Promise<void> {
  if (request.note) {
    await manager.insert(Note, {
      id: uuidv7(),
      workspaceId: who.workspaceId,
      personId,
      authorId: who.accountId,
      text: request.note,
      at,
    });
  }
  if (request.consent) await giveConsent(manager, who, personId, request.consent, at);
  // What they ticked themselves is theirs to say, whoever files the card.
  if (card.consent) {
    const { at: givenAt, ...said } = card.consent;
    await giveConsent(manager, who, personId, { ...said, channels: ['email'], how: 'onPage' }, new Date(givenAt));
  }
  await beginPlan(manager, who, card, request, personId, at);
  await adoptBookings(manager, who.workspaceId, card.id, personId, at);
  for (const other of request.notSame) await keepApart(manager, who, personId, other);
  await log(manager, who, { personId, cardId: card.id, action, changes: changesBetween(before, request.fields), at });
}
