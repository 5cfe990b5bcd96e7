import { REPEATABLE_FIELDS, type FieldName } from '../reading/fields';
import { nameParts } from '../reading/names/personName';
import { isDepartment } from '../text/departments';
import { naturalCompany, naturalName, naturalTitle } from '../text/naturalCase';
import type { DraftField } from './draft';
import type { PartMove } from './moves';

const NAME_FIELDS: readonly FieldName[] = ['givenName', 'middleName', 'familyName'];

/**
 * Parts that are commonly in the wrong field: letters after a family name, a form of address before a name, a middle
 * name with the given one, a department behind a title.
 */
export function partsToMove({ field, value }: Pick<DraftField, 'field' | 'value'>): PartMove[] {
  const part = (text: string, to: FieldName): PartMove[] => {
    const from = value.lastIndexOf(text);
    return text && from >= 0 && text !== value ? [{ from, to: from + text.length, text, field: to }] : [];
  };
  if (NAME_FIELDS.includes(field)) {
    // A lone surname with letters is no whole name: one is put in front of it.
    const { prefixes, suffixes } = nameParts(field === 'familyName' ? `A ${value}` : value);
    const before = field === 'familyName' ? [] : part(prefixes.join(' '), 'prefix');
    const behind = suffixes.flatMap((suffix) => part(suffix, 'suffix'));
    const words = value.trim().split(/\s+/);
    const middle = field === 'givenName' && words.length > 1 && before.length === 0 ? part(words.slice(1).join(' '), 'middleName') : []; // prettier-ignore
    return [...before, ...behind, ...middle];
  }
  if (field === 'title') {
    const pieces = value.split(/\s*(?:[,;·•|/]|\s[–—-]\s)\s*/).filter(Boolean);
    return pieces.length > 1 ? pieces.filter(isDepartment).flatMap((piece) => part(piece, 'department')) : [];
  }
  return [];
}

/**
 * A text in natural case when it shouts or whispers, else in capitals: what a person wants is either the one or the
 * other. The same again brings it back.
 */
export function otherCase({ field, value }: Pick<DraftField, 'field' | 'value'>, country?: string): string {
  const natural = naturalOf(field, value, country);
  return natural === value ? value.toUpperCase() : natural;
}

function naturalOf(field: FieldName, value: string, country?: string): string {
  if (REPEATABLE_FIELDS.includes(field)) return value.toLowerCase();
  if (field === 'title' || field === 'department') return naturalTitle(value, country);
  if (field === 'company') return naturalCompany(value);
  return naturalName(value);
}
