import type { PersonFields } from '@dossier/core/people';
import { In, IsNull, type EntityManager } from 'typeorm';
import { Employment, Person, ContactPoint } from './entities';

export interface LoadedFields {
  person: Person;
  fields: PersonFields;
  /** The firm of the present job. */
  companyId: string | null;
}

/** People with their fields, by id; those that are not here (any more) are missing. */
export async function loadFields(manager: EntityManager, ids: readonly string[]): Promise<Map<string, LoadedFields>> {
  if (ids.length === 0) return new Map();
  const people = await manager.find(Person, { where: { id: In([...ids]) }, relations: { owner: true } });
  const jobs = await manager.find(Employment, {
    where: { personId: In([...ids]), endedAt: IsNull() },
    relations: { company: true },
  });
  const contactPoints = await manager.find(ContactPoint, {
    where: { personId: In([...ids]) },
    order: { position: 'ASC' },
  });
  const jobOf = new Map(jobs.map((job) => [job.personId, job]));
  const contactPointsOf = new Map<string, ContactPoint[]>(ids.map((id) => [id, []]));
  for (const row of contactPoints) contactPointsOf.get(row.personId)?.push(row);
  return new Map(
    people.map((person) => [
      person.id,
      {
        person,
        fields: fieldsOf(person, jobOf.get(person.id), contactPointsOf.get(person.id) ?? []),
        companyId: jobOf.get(person.id)?.companyId ?? null,
      },
    ]),
  );
}

export function fieldsOf(
  person: Person,
  job: Employment | undefined,
  contactPoints: readonly ContactPoint[],
): PersonFields {
  const values = (kind: ContactPoint['kind']) => contactPoints.filter((r) => r.kind === kind);
  return {
    prefix: person.prefix,
    givenName: person.givenName,
    middleName: person.middleName,
    familyName: person.familyName,
    suffix: person.suffix,
    title: job?.title ?? '',
    department: job?.department ?? '',
    company: job?.company?.name ?? '',
    emails: values('email').map((r) => r.value),
    phones: values('phone').map((r) => ({ value: r.value, kind: r.phoneKind ?? 'work', extension: r.extension })),
    websites: values('website').map((r) => r.value),
    street: person.street,
    postalCode: person.postalCode,
    locality: person.locality,
    region: person.region,
    country: person.country,
    more: person.more,
  };
}
