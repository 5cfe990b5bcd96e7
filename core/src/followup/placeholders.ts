/** What a template can be filled in with, by the group it is chosen from. Own fields are `own:` and their name. */
export const PLACEHOLDERS = {
  greeting: { group: 'Person', label: 'Greeting' },
  givenName: { group: 'Person', label: 'Given name' },
  familyName: { group: 'Person', label: 'Family name' },
  fullName: { group: 'Person', label: 'Full name' },
  title: { group: 'Work', label: 'Title' },
  department: { group: 'Work', label: 'Department' },
  company: { group: 'Work', label: 'Company' },
  locality: { group: 'Work', label: 'Town' },
  occasion: { group: 'Meeting', label: 'Occasion' },
  occasionPlace: { group: 'Meeting', label: 'Place of the occasion' },
  noteLine: { group: 'Meeting', label: 'Note’s line' },
  senderName: { group: 'Sender', label: 'Sender’s name' },
  senderAddress: { group: 'Sender', label: 'Sender’s address' },
  team: { group: 'Sender', label: 'Team' },
} as const satisfies Record<string, { group: string; label: string }>;
export type PlaceholderName = keyof typeof PLACEHOLDERS;
export type Placeholder = PlaceholderName | `own:${string}`;

const OWN = 'own:';
export const ownPlaceholder = (name: string): Placeholder => `${OWN}${name}`;
export const isPlaceholder = (text: string): text is Placeholder =>
  Object.hasOwn(PLACEHOLDERS, text) || (text.startsWith(OWN) && text.length > OWN.length);

export const placeholderLabel = (field: Placeholder): string =>
  field.startsWith(OWN) ? field.slice(OWN.length) : PLACEHOLDERS[field as PlaceholderName].label;

/** What is known for one person; text that is missing or empty is not known. */
export type PlaceholderValues = Partial<Record<Placeholder, string>>;
