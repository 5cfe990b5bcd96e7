import { SCOPES } from '@dossier/core/account';
import { type z } from 'zod';
import * as contract from '..';
import { EXAMPLES } from './examples';
import { openApiDocument } from './openApi';
import { API_ROUTES } from '.';

const document = openApiDocument() as {
  paths: Record<string, Record<string, { operationId: string; requestBody?: unknown; parameters?: { name: string; in: string; required: boolean }[] }>>; // prettier-ignore
  components: { schemas: Record<string, unknown> };
};
const operations = Object.values(document.paths).flatMap((path) => Object.values(path));

describe('the description of the API', () => {
  it('has every route once, under an id of its own, and names nothing that is not there', () => {
    expect(operations).toHaveLength(Object.keys(API_ROUTES).length);
    expect(new Set(operations.map(({ operationId }) => operationId)).size).toBe(operations.length);
    const named = [...JSON.stringify(document).matchAll(/"#\/components\/schemas\/(\w+)"/g)].map(([, name]) => name!);
    const known = Object.keys(document.components.schemas);
    expect([...new Set(named)].filter((name) => !known.includes(name))).toEqual([]);
    expect(known.filter((name) => !named.includes(name))).toEqual([]);
  });

  it('says which values of a query must be there', () => {
    const required = (path: string, method = 'get') =>
      document.paths[path]![method]!.parameters!.filter((one) => one.required).map(({ name }) => name);
    expect(required('/people')).toEqual([]);
    expect(required('/people/export')).toEqual(['format']);
    expect(required('/people/{id}')).toEqual(['id']);
    expect(required('/people', 'post')).toEqual(['Idempotency-Key']);
  });

  it('tells apart what is sent, which may leave out what is usual, from what is answered', () => {
    const { PersonFields, PersonFieldsSent } = document.components.schemas as Record<string, { required?: string[] }>;
    expect(PersonFields!.required).toContain('familyName');
    expect(PersonFieldsSent!.required ?? []).toEqual([]);
  });

  it('has examples that are as their schemas want them', () => {
    for (const [name, example] of Object.entries(EXAMPLES)) {
      const schema = (contract as Record<string, unknown>)[name] as z.ZodType;
      expect([name, schema.safeParse(example).error?.issues]).toEqual([name, undefined]);
    }
  });

  it('asks a scope that there is of whoever comes with a token', () => {
    for (const [name, { scope }] of Object.entries(API_ROUTES)) expect([name, [null, ...SCOPES]]).toEqual([name, expect.arrayContaining([scope])]); // prettier-ignore
    expect(API_ROUTES['POST /tokens']!.scope).toBeNull();
  });
});
