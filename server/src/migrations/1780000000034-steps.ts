import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How somebody came to be here, which is never told again by what happens to them later. */
const SOURCE = `
alter table person add column source text not null default 'card';
update person set source = 'text' where exists (select from card k where k.person_id = person.id and k.front_card_id is null)
  and not exists (select from card k where k.person_id = person.id and k.photo_id is not null);
update person set source = 'file' where exists (select from import_row r where r.person_id = person.id and r.outcome = 'created');
`;

/** The days of the steps that everybody has taken stand in one place, from which figures are told: going through all messages for each takes too long. */
const STEPS = ['owner_id', 'met_at', 'card_filed_at', 'written_at', 'answered_at', 'qualified_at'] as const;
const COLUMNS = `
alter table person_listing add column owner_id uuid, add column met_at timestamptz, add column card_filed_at timestamptz,
  add column written_at timestamptz, add column answered_at timestamptz, add column qualified_at timestamptz;
`;
const INDEX = `create index person_listing_steps on person_listing (workspace_id, filed_at) include (person_id, ${STEPS.join(', ')});`;

const FACETS = ['occasion', 'kind', 'owner', 'tag', 'rating', 'company', 'country', 'town', 'consent', 'task', 'email', 'phone', 'lead', 'status', 'reason', 'written', 'reached']; // prettier-ignore
const facetNumber = (facets: readonly string[]): string => `
create or replace function facet_number(facet text) returns bigint language sql immutable parallel safe as $$
  select array_position('{${facets.join(',')}}'::text[], facet)::bigint
$$;`;

const WROTE = `exists (select from message m where m.person_id = p.id and m.direction = 'out' and m.state = 'sent') as wrote,
          exists (select from message m where m.person_id = p.id and m.direction = 'in' and m.kind = 'answer') as answered,`;
const FIRST_MAIL = `first_mail.written_at is not null as wrote, first_mail.answered_at is not null as answered,`;
const WENT = `cross join lateral (select
          `;
const FIRSTS = `cross join lateral (select min(m.at) filter (where m.direction = 'out' and m.state = 'sent') as written_at,
          min(m.at) filter (where m.direction = 'in' and m.kind = 'answer') as answered_at from message m where m.person_id = p.id) first_mail
      cross join lateral (select min(k.taken_at) as met_at, min(k.filed_at) as card_filed_at from card k
        where k.person_id = p.id and k.front_card_id is null) first_card
      `;
const MADE = `coalesce(points.digits, '') as digits
    from person p`;
const PLACES = `(person_id, workspace_id, bucket, sort_name, sort_company, filed_at, touched_at, next_on, marks, words, name_words, digits)`;
const VALUES = `word_numbers(name_words || first_letters(name_words)), digits`;
const SET = `name_words = excluded.name_words, digits = excluded.digits`;
const WERE = `l.name_words, l.digits)`;
const ARE = `excluded.marks, excluded.words, excluded.name_words, excluded.digits)`;
const each = (prefix: string): string => STEPS.map((step) => `${prefix}${step}`).join(', ');
const MORE: readonly (readonly [from: string, to: string])[] = [
  [`('owner', p.owner_id::text),`, `('owner', p.owner_id::text), ('source', p.source),`],
  [`${WENT}${WROTE}`, `${FIRSTS}${WENT}${FIRST_MAIL}`],
  [MADE, MADE.replace('digits\n', 'digits,\n      p.owner_id, first_card.met_at, first_card.card_filed_at, first_mail.written_at, first_mail.answered_at, p.qualified_at\n')], // prettier-ignore
  [PLACES, PLACES.replace('digits)', `digits, ${each('')})`)],
  [VALUES, `${VALUES}, ${each('')}`],
  [SET, `${SET}, ${STEPS.map((step) => `${step} = excluded.${step}`).join(', ')}`],
  [WERE, WERE.replace(')', `, ${each('l.')})`)],
  [ARE, ARE.replace('digits)', `digits, ${each('excluded.')})`)],
];

async function listWith(runner: QueryRunner, changes: readonly (readonly [from: string, to: string])[]): Promise<void> {
  const [{ def }] = (await runner.query(`select pg_get_functiondef('list_people_now(uuid[])'::regprocedure) as def`)) as [{ def: string }]; // prettier-ignore
  let changed = def;
  for (const [from, to] of changes) {
    if (!changed.includes(from)) throw new Error('The function that lists people is not the one that is known here.');
    changed = changed.replace(from, to);
  }
  await runner.query(changed);
}

const EVERYBODY = 'select list_people_now(array(select id from person where deleted_at is null))';

/** How somebody came, and when each step was taken, where lists and figures find it. */
export class Steps1780000000034 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(SOURCE);
    await runner.query(COLUMNS);
    await runner.query(facetNumber([...FACETS, 'source']));
    await listWith(runner, MORE);
    await runner.query(EVERYBODY);
    await runner.query(INDEX);
  }

  async down(runner: QueryRunner): Promise<void> {
    await listWith(runner, MORE.map(([from, to]) => [to, from] as const)); // prettier-ignore
    await runner.query(EVERYBODY);
    await runner.query(`
      ${facetNumber(FACETS)}
      drop index person_listing_steps;
      alter table person_listing ${STEPS.map((step) => `drop column ${step}`).join(', ')};
      alter table person drop column source;`);
  }
}
