import { SCOPES, type Scope } from '@dossier/core/account';

/** What a program may do, in words for whoever lets it. */
export const SCOPE_WORDS: Readonly<Record<Scope, string>> = {
  'people:read': 'See people and firms',
  'people:write': 'File, change and delete people and firms',
  'cards:read': 'See photographs and cards',
  'pictures:send': 'Send pictures and texts to be read',
  export: 'Take many people out as a file',
  settings: 'Look at and change settings',
};

export const scopesInWords = (scopes: readonly Scope[]): string =>
  SCOPES.filter((scope) => scopes.includes(scope))
    .map((scope) => SCOPE_WORDS[scope])
    .join('. ');
