/** What a template can be filled in with, and what it is called. Own fields are `own:` and their name. */
export const PLACEHOLDERS = {
  greeting: 'Greeting',
  givenName: 'Given name',
  familyName: 'Family name',
  fullName: 'Full name',
  title: 'Title',
  department: 'Department',
  company: 'Company',
  locality: 'Town',
  occasion: 'Occasion',
  occasionPlace: 'Place of the occasion',
  noteLine: 'Note’s line',
  senderName: 'Sender’s name',
  senderAddress: 'Sender’s address',
  team: 'Team',
} as const satisfies Record<string, string>;
export type PlaceholderName = keyof typeof PLACEHOLDERS;
export type Placeholder = PlaceholderName | `own:${string}`;

const OWN = 'own:';
export const ownPlaceholder = (name: string): Placeholder => `${OWN}${name}`;
export const isPlaceholder = (text: string): text is Placeholder =>
  Object.hasOwn(PLACEHOLDERS, text) || (text.startsWith(OWN) && text.length > OWN.length);

export const placeholderLabel = (field: Placeholder): string =>
  field.startsWith(OWN) ? field.slice(OWN.length) : PLACEHOLDERS[field as PlaceholderName];

/** What is known for one person; text that is missing or empty is not known. */
export type PlaceholderValues = Partial<Record<Placeholder, string>>;
