import type { Consent as ConsentView, ConsentGiven } from '@dossier/contract';
import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { log } from './changeLog';
import { Person } from './entities';
import { Consent } from './recordEntities';

/** Writes down what a person agreed to. */
export async function giveConsent(
  manager: EntityManager,
  who: SignedIn,
  personId: string,
  consent: Omit<ConsentGiven, 'how'> & Pick<ConsentView, 'how'>,
  at = new Date(),
): Promise<void> {
  await manager.insert(Consent, {
    ...consent,
    id: uuidv7(),
    workspaceId: who.workspaceId,
    personId,
    givenAt: at,
    by: who.accountId,
    withdrawnAt: null,
  });
  const after = `${consent.channels.join(', ')}: ${consent.scope}`;
  await log(manager, who, { personId, action: 'consentGiven', at, changes: [{ field: 'consent', before: '', after }] });
}

export function addConsent(
  database: DataSource,
  who: SignedIn,
  personId: string,
  consent: ConsentGiven,
): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    if (!(await manager.existsBy(Person, { id: personId, deletedAt: IsNull() }))) throw notFound('This person');
    await giveConsent(manager, who, personId, consent);
  });
}

/** The consent stays on record with the day it ended; withdrawn twice it is withdrawn once. */
export function withdrawConsent(database: DataSource, who: SignedIn, consentId: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const at = new Date();
    const consent = await manager.findOneBy(Consent, { id: consentId });
    if (!consent) throw notFound('This consent');
    const { affected } = await manager.update(Consent, { id: consentId, withdrawnAt: IsNull() }, { withdrawnAt: at });
    if (!affected) return;
    const before = `${consent.channels.join(', ')}: ${consent.scope}`;
    await log(manager, who, {
      personId: consent.personId,
      action: 'consentWithdrawn',
      at,
      changes: [{ field: 'consent', before, after: '' }],
    });
  });
}
