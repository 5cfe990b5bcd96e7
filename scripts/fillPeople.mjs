/**
 * Fills the first workspace of a database with drawn people and all that hangs on them, in minutes: `COPY` into every table with the
 * triggers asleep, then the listing made once.
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { featuresOf } from '@dossier/core/matching/people';
import { displayName, sortName } from '@dossier/core/people';
import { foldTight } from '@dossier/core/text';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { requirePostgres } from './systemPackages.mjs';

const TABLES = ['company', 'person', 'employment', 'contact_point', 'occasion', 'card', 'note', 'consent', 'task'];
const LISTED_AT_ONCE = 5_000;
const TAGS = 'cold chain,dock doors,loading bay,spare parts,visit,open day,exporter,fish,dairy,fruit,bakery,winery,nursery,brewery,mill,haulage,auction,harbour,canal,island,north,south,east,west,needs offer,has offer,service contract,winter,summer,trade fair'.split(','); // prettier-ignore
const NOTE_WORDS = 'leaking dock seal wants a visit before the season asked for prices of insulated doors two loading bays damp cellar new hall in spring knows our engineer prefers the telephone on mondays speaks about energy saving curtain torn hinge forklift ramp noise freezer tunnel budget approved committee later this year sample sent brochure german french'.split(' '); // prettier-ignore

/** A number that looks drawn and is the same every time. */
const drawn = (i, salt) => {
  let x = Math.imul(i + 1, 0x9e3779b1) ^ Math.imul(salt + 1, 0x85ebca6b);
  x = Math.imul(x ^ (x >>> 15), 0x2c1b3c6d);
  x = Math.imul(x ^ (x >>> 12), 0x297a2d39);
  return ((x ^ (x >>> 15)) >>> 0) / 2 ** 32;
};
const oneOf = (list, i, salt) => list[Math.floor(drawn(i, salt) * list.length)];

/** Text format of COPY. */
const cell = (value) =>
  value === null || value === undefined
    ? '\\N'
    : String(value).replace(/[\\\t\n\r]/g, (c) => ({ '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r' })[c]);
const array = (values) => `{${values.map((value) => JSON.stringify(value)).join(',')}}`;

/** @param people [{ id, fields }] @param url of the tables' owner */
export async function fillPeople(owner, url, people, tell = () => undefined) {
  const psql = join(await requirePostgres(), 'psql');
  const copy = async (table, columns, rows) => {
    tell(`${table} …`);
    const child = spawn(psql, ['-q', '-v', 'ON_ERROR_STOP=1', '-d', url, '-c', `copy ${table} (${columns.join(', ')}) from stdin`], { cwd: '/', stdio: ['pipe', 'inherit', 'inherit'] }); // prettier-ignore
    const closed = once(child, 'close');
    let lines = '';
    for (const row of rows) {
      lines += `${row.map(cell).join('\t')}\n`;
      if (lines.length < 1 << 18) continue;
      if (!child.stdin.write(lines)) await once(child.stdin, 'drain');
      lines = '';
    }
    child.stdin.end(lines);
    const [code] = await closed;
    if (code !== 0) throw new Error(`${table} could not be filled.`);
  };
  const {
    rows: [{ workspace, account }],
  } = await owner.query(
    `select w.id as workspace, a.id as account from workspace w join account a on a.workspace_id = w.id where a.email = 'ottilie@keldermoss.example'`,
  );
  const { rows: colleagues } = await owner.query('select id from account where workspace_id = $1 order by id', [
    workspace,
  ]);
  const owners = colleagues.map(({ id }) => id);
  for (const table of TABLES) await owner.query(`alter table ${table} disable trigger user`);
  const companies = new Map();
  for (const { fields } of people) {
    const key = foldTight(fields.company);
    if (key && !companies.has(key)) companies.set(key, { id: uuidv7(), name: fields.company });
  }
  const occasions = Array.from({ length: 40 }, (_, i) => ({ id: uuidv7(), name: `Cold Chain Days ${2006 + (i % 20)}, hall ${1 + Math.floor(i / 20)}` })); // prettier-ignore
  const at = people.map((_, i) => new Date(Date.UTC(2021, 0, 1) + Math.floor(drawn(i, 1) * 5 * 365) * 86_400_000 + i * 7).toISOString()); // prettier-ignore
  const some = (share, salt) => people.map((person, i) => ({ ...person, i })).filter(({ i }) => drawn(i, salt) < share);
  await copy('company', ['id', 'workspace_id', 'name', 'name_key', 'match_key'], [...companies].map(([key, { id, name }]) => [id, workspace, name, key, key])); // prettier-ignore
  await copy(
    'person',
    'id workspace_id kind owner_id tags prefix given_name middle_name family_name suffix full_name sort_name street postal_code locality region country more rating version keys_version created_at updated_at'.split(' '), // prettier-ignore
    (function* () {
      for (let i = 0; i < people.length; i++) {
        const { id, fields } = people[i];
        const tags = [...new Set(Array.from({ length: Math.floor(drawn(i, 2) * 4) }, (_, k) => oneOf(TAGS, i, 20 + k)))]; // prettier-ignore
        yield [
          id, workspace, drawn(i, 3) < 0.3 ? 'lead' : 'contact', oneOf(owners, i, 4), array(tags), fields.prefix, fields.givenName, fields.middleName,
          fields.familyName, fields.suffix, displayName(fields), sortName(fields), fields.street, fields.postalCode, fields.locality, fields.region,
          fields.country, '[]', oneOf(['Hot', 'Warm', 'Cold', null, null], i, 5), 1, 0, at[i], at[i],
        ]; // prettier-ignore
      }
    })(),
  );
  await copy(
    'employment',
    ['id', 'workspace_id', 'person_id', 'company_id', 'title', 'department', 'started_at'],
    people.map(({ id, fields }, i) => [uuidv7(), workspace, id, companies.get(foldTight(fields.company))?.id ?? null, fields.title, '', at[i]]), // prettier-ignore
  );
  await copy(
    'contact_point',
    ['id', 'workspace_id', 'person_id', 'kind', 'value', 'key', 'phone_kind', 'extension', 'position'],
    (function* () {
      for (const { id, fields } of people) {
        const { phones } = featuresOf(fields);
        for (const [k, value] of fields.emails.entries())
          yield [uuidv7(), workspace, id, 'email', value, value.toLowerCase(), null, '', k];
        for (const [k, key] of phones.entries()) yield [uuidv7(), workspace, id, 'phone', key, key, 'work', '', 10 + k];
      }
    })(),
  );
  await copy('occasion', ['id', 'workspace_id', 'name', 'place', 'tags', 'kind', 'languages', 'closed', 'created_at'], occasions.map(({ id, name }) => [id, workspace, name, 'Port Ellery', '{}', 'contact', '{}', false, at[0]])); // prettier-ignore
  await copy(
    'card',
    [
      'id',
      'workspace_id',
      'state',
      'reading_id',
      'reading',
      'proposals',
      'engine',
      'person_id',
      'taken_at',
      'occasion_id',
    ],
    some(0.6, 6).map(({ id, i }) => [uuidv7(), workspace, 'filed', uuidv7(), '{}', '[]', 'drawn', id, at[i], oneOf(occasions, i, 7).id]), // prettier-ignore
  );
  await copy(
    'note',
    ['id', 'workspace_id', 'person_id', 'author_id', 'text', 'at'],
    some(0.35, 8).map(({ id, i }) => [uuidv7(), workspace, id, oneOf(owners, i, 4), Array.from({ length: 6 + Math.floor(drawn(i, 9) * 24) }, (_, k) => oneOf(NOTE_WORDS, i, 40 + k)).join(' '), at[i]]), // prettier-ignore
  );
  await copy(
    'consent',
    ['id', 'workspace_id', 'person_id', 'channels', 'scope', 'wording', 'how', 'given_at', 'by'],
    some(0.3, 10).map(({ id, i }) => [uuidv7(), workspace, id, array(drawn(i, 11) < 0.5 ? ['email'] : ['email', 'phone']), 'Offers', '', 'spoken', at[i], account]), // prettier-ignore
  );
  await copy(
    'task',
    ['id', 'workspace_id', 'person_id', 'text', 'due_on', 'owner_id', 'made_by', 'made_at'],
    some(0.1, 12).map(({ id, i }) => [uuidv7(), workspace, id, 'Call back', `2026-${String(1 + (i % 12)).padStart(2, '0')}-${String(1 + (i % 28)).padStart(2, '0')}`, oneOf(owners, i, 4), account, at[i]]), // prettier-ignore
  );
  await owner.query('analyze');
  await listEverybody(url, people, tell);
  for (const table of TABLES) await owner.query(`alter table ${table} enable trigger user`);
  await owner.query('select count_staff_later(array(select id from company)), count_staff()');
  tell('vacuum …');
  await owner.query('vacuum analyze');
}

/** As many connections as a small machine has cores, each with the next some. */
async function listEverybody(url, people, tell) {
  let next = 0;
  const one = async () => {
    const client = new pg.Client({ connectionString: url, options: '-c jit=off' });
    await client.connect();
    for (let from = next; from < people.length; from = next) {
      next = from + LISTED_AT_ONCE;
      tell(`listing ${from}/${people.length}`);
      await client.query('select list_people_again($1)', [people.slice(from, next).map(({ id }) => id)]);
    }
    await client.end();
  };
  await Promise.all([one(), one()]);
}
