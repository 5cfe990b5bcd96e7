import type { PersonFields } from '@dossier/core/people';
import type { EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { companiesNamed } from './companies';
import { ContactPoint, Employment, Person } from './entities';
import { saveKeysOf } from './matchKeys';
import { contactPointsIn, personColumns } from './savePerson';

export interface NewPerson
  extends
    Partial<Pick<Person, 'leadStatus' | 'closed'>>,
    Pick<Person, 'id' | 'kind' | 'source' | 'ownerId' | 'tags' | 'rating' | 'filedByItselfAt'> {
  fields: PersonFields;
}

/** Makes records of people, with their jobs, addresses and keys: few queries, however many they are. */
export async function addPeople(
  manager: EntityManager,
  workspaceId: string,
  people: readonly NewPerson[],
  at: Date,
): Promise<void> {
  await manager.insert(
    Person,
    people.map(({ fields, ...person }) => ({ ...person, workspaceId, ...personColumns(fields), version: 1, createdAt: at, updatedAt: at })), // prettier-ignore
  );
  const companies = await companiesNamed(manager, workspaceId, people.map(({ fields }) => fields.company)); // prettier-ignore
  const jobs = people
    .filter(({ fields: { company, title, department } }) => company || title || department)
    .map(({ id: personId, fields: { company, title, department } }) => ({
      id: uuidv7(),
      workspaceId,
      personId,
      companyId: companies.get(company) ?? null,
      title,
      department,
      startedAt: at,
      endedAt: null,
    }));
  if (jobs.length > 0) await manager.insert(Employment, jobs);
  const points = people.flatMap(({ id: personId, fields }) => contactPointsIn({ workspaceId, personId }, fields));
  if (points.length > 0) await manager.insert(ContactPoint, points);
  await saveKeysOf(manager, workspaceId, people.map(({ id, fields }) => [id, fields] as const)); // prettier-ignore
}
