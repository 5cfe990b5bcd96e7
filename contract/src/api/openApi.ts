import { SCOPES } from '@dossier/core/account';
import { z } from 'zod';
import * as contract from '..';
import { isBytes, type Bytes, type DescribedRoute } from './describedRoute';
import { exampleOf } from './examples';
import { API_GROUPS, API_ROUTES } from '.';

type Json = Record<string, unknown>;
type Way = 'input' | 'output';

const REF = '#/components/schemas/';
const SCOPE_WORDS: Readonly<Record<(typeof SCOPES)[number], string>> = {
  'people:read': 'read people and firms',
  'people:write': 'file, change, bring in and delete people and firms',
  'cards:read': 'read photographs, cards and what was read of them',
  'pictures:send': 'send pictures and texts to be read',
  export: 'take many people out as a file',
  settings: 'how the workspace works',
};

const ABOUT = `Everything that the application does, for programs. Send a token that an administrator made in the settings:
\`Authorization: Bearer dossier_…\`. What it may do is written beside each route.

Times are RFC 3339, ids UUIDs, bodies JSON in UTF-8. Lists come a page at a time: pass \`next\` of an answer as \`cursor\`. What cannot be done
is answered with a problem document (RFC 9457) that says in \`detail\` what to do; its \`code\` is for programs. What may be repeated without
harm says so: by an id of one's own making, or by the header \`Idempotency-Key\`. A token has so many requests a minute; beyond, the
answer is 429 with \`Retry-After\`.`;

/** Codes of problems that every route may answer with. */
const PROBLEMS: Readonly<Record<number, string>> = {
  400: 'invalid-request, unwritable-text: what was sent is not as described; errors names the places',
  401: 'not-signed-in, unknown-token: without a token, or with one that is none any more',
  403: 'not-in-scope, not-for-your-role, other-origin: the token, or whoever made it, may not do that',
  404: 'not-found: there is nothing under this id, or it is of another workspace',
  409: 'it was changed meanwhile, or is not in a state in which that can be done; the code says which',
  429: 'too-many-requests: wait as long as Retry-After says',
  503: 'busy or away: try again after as long as Retry-After says',
};

/** What stands in a path and is no id. */
const PATH_VALUES: Readonly<Record<string, Json>> = {
  number: { type: 'integer' },
  kind: { type: 'string', enum: ['lead', 'contact'] },
};

/**
 * The description of the API (OpenAPI 3.1), made from the schemas that requests and answers are checked with.
 * @param address where the API is
 */
export function openApiDocument(address = '/api/v1'): Json {
  const names = new SchemaNames();
  const paths: Record<string, Json> = {};
  for (const [name, route] of Object.entries(API_ROUTES)) {
    const [method, path] = name.split(' ') as [string, string];
    const at = path.replace(/:(\w+)/g, '{$1}');
    (paths[at] ??= {})[method.toLowerCase()] = operation(method, path, route, names);
  }
  const complete = names.complete(paths);
  return {
    openapi: '3.1.0',
    info: { title: 'Dossier', version: '1', description: ABOUT },
    servers: [{ url: address }],
    security: [{ token: [] }],
    tags: API_GROUPS.map(({ name }) => ({ name })),
    paths: complete.paths,
    components: {
      securitySchemes: { token: { type: 'http', scheme: 'bearer', description: `What a token may do: ${SCOPES.map((scope) => `\`${scope}\` ${SCOPE_WORDS[scope]}`).join('; ')}.` } }, // prettier-ignore
      schemas: complete.schemas,
    },
  };
}

function operation(method: string, path: string, route: DescribedRoute, names: SchemaNames): Json {
  const { about, scope, status = 200, query, body, otherBodies = [], answer, otherAnswers = {}, headers = {} } = route;
  const id = idOf(method, path);
  const parameters = [
    ...[...path.matchAll(/:(\w+)/g)].map(([, key]) => ({
      name: key,
      in: 'path',
      required: true,
      schema: PATH_VALUES[key!] ?? { type: 'string', format: 'uuid' },
    })),
    ...Object.entries(headers).map(([name, description]) => ({ name, in: 'header', required: !description.includes('may be left out'), description, schema: { type: 'string' } })), // prettier-ignore
    ...(query ? queryParameters(query) : []),
  ];
  const answers: Record<string, Json> = {};
  for (const [code, what] of [[status, answer] as const, ...Object.entries(otherAnswers)])
    answers[code] = {
      description: what ? (isBytes(what) ? what.about : 'As asked for.') : 'Done.',
      ...(what && { content: contentOf(what, 'output', `${id}Answer`, names) }),
    };
  for (const [code, description] of Object.entries(PROBLEMS))
    answers[code] = {
      description,
      content: { 'application/problem+json': { schema: names.refer(contract.Problem, 'output', 'Problem') } },
    };
  return {
    operationId: id,
    summary: about,
    description: scope ? `A token needs the scope \`${scope}\`.` : 'For somebody who is signed in: no token is enough.',
    tags: [API_GROUPS.find(({ routes }) => `${method} ${path}` in routes)!.name],
    ...(scope ? { 'x-scope': scope } : { security: [] }),
    ...(parameters.length > 0 && { parameters }),
    ...(body && {
      requestBody: {
        required: true,
        content: Object.assign(
          contentOf(body, 'input', `${id}Body`, names),
          ...otherBodies.map((other) => contentOf(other, 'input', '', names)),
        ) as Json,
      },
    }),
    responses: answers,
  };
}

function contentOf(what: z.ZodType | Bytes, way: Way, name: string, names: SchemaNames): Json {
  if (!isBytes(what)) return { 'application/json': { schema: names.refer(what, way, name) } };
  return Object.fromEntries(what.types.map((type) => [type, { schema: { type: 'string', format: 'binary' } }]));
}

/** Each of a query's values as a parameter; what may stand several times is an array. */
function queryParameters(query: z.ZodType): Json[] {
  const { properties = {} } = z.toJSONSchema(query, { io: 'input', unrepresentable: 'any' }) as { properties?: Record<string, Json> }; // prettier-ignore
  // What is read from text before it is checked does not say that it may be left out.
  const missing = new Set(query.safeParse({}).error?.issues.map(({ path }) => path[0]));
  return Object.entries(properties).map(([name, schema]) => ({ name, in: 'query', required: missing.has(name), schema })); // prettier-ignore
}

/**
 * Schemas by the names under which the contract has them; what has none is called after its route. What is sent may leave out what is
 * usual, what is answered never does: where they differ they are two.
 */
class SchemaNames {
  private readonly registry = z.registry<{ id: string; examples?: unknown[] }>();
  private readonly wanted = { input: new Set<string>(), output: new Set<string>() };

  constructor() {
    for (const [id, value] of Object.entries(contract))
      if (value instanceof z.ZodType && !this.registry.has(value)) this.registry.add(value, { id, ...exampleOf(id) });
  }

  refer(schema: z.ZodType, way: Way, otherwise: string): Json {
    if (!this.registry.has(schema)) this.registry.add(schema, { id: otherwise });
    const { id } = this.registry.get(schema)!;
    this.wanted[way].add(id);
    // Told apart in the end, see `schemas`.
    return { $ref: way === 'input' ? REF + id + SENT : REF + id };
  }

  /** Puts the schemas that are in use beside what refers to them. */
  complete(paths: Json): { paths: Json; schemas: Json } {
    const answered = this.reachable('output');
    const sent = this.reachable('input');
    const schemas: Json = { ...answered };
    let said = JSON.stringify({ paths, sent });
    for (const [name, schema] of Object.entries(sent)) {
      const plain = name.slice(0, -SENT.length);
      const isSame =
        !(plain in answered) || JSON.stringify(schema).replaceAll(SENT, '') === JSON.stringify(answered[plain]);
      if (isSame) said = said.replaceAll(`"${REF}${name}"`, `"${REF}${plain}"`).replaceAll(`"${name}":`, `"${plain}":`);
    }
    const told = JSON.parse(said) as { paths: Json; sent: Json };
    return { paths: told.paths, schemas: Object.fromEntries(Object.entries({ ...schemas, ...told.sent }).sort()) };
  }

  private reachable(io: Way): Record<string, Json> {
    const suffix = io === 'input' ? SENT : '';
    const { schemas } = z.toJSONSchema(this.registry, { io, unrepresentable: 'any', uri: (name) => REF + name + suffix }) as { schemas: Record<string, Json> }; // prettier-ignore
    const found: Record<string, Json> = {};
    const open = [...this.wanted[io]];
    for (let name = open.pop(); name !== undefined; name = open.pop()) {
      if (name + suffix in found) continue;
      const { $schema: _, $id: __, id: ___, ...schema } = schemas[name]!;
      found[name + suffix] = schema;
      for (const [, other] of JSON.stringify(schema).matchAll(/"#\/components\/schemas\/(\w+)"/g))
        open.push(other!.slice(0, other!.length - suffix.length));
    }
    return found;
  }
}

const SENT = 'Sent';

/** getPeopleId, for GET /people/:id. */
const idOf = (method: string, path: string): string =>
  method.toLowerCase() +
  path
    .split(/[^a-z\d]+/i)
    .filter(Boolean)
    .map((word) => word[0]!.toUpperCase() + word.slice(1))
    .join('');
