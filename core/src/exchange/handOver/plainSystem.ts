/** How one kind of records is reached, as most systems have it: all of them behind one path, each behind its reference. */
export interface PlainKind {
  /** Empty where there are none. */
  path: string;
  /** Behind the path, in the order in which they are tried: `?mail={MAIL}`. */
  find: readonly string[];
}

/** Where in its answers things stand, alike for all kinds. */
export interface PlainAnswers {
  change: 'PATCH' | 'PUT';
  onceHeader: string;
  bodyAt: string;
  refAt: string;
  linkAt: string;
  foundAt: string;
  foundRefAt: string;
  foundLinkAt: string;
  foundValuesAt: string;
}

interface PlainHanging extends PlainKind {
  of: string;
  /** Their field that takes what it is called here. */
  ours: string;
  isChanged: boolean;
}

/** What its fields are called there; empty where it has none. */
interface OpportunityFields {
  title: string;
  value: string;
  currency: string;
  stage: string;
  state: string;
  expected: string;
  reason: string;
}

/** Another system as a form shows it. */
export interface PlainSystem {
  lead: PlainKind;
  contact: PlainKind;
  company: PlainKind;
  answers: PlainAnswers;
  note: PlainHanging & { words: string };
  task: PlainHanging & { words: string; due: string; done: string };
  picture: PlainHanging & { bytes: string; side: string };
  opportunity: PlainHanging & OpportunityFields;
  describe: { path: string; leadAt: string; contactAt: string; companyAt: string };
}

interface Shape {
  method: 'GET' | 'POST' | 'PUT' | 'PATCH';
  path: string;
}
interface SetUpObject {
  find: (Shape & { at: string | null })[];
  create: Shape;
  update: Shape;
  onceHeader: string | null;
  bodyAt: string;
  refAt: string;
  linkAt: string;
  found: { at: string; refAt: string; linkAt: string; valuesAt: string };
}
interface SetUpHanging {
  find: SetUpObject['find'];
  found: SetUpObject['found'];
  ours: string;
  create: Shape;
  update: Shape | null;
  onceHeader: string | null;
  of: string;
  refAt: string;
}
/** As it is kept. */
export interface SetUpSystem {
  objects: {
    lead: SetUpObject;
    contact: SetUpObject;
    company: SetUpObject | null;
    note: (SetUpHanging & { words: string }) | null;
    task: (SetUpHanging & { words: string; due: string; done: string }) | null;
    picture: (SetUpHanging & { bytes: string; side: string }) | null;
    opportunity: (SetUpHanging & OpportunityFields) | null;
  };
  describe: { path: string; leadAt: string; contactAt: string; companyAt: string } | null;
}

const NOTHING_HANGING: PlainHanging = { path: '', find: [], of: '', ours: '', isChanged: true };

export const EMPTY_PLAIN_SYSTEM: PlainSystem = {
  lead: { path: '', find: [] },
  contact: { path: '', find: [] },
  company: { path: '', find: [] },
  answers: { change: 'PATCH', onceHeader: '', bodyAt: '', refAt: 'id', linkAt: '', foundAt: '0', foundRefAt: 'id', foundLinkAt: '', foundValuesAt: '' }, // prettier-ignore
  note: { ...NOTHING_HANGING, words: '' },
  task: { ...NOTHING_HANGING, words: '', due: '', done: '' },
  picture: { ...NOTHING_HANGING, isChanged: false, bytes: '', side: '' },
  opportunity: { ...NOTHING_HANGING, title: '', value: '', currency: '', stage: '', state: '', expected: '', reason: '' }, // prettier-ignore
  describe: { path: '', leadAt: '', contactAt: '', companyAt: '' },
};

/** What is asked of a system that is set up so. */
export function setUpOf({ answers, ...plain }: PlainSystem): SetUpSystem {
  const onceHeader = answers.onceHeader || null;
  const behind = (path: string) => ({ method: answers.change, path: `${path}/{ref}` });
  const looked = ({ path, find }: PlainKind): Pick<SetUpObject, 'find' | 'found'> => ({
    find: find.map((query) => ({ method: 'GET', path: path + query, at: null })),
    found: { at: answers.foundAt, refAt: answers.foundRefAt, linkAt: answers.foundLinkAt, valuesAt: answers.foundValuesAt }, // prettier-ignore
  });
  const object = ({ path, find }: PlainKind): SetUpObject => ({
    ...looked({ path, find }),
    create: { method: 'POST', path },
    update: behind(path),
    onceHeader,
    bodyAt: answers.bodyAt,
    refAt: answers.refAt,
    linkAt: answers.linkAt,
  });
  const hanging = <T extends PlainHanging>({ path, find, isChanged, ...rest }: T) =>
    path ? { ...rest, ...looked({ path, find }), create: { method: 'POST' as const, path }, update: isChanged ? behind(path) : null, onceHeader, refAt: answers.refAt } : null; // prettier-ignore
  return {
    objects: {
      lead: object(plain.lead),
      contact: object(plain.contact),
      company: plain.company.path ? object(plain.company) : null,
      note: hanging(plain.note),
      task: hanging(plain.task),
      picture: hanging(plain.picture),
      opportunity: hanging(plain.opportunity),
    },
    describe: plain.describe.path ? plain.describe : null,
  };
}

/** As a form shows it; null for a system that was set up in a way that no form shows. */
export function plainOf(system: SetUpSystem): PlainSystem | null {
  // Those that were set up before business went along, or what hangs on people was looked for, have no word of it.
  const none = { find: [], found: system.objects.lead.found, ours: '' };
  const whole = <T extends SetUpHanging>(one: T | null | undefined): T | null =>
    one ? Object.assign({}, none, one) : null;
  const given = system.objects;
  const objects = { ...given, note: whole(given.note), task: whole(given.task), picture: whole(given.picture), opportunity: whole(given.opportunity) }; // prettier-ignore
  const { lead, contact, company, note, task, picture, opportunity } = objects;
  const kind = ({ create: { path }, find }: Pick<SetUpObject, 'create' | 'find'>): PlainKind => ({ path, find: find.map((one) => one.path.slice(path.length)) }); // prettier-ignore
  const hanging = <T extends SetUpHanging, E>(one: T | null, empty: E) => {
    if (!one) return empty;
    const { create, update, onceHeader, refAt, find, found, ...rest } = one;
    void [onceHeader, refAt, found];
    return { ...rest, ...kind({ create, find }), isChanged: update !== null };
  };
  const plain = {
    lead: kind(lead),
    contact: kind(contact),
    company: company ? kind(company) : EMPTY_PLAIN_SYSTEM.company,
    answers: {
      change: lead.update.method as PlainAnswers['change'],
      onceHeader: lead.onceHeader ?? '',
      bodyAt: lead.bodyAt,
      refAt: lead.refAt,
      linkAt: lead.linkAt,
      foundAt: lead.found.at,
      foundRefAt: lead.found.refAt,
      foundLinkAt: lead.found.linkAt,
      foundValuesAt: lead.found.valuesAt,
    },
    note: hanging(note, EMPTY_PLAIN_SYSTEM.note),
    task: hanging(task, EMPTY_PLAIN_SYSTEM.task),
    picture: hanging(picture, EMPTY_PLAIN_SYSTEM.picture),
    opportunity: hanging(opportunity, EMPTY_PLAIN_SYSTEM.opportunity),
    describe: system.describe ?? EMPTY_PLAIN_SYSTEM.describe,
  } as PlainSystem;
  return isAlike(setUpOf(plain), { objects, describe: system.describe }) ? plain : null;
}

/** Whatever the order of their keys. */
function isAlike(one: unknown, other: unknown): boolean {
  if (typeof one !== 'object' || typeof other !== 'object' || one === null || other === null) return one === other;
  const [a, b] = [one, other] as [Record<string, unknown>, Record<string, unknown>];
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => isAlike(a[key], b[key]));
}
