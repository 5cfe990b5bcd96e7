import type { MigrationInterface, QueryRunner } from 'typeorm';
import { facetNumber, listWith } from './listFunction';

/** How somebody came to be here, which is never told again by what happens to them later. */
const SOURCE = `
alter table person add column source text not null default 'card';
update person set source = 'text' where exists (select from card k where k.person_id = person.id and k.front_card_id is null)
  and not exists (select from card k where k.person_id = person.id and k.photo_id is not null);
update person set source = 'file' where exists (select from import_row r where r.person_id = person.id and r.outcome = 'created');
`;

/**
 * What figures tell of everybody stands in one place, and all of it in an index: going through cards, messages and business for each takes
 * too long.
 */
const STEPS = {
  owner_id: 'uuid',
  source: 'text',
  /** Where cards of theirs were received. */
  occasions: 'uuid[]',
  /** How far whoever is or was a lead has come. */
  reached: 'text',
  closed_why: 'text',
  met_at: 'timestamptz',
  card_filed_at: 'timestamptz',
  written_at: 'timestamptz',
  answered_at: 'timestamptz',
  qualified_at: 'timestamptz',
} as const;
const NAMES = Object.keys(STEPS) as (keyof typeof STEPS)[];
const COLUMNS = `alter table person_listing ${NAMES.map((name) => `add column ${name} ${STEPS[name]}`).join(', ')};`;
const INDEX = `create index person_listing_steps on person_listing (workspace_id, filed_at) include (person_id, ${NAMES.join(', ')});`;

const FACETS = ['occasion', 'kind', 'owner', 'tag', 'rating', 'company', 'country', 'town', 'consent', 'task', 'email', 'phone', 'lead', 'status', 'reason', 'written', 'reached']; // prettier-ignore

const WROTE = `exists (select from message m where m.person_id = p.id and m.direction = 'out' and m.state = 'sent') as wrote,
          exists (select from message m where m.person_id = p.id and m.direction = 'in' and m.kind = 'answer') as answered,`;
const FIRST_MAIL = `first_mail.written_at is not null as wrote, first_mail.answered_at is not null as answered,`;
const WENT = `cross join lateral (select
          `;
const FIRSTS = `cross join lateral (select min(m.at) filter (where m.direction = 'out' and m.state = 'sent') as written_at,
          min(m.at) filter (where m.direction = 'in' and m.kind = 'answer') as answered_at from message m where m.person_id = p.id) first_mail
      cross join lateral (select min(k.taken_at) as met_at, min(k.filed_at) as card_filed_at
        from card k where k.person_id = p.id and k.front_card_id is null) met
      `;
const REACHED = `case when p.kind = 'contact' and p.qualified_at is null then null when went.won then 'won' when went.business then 'business'
            when p.qualified_at is not null then 'qualified' when went.answered then 'answered' when went.wrote then 'written' else 'filed' end`;
const NAMED = `cross join lateral (select folded_words(p.full_name) as words) named`;
const FAR = `cross join lateral (select ${REACHED} as reached, case when p.kind = 'lead' then p.closed->>'reason' end as closed_why) far`;
const MADE = `coalesce(points.digits, '') as digits
    from person p`;
/** A row of an index has an end: whoever was met in more places than that is counted in so many. */
const MOST_PLACES = 100;
const SAID: Readonly<Record<keyof typeof STEPS, string>> = {
  owner_id: 'p.owner_id',
  source: 'p.source',
  occasions: `cards.occasions[1:${MOST_PLACES}] as occasions`,
  reached: 'far.reached',
  closed_why: 'far.closed_why',
  met_at: 'met.met_at',
  card_filed_at: 'met.card_filed_at',
  written_at: 'first_mail.written_at',
  answered_at: 'first_mail.answered_at',
  qualified_at: 'p.qualified_at',
};
const PLACES = `(person_id, workspace_id, bucket, sort_name, sort_company, filed_at, touched_at, next_on, marks, words, name_words, digits)`;
const VALUES = `word_numbers(name_words || first_letters(name_words)), digits`;
const SET = `name_words = excluded.name_words, digits = excluded.digits`;
const WERE = `l.name_words, l.digits)`;
const ARE = `excluded.marks, excluded.words, excluded.name_words, excluded.digits)`;
const each = (prefix: string): string => NAMES.map((name) => `${prefix}${name}`).join(', ');
const MORE: readonly (readonly [from: string, to: string])[] = [
  [`('owner', p.owner_id::text),`, `('owner', p.owner_id::text), ('source', p.source),`],
  [`${WENT}${WROTE}`, `${FIRSTS}${WENT}${FIRST_MAIL}`],
  [MADE, MADE.replace('digits\n', `digits,\n      ${NAMES.map((name) => SAID[name]).join(', ')}\n`)],
  [`('reached', ${REACHED}),`, `('reached', far.reached),`],
  [NAMED, `${FAR}\n      ${NAMED}`],
  [PLACES, PLACES.replace('digits)', `digits, ${each('')})`)],
  [VALUES, `${VALUES}, ${each('')}`],
  [SET, `${SET}, ${NAMES.map((name) => `${name} = excluded.${name}`).join(', ')}`],
  [WERE, WERE.replace(')', `, ${each('l.')})`)],
  [ARE, ARE.replace('digits)', `digits, ${each('excluded.')})`)],
];

const EVERYBODY = 'select list_people_now(array(select id from person where deleted_at is null))';

/** How somebody came, and when each step was taken, where lists and figures find it. */
export class Steps1780000000034 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(SOURCE);
    await runner.query(COLUMNS);
    await runner.query(facetNumber([...FACETS, 'source']));
    await listWith(runner, ...MORE);
    await runner.query(EVERYBODY);
    await runner.query(INDEX);
  }

  async down(runner: QueryRunner): Promise<void> {
    await listWith(runner, ...MORE.map(([from, to]) => [to, from] as const));
    await runner.query(EVERYBODY);
    await runner.query(`
      ${facetNumber(FACETS)}
      drop index person_listing_steps;
      alter table person_listing ${NAMES.map((name) => `drop column ${name}`).join(', ')};
      alter table person drop column source;`);
  }
}
