import type { OutsideSystem } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { lockId } from '../../../platform/lockId';
import type { Reach } from '../../../platform/outside';
import { inWorkspace } from '../../../platform/workspaceScope';
import { AddressBook } from './addressBook';
import { Asking, type Asked } from './ask';
import { HandedRecord, type DestinationRecord } from './entities';
import { bringIntoFolder } from './folder';
import { companyRecord, recordsOf, type Load } from './load';
import { NeedsPerson, type Landed } from './outcome';
import { bringHanging, bringRecord } from './system';

export type Parts = Reach & { database: DataSource };
type Person = Extract<Load, { kind: 'person' }>;

/** How something is brought to a destination, and what was asked of it last. */
export interface Way {
  /** @returns null where there was nothing to be brought @throws NeedsPerson, TryLater, OutsideTrouble, NotLetIn */
  bring: (load: Load, once: string) => Promise<Landed | null>;
  asked: () => Asked | undefined;
}

export function wayTo(parts: Parts, destination: DestinationRecord): Way {
  const { to, workspaceId } = destination;
  switch (to.kind) {
    case 'folder':
      return {
        bring: async (load) => (load.kind === 'person' ? bringIntoFolder(parts.handOverFolder, to, load, workspaceId) : null), // prettier-ignore
        asked: () => undefined,
      };
    case 'addressBook': {
      const book = new AddressBook(parts, to, destination);
      return { bring: async (load) => (load.kind === 'person' ? book.bring(load) : null), asked: () => book.last };
    }
    case 'system': {
      const asking = askingOf(parts, destination, to);
      return {
        bring: async (load, once) => {
          if (load.kind === 'nothing') return null;
          if (load.kind === 'hanging') return bringHanging(asking, load, once);
          const companyRef = await bringCompany(parts, destination, to, asking, load);
          return bringRecord(asking, ...recordFor(to, load, companyRef), load.known, once);
        },
        asked: () => asking.last,
      };
    }
  }
}

export const askingOf = (
  { sealing, allowed }: Reach,
  { id, secret }: DestinationRecord,
  { base, auth }: OutsideSystem,
) =>
  // prettier-ignore
  new Asking({ id, base, auth, secret }, sealing, allowed);

/** @throws NeedsPerson for what cannot be sent as it is */
export function recordFor({ objects }: OutsideSystem, load: Person, companyRef: string | null) {
  const { record, faults, object } = recordsOf(load, companyRef);
  assertWhole(record, faults);
  return [objects[object], record] as const;
}

function assertWhole(record: object, [fault]: readonly { to: string; fault: string }[]): void {
  if (fault) throw new NeedsPerson(`${fault.to}: ${fault.fault}`);
  if (Object.keys(record).length === 0)
    throw new NeedsPerson('Nothing of this person goes into any field: set the mapping up.');
}

/**
 * Where a system keeps companies, a person’s company is brought before them.
 * @returns what it is called there; null where the system keeps none, or the person has none
 */
function bringCompany(
  { database }: Parts,
  { id: destinationId, workspaceId }: DestinationRecord,
  { objects }: OutsideSystem,
  asking: Asking,
  load: Person,
): Promise<string | null> {
  const { company: object } = objects;
  const { companyId } = load.person;
  if (!object || !companyId || load.mapping.company.length === 0) return Promise.resolve(null);
  const key = { destinationId, subject: 'company', subjectId: companyId } as const;
  return inWorkspace(database, workspaceId, async (manager) => {
    // Two colleagues of one company are often sent at the same time.
    await lockId(manager, `hand ${destinationId} ${companyId}`);
    const known = await manager.findOneBy(HandedRecord, key);
    const { record, faults } = companyRecord(load);
    assertWhole(record, faults);
    // What one colleague’s card says of the company is not sent over what another’s said.
    if (known) return known.ref;
    const { theirs, ...landed } = await bringRecord(asking, object, record, null, `${destinationId}:company:${companyId}`); // prettier-ignore
    await manager.upsert(HandedRecord, { ...key, ...landed, theirs, workspaceId, personId: null, sentAt: new Date(), mappingVersion: null } as object, ['destinationId', 'subject', 'subjectId']); // prettier-ignore
    return landed.ref;
  });
}
