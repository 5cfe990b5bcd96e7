import { OutsideFields, type HandedOverSample, type HandOverMapping, type HandOverSample, type HandOverTried, type MappingVersions } from '@dossier/contract'; // prettier-ignore
import { asTry, handedOver, rulesFor, valueAt, type OutsideField } from '@dossier/core/exchange/handOver';
import { randomBytes } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { OutsideTrouble, type Reach } from '../../../platform/outside';
import { conflict, notFound, ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { found, locked } from './destinations';
import { DestinationRecord, MappingRecord } from './entities';
import { handedPerson } from './load';
import { isTrouble, NotLetIn } from './outcome';
import { occasionsOf } from './queries';
import { makeRecord } from './system';
import { askingOf, recordFor } from './way';

const MOST_VERSIONS = 50;

/** @param over the version that was changed @throws ProblemError 404, 409 where another one is in force by now */
export const changeMapping = (
  database: DataSource,
  { workspaceId, accountId }: SignedIn,
  id: string,
  rules: HandOverMapping,
  over?: number,
): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { mappingVersion } = await locked(manager, workspaceId, id);
    if (over !== undefined && over !== mappingVersion)
      throw conflict('changed-since', `Version ${mappingVersion} was saved meanwhile. Open this page once more in another window to see it, and take over what you want to keep.`); // prettier-ignore
    const version = mappingVersion + 1;
    await manager.insert(MappingRecord, { destinationId: id, version, workspaceId, rules, madeBy: accountId, madeAt: new Date() }); // prettier-ignore
    await manager.update(DestinationRecord, { id }, { mappingVersion: version });
  });

/** The mapping as it was from one change to the next, the latest first. @throws ProblemError 404 */
export const mappingVersions = (
  database: DataSource,
  { workspaceId }: SignedIn,
  id: string,
): Promise<MappingVersions> =>
  inSnapshot(database, workspaceId, async (manager) => {
    await found(manager, workspaceId, id);
    const versions = await manager.find(MappingRecord, {
      where: { destinationId: id, workspaceId },
      relations: { maker: true },
      order: { version: 'DESC' },
      take: MOST_VERSIONS,
    });
    return { items: versions.map(({ version, madeAt, maker, rules }) => ({ version, at: madeAt.toISOString(), by: maker?.name ?? '', mapping: rules })) }; // prettier-ignore
  });

/** A system; other destinations take everything as it is. @throws ProblemError 404, 409 */
async function systemOf(database: DataSource, workspaceId: string, id: string) {
  const destination = await inWorkspace(database, workspaceId, (manager) => found(manager, workspaceId, id));
  const { to } = destination;
  if (to.kind !== 'system') throw new ProblemError(409, 'no-mapping', 'Nothing to be set', 'Files and address books take people as they are.'); // prettier-ignore
  return { destination, to };
}

const PLACES = { lead: 'leadAt', contact: 'contactAt', company: 'companyAt' } as const;
export type DescribedKind = keyof typeof PLACES;

/** The fields that the other system describes. @throws ProblemError 404, 409 where it describes none, 502 where it cannot be asked */
export async function describedFields(
  database: DataSource,
  reach: Reach,
  { workspaceId }: SignedIn,
  id: string,
  kind: DescribedKind,
): Promise<OutsideFields> {
  const { destination, to } = await systemOf(database, workspaceId, id);
  const place = to.describe?.[PLACES[kind]];
  if (!to.describe || !place) throw new ProblemError(409, 'not-described', 'Not described', 'This system describes no fields: type their names.'); // prettier-ignore
  const answer = await askingOf(reach, destination, to)
    .json('GET', to.describe.path)
    .catch((error: unknown) => {
      if (error instanceof OutsideTrouble || error instanceof NotLetIn) throw unreachable(error.message);
      throw error;
    });
  const fields = z.array(DescribedField).safeParse(valueAt(answer.json, place));
  if (answer.status !== 200 || !fields.success) throw unreachable(`It did not describe its fields (${answer.status}).`);
  return { items: fields.data };
}

/** As far as it describes a field; what it does not say is nothing that must be kept to. */
const DescribedField = z
  .object({
    name: z.string().min(1),
    label: z.string().optional(),
    type: z.enum(OutsideFields.shape.items.element.shape.type.options).catch('text'),
    required: z.boolean().catch(false),
    longest: z.number().int().positive().nullable().catch(null),
    choices: z.array(z.string()).catch([]),
  })
  .transform(({ label, ...field }) => ({ ...field, label: label || field.name }));

const unreachable = (words: string): ProblemError => new ProblemError(502, 'not-reached', 'Not reached', words);

/** Somebody, and where they were met. @throws ProblemError 404 */
const sampled = (
  database: DataSource,
  { workspaceId }: SignedIn,
  { publicAddress }: Reach,
  { personId, as }: HandOverSample,
) =>
  inSnapshot(database, workspaceId, async (manager) => {
    const person = await handedPerson(manager, workspaceId, personId, publicAddress);
    if (!person) throw notFound('This person');
    return { person: { ...person, kind: as ?? person.kind }, occasionIds: await occasionsOf(manager, workspaceId, personId) }; // prettier-ignore
  });

/** Somebody as they would be sent. @throws ProblemError 404, 409, 502 */
export async function sampleOf(
  database: DataSource,
  reach: Reach,
  who: SignedIn,
  id: string,
  asked: HandOverSample,
): Promise<HandedOverSample> {
  const { mapping } = asked;
  const { to } = await systemOf(database, who.workspaceId, id);
  const { person, occasionIds } = await sampled(database, who, reach, asked);
  const fieldsOf = async (kind: DescribedKind): Promise<OutsideField[]> =>
    // Without its description what is typed is taken as it is.
    to.describe?.[PLACES[kind]] ? (await describedFields(database, reach, who, id, kind)).items : [];
  const isWithCompany = to.objects.company !== null && mapping.company.length > 0 && person.companyId !== null;
  // What it will be called there is not known yet.
  const sample = { ...person, companyRef: isWithCompany ? '…' : null };
  return {
    kind: person.kind,
    ...handedOver(sample, rulesFor(mapping, person.kind, occasionIds), await fieldsOf(person.kind)),
    company: isWithCompany ? handedOver(person, mapping.company, await fieldsOf('company')) : null,
  };
}

/** Sends somebody as a try: a new record, which says that it is one. Nothing of it is kept here. @throws ProblemError 404, 409 */
export async function tryOne(
  database: DataSource,
  reach: Reach,
  who: SignedIn,
  id: string,
  asked: HandOverSample,
): Promise<HandOverTried> {
  const { mapping } = asked;
  const { destination, to } = await systemOf(database, who.workspaceId, id);
  const { person, occasionIds } = await sampled(database, who, reach, asked);
  const asking = askingOf(reach, destination, to);
  const mark = randomBytes(4).toString('hex');
  const load = {
    kind: 'person' as const,
    person: asTry(person, mark),
    mapping,
    occasionIds,
    pictures: [],
    known: null,
  };
  const outcome = await Promise.resolve()
    .then(() => makeRecord(asking, ...recordFor(to, load, null), `${id}:try:${mark}`))
    .catch((error: unknown) => {
      if (isTrouble(error)) return error;
      throw error;
    });
  const { request, status, answer } = asking.last ?? { request: null, status: null, answer: null };
  const failed = outcome instanceof Error;
  return { request, status, answer, problem: failed ? outcome.message : null, link: failed ? null : outcome.link };
}
