/**
 * What a program can be let do with a token.
 *
 * - `people:read` people and firms, with their history, lists and figures
 * - `people:write` people and firms are filed, changed, brought together, brought in, deleted
 * - `cards:read` photographs and cards, with what was read of them
 * - `pictures:send` pictures and texts are sent to be read
 * - `export` many people at once leave as a file
 * - `settings` how the workspace works, who is in it, its backups
 */
export const SCOPES = ['people:read', 'people:write', 'cards:read', 'pictures:send', 'export', 'settings'] as const;
export type Scope = (typeof SCOPES)[number];
