import { targetOfHeader } from '../bringIn/headers';
import { sentAs, type HandOverRule, type OutsideField } from './mapping';
import type { HandOverStep } from './steps';

const FIRST: HandOverStep = { do: 'first' };
/** What is known of a person for each of what a column can be, and how several become one. */
const SOURCE_OF: Readonly<Record<string, { from: string; steps?: readonly HandOverStep[] }>> = {
  email: { from: 'emails', steps: [FIRST] },
  phone: { from: 'workPhones', steps: [FIRST] },
  mobile: { from: 'mobiles', steps: [FIRST] },
  fax: { from: 'faxes', steps: [FIRST] },
  website: { from: 'websites', steps: [FIRST] },
  note: { from: 'notes', steps: [{ do: 'join', with: '\n\n' }] },
  tags: { from: 'tags' },
  ...Object.fromEntries(
    'prefix givenName middleName familyName suffix fullName title department company address street postalCode locality region country rating owner' // prettier-ignore
      .split(' ')
      .map((key) => [key, { from: key }]),
  ),
};

/** What may go into the fields of another system, by what they are called; the others are left to whoever knows them. */
export function proposeRules(fields: readonly OutsideField[]): HandOverRule[] {
  const taken = new Set<string>();
  return fields.flatMap((field) => {
    const target = targetOfHeader(field.label) ?? targetOfHeader(field.name);
    const source = target ? SOURCE_OF[target] : undefined;
    // Two fields of the same name would hold the same.
    if (!source || taken.has(source.from)) return [];
    taken.add(source.from);
    const asWanted: HandOverStep[] = [
      ...(source.from === 'country' && field.longest === 2 ? [{ do: 'countryCode' as const }] : []),
      ...(field.longest && field.longest > 2 && field.type === 'text' ? [{ do: 'cut' as const, length: field.longest }] : []), // prettier-ignore
    ];
    return [
      {
        to: field.name,
        from: [source.from],
        fixed: null,
        steps: [...(source.steps ?? []), ...asWanted],
        as: sentAs(field),
      },
    ];
  });
}
