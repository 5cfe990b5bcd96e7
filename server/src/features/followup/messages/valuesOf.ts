import { countryCode } from '@dossier/core/exchange';
import { greet, languageOfCountry, ownPlaceholder, type PlaceholderValues } from '@dossier/core/followup/templates';
import type { EntityManager } from 'typeorm';
import { Account, Workspace } from '../../account';
import { Occasion } from '../../capture';
import { loadFields, type Person } from '../../people';
import { lastMeeting, type Meeting } from '../lastMeeting';
import { MailSender } from '../mail/entities';

export interface Addressee {
  person: Person;
  /** Where they are written to; undefined where no address is known. */
  to: string | undefined;
  emails: readonly string[];
  /** From whom; undefined where the team has no address to send from. */
  sender: MailSender | undefined;
  language: string;
  /** What a template is filled in with, in a language. */
  values: (language: string) => PlaceholderValues;
  postal: string[];
}

/** Whoever a message goes to, with all that can stand in it. @param meeting how it began; else the last note and the last card's occasion */
export async function addresseeOf(
  manager: EntityManager,
  personId: string,
  meeting?: Meeting,
): Promise<Addressee | undefined> {
  const loaded = (await loadFields(manager, [personId])).get(personId);
  if (!loaded) return undefined;
  const { person, fields } = loaded;
  const { workspaceId } = person;
  const workspace = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  const { occasionId, noteLine } = meeting ?? (await lastMeeting(manager, personId));
  const occasion = occasionId ? await manager.findOneBy(Occasion, { id: occasionId }) : null;
  const sender = await senderFor(manager, person);
  const owner = await manager.findOneByOrFail(Account, { id: person.ownerId });
  const language = languageOfCountry(countryCode(person.country) ?? workspace.country);
  const own = fields.more.filter(({ label }) => workspace.ownFields.includes(label));
  return {
    person,
    to: fields.emails[0],
    emails: fields.emails,
    sender,
    language,
    postal: postalLines(fields),
    values: (chosen) => ({
      greeting: greet(chosen, fields),
      givenName: fields.givenName,
      familyName: fields.familyName,
      fullName: person.fullName,
      title: fields.title,
      department: fields.department,
      company: fields.company,
      locality: fields.locality,
      occasion: occasion?.name ?? '',
      occasionPlace: occasion?.place ?? '',
      noteLine,
      senderName: sender?.name ?? owner.name,
      senderAddress: sender?.address ?? '',
      team: workspace.name,
      ...Object.fromEntries(own.map(({ label, value }) => [ownPlaceholder(label), value])),
    }),
  };
}

/** The address that a person's owner writes from, else one that is everybody's. */
async function senderFor(manager: EntityManager, { workspaceId, ownerId }: Person): Promise<MailSender | undefined> {
  const senders = await manager.find(MailSender, { where: { workspaceId }, order: { position: 'ASC' } });
  return senders.find(({ accountId }) => accountId === ownerId) ?? senders.find(({ accountId }) => accountId === null);
}

const postalLines = (fields: {
  street: string;
  postalCode: string;
  locality: string;
  region: string;
  country: string;
}): string[] =>
  [fields.street, `${fields.postalCode} ${fields.locality}`, fields.region, fields.country]
    .map((line) => line.trim())
    .filter(Boolean);
