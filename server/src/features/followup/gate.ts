import { maySend, type Sending, type Standing, type Verdict } from '@dossier/core/followup';
import { In, Not, type EntityManager } from 'typeorm';
import { Consent, Person } from '../people';
import { BouncedAddress, DoNotWrite } from './mail/entities';
import { MessageRecord } from './messages/entities';

/** Whoever is to be written to; without a person somebody who booked a talk and is not known yet. */
export interface Whom {
  workspaceId: string;
  personId: string | null;
}

/** What is known of whether somebody may be written to; undefined for nobody that is here. @param exceptId the message that asks */
export async function standingOf(
  manager: EntityManager,
  { workspaceId, personId }: Whom,
  exceptId?: string,
): Promise<Standing | undefined> {
  const person = personId && (await manager.findOneBy(Person, { id: personId, workspaceId }));
  if (personId && !person) return undefined;
  const listed = await manager.find(DoNotWrite, { where: { workspaceId }, select: { value: true } });
  const bounced = await manager.find(BouncedAddress, { where: { workspaceId }, select: { address: true } });
  const replies =
    personId &&
    (await manager.find(MessageRecord, {
      where: {
        personId,
        kind: 'reply',
        ...(exceptId && { id: Not(exceptId) }),
        state: In(['waiting', 'sending', 'handing', 'sent', 'uncertain']),
      },
      select: { purpose: true },
    }));
  const values = listed.map(({ value }) => value);
  return {
    isDeleted: Boolean(person && person.deletedAt),
    consents: personId ? await manager.findBy(Consent, { personId }) : [],
    bounced: bounced.map(({ address }) => address),
    doNotWrite: {
      addresses: values.filter((one) => one.includes('@')),
      domains: values.filter((one) => !one.includes('@')),
    },
    answered: (replies || []).flatMap(({ purpose }) => (purpose?.kind === 'reply' ? [purpose.asked] : [])),
  };
}

interface Asked {
  now?: Date;
  /** The message that asks: it does not stand in its own way. */
  exceptId?: string;
}

/** Whether something may be sent to somebody at this moment, and why not. */
export async function mayBeSent(
  manager: EntityManager,
  whom: Whom,
  sending: Sending,
  { now = new Date(), exceptId }: Asked = {},
): Promise<Verdict> {
  const standing = await standingOf(manager, whom, exceptId);
  return standing
    ? maySend(standing, sending, now)
    : { may: false, why: 'deleted', words: 'This person is not here any more.' };
}
