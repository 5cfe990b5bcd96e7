import type { ChosenPeople, Deliveries, DestinationNames, HandOverBegun } from '@dossier/contract';
import { In, type DataSource } from 'typeorm';
import { notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { choosePeople } from '../takeOut/chosenPeople';
import { found } from './destinations';
import { DeliveryRecord, DestinationRecord, HandedRecord } from './entities';
import { tryAgain, wantChosen } from './queries';

const PAGE = 50;

/** Where people can be handed over to. */
export const destinationNames = (database: DataSource, { workspaceId }: SignedIn): Promise<DestinationNames> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const records = await manager.find(DestinationRecord, {
      where: { workspaceId },
      order: { name: 'ASC', id: 'ASC' },
    });
    return { items: records.map(({ id, name, pausedAt }) => ({ id, name, isPaused: pausedAt !== null })) };
  });

/** Hands over everybody who is chosen and here. @throws ProblemError 404 */
export const handPeopleOver = (
  database: DataSource,
  { workspaceId }: SignedIn,
  id: string,
  who: ChosenPeople,
): Promise<HandOverBegun> =>
  inWorkspace(database, workspaceId, async (manager) => {
    await found(manager, workspaceId, id);
    const people = await choosePeople(manager, workspaceId, who);
    if ('ids' in who && people === 0) throw notFound(who.ids.length === 1 ? 'This person' : 'Everybody who was chosen');
    return { begun: await wantChosen(manager, workspaceId, id) };
  });

/** @throws ProblemError 404 */
export const repeatHeld = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<HandOverBegun> =>
  inWorkspace(database, workspaceId, async (manager) => {
    await found(manager, workspaceId, id);
    return { begun: await tryAgain(manager, workspaceId, id, ['held']) };
  });

/** @throws ProblemError 404 */
export const repeatDelivery = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<HandOverBegun> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const delivery = await manager.findOneBy(DeliveryRecord, { id, workspaceId });
    if (!delivery) throw notFound('This sending');
    return { begun: await tryAgain(manager, workspaceId, delivery.destinationId, ['held', 'waiting', 'delivered'], [id]) }; // prettier-ignore
  });

/** What was handed over, or waits, the latest first. */
export const listDeliveries = (
  database: DataSource,
  { workspaceId }: SignedIn,
  { destination, person, state, cursor }: { destination?: string; person?: string; state: string; cursor?: string },
): Promise<Deliveries> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const states = state === 'all' ? [] : state === 'waiting' ? ['waiting', 'sending'] : [state];
    const query = manager
      .createQueryBuilder(DeliveryRecord, 'd')
      .innerJoinAndSelect('d.destination', 'destination')
      .innerJoinAndSelect('d.person', 'person')
      .where('d.workspaceId = :workspaceId', { workspaceId });
    if (destination) query.andWhere('d.destinationId = :destination', { destination });
    if (person) query.andWhere('d.personId = :person', { person });
    if (states.length > 0) query.andWhere('d.state in (:...states)', { states });
    if (cursor) query.andWhere('(d.madeAt, d.id) < (select c.made_at, c.id from delivery c where c.workspace_id = :workspaceId and c.id = :cursor)', { cursor }); // prettier-ignore
    const rows = await query.orderBy('d.madeAt', 'DESC').addOrderBy('d.id', 'DESC').limit(PAGE + 1).getMany(); // prettier-ignore
    const page = rows.slice(0, PAGE);
    const links = new Map((await manager.findBy(HandedRecord, { subjectId: In(page.map(({ subjectId }) => subjectId)) })).map((one) => [`${one.destinationId} ${one.subjectId}`, one.link])); // prettier-ignore
    return {
      items: page.map((row) => ({
        id: row.id,
        destinationId: row.destinationId,
        destination: row.destination!.name,
        personId: row.personId,
        fullName: row.person!.fullName,
        subject: row.subject,
        state: row.state,
        attempts: row.attempts,
        madeAt: row.madeAt.toISOString(),
        nextAt: row.nextAt?.toISOString() ?? null,
        doneAt: row.doneAt?.toISOString() ?? null,
        mappingVersion: row.mappingVersion,
        request: row.request,
        status: row.status,
        answer: row.answer,
        problem: row.problem,
        link: links.get(`${row.destinationId} ${row.subjectId}`) ?? null,
        theirs: row.theirs,
      })),
      next: rows.length > PAGE ? page.at(-1)!.id : null,
    };
  });
