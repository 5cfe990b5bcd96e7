import type { Quad } from '@dossier/core/capture';
import type { DemoPerson } from './people';
import type { Lying, Shot } from './shots';
import { personNamed } from './scene';

/** What is on a demo photograph, in the form that the scorer reads. */
export function truthOf(shot: Shot, quads: readonly Quad[]) {
  return {
    id: shot.id,
    file: `${shot.id}.jpg`,
    tier: shot.cards.length > 1 ? 'several' : (shot.light ?? 'day'),
    width: shot.width,
    height: shot.height,
    tags: [],
    cards: shot.cards.map((card, i) => cardTruth(card, quads[i]!)),
  };
}

function cardTruth(card: Lying, quad: Quad) {
  const person = personNamed(card.person);
  const isBack = card.layout === 'back';
  return {
    side: isBack ? 'back' : 'front',
    quad,
    template: card.layout,
    country: person.country,
    fields: isBack ? backFields(person) : frontFields(person),
  };
}

const nothing = {
  prefix: null,
  givenName: null,
  middleName: null,
  familyName: null,
  suffix: null,
  fullName: null,
  title: null,
  department: null,
  emails: [],
  phones: [],
  websites: [],
  address: null,
  social: [],
};

const backFields = (person: DemoPerson) => ({ ...nothing, company: person.company, companyPrinted: true });

function frontFields(person: DemoPerson) {
  return {
    ...nothing,
    prefix: person.prefix ?? null,
    givenName: person.givenName,
    middleName: person.middleName ?? null,
    familyName: person.familyName,
    suffix: person.suffix ?? null,
    fullName: [person.givenName, person.middleName, person.familyName].filter(Boolean).join(' '),
    title: person.title,
    department: person.department ?? null,
    company: person.company,
    companyPrinted: true,
    emails: person.emails,
    phones: person.phones.map(({ e164, kind, ext, printed }) => ({ e164, kind, printed, ...(ext && { ext }) })),
    websites: person.website ? [person.website.replace(/^www\./, '')] : [],
    address: {
      street: person.street,
      postalCode: person.postalCode,
      locality: person.locality,
      region: person.region ?? null,
      country: person.country,
    },
  };
}
