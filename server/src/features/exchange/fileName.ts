import { fold } from '@dossier/core/text';

/** Only letters, digits and hyphens, so that a name cannot become a path or a header. */
export const fileName = (name: string): string =>
  fold(name)
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 80) || 'person';
