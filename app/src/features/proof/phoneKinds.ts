import type { PhoneKind } from '@dossier/core/reading/fields';

export const PHONE_KINDS: readonly { value: PhoneKind; label: string }[] = [
  { value: 'work', label: 'work' },
  { value: 'mobile', label: 'mobile' },
  { value: 'fax', label: 'fax' },
];
