import type { MigrationInterface, QueryRunner } from 'typeorm';
import { facetNumber, listWith } from './listFunction';

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;

const FACTS = `
/* What the team paid for it, in its own currency. */
alter table occasion add column cost numeric(14, 2);

/* How well a card was read, as it turned out when it was filed. */
create table proof_fact (
  card_id uuid not null,
  workspace_id uuid not null,
  at timestamptz not null,
  by_itself boolean not null,
  /* Fields that the engine was unsure of. */
  doubts smallint not null,
  /* Fields that were filed otherwise than they were read, and those that were not read at all. */
  corrected text[] not null,
  missed text[] not null,
  company_id uuid,
  constraint proof_fact_pkey primary key (card_id)
);
create index proof_fact_workspace on proof_fact (workspace_id, at);
create index proof_fact_company on proof_fact (company_id);
alter table proof_fact add constraint proof_fact_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table proof_fact add constraint proof_fact_card_fk foreign key (card_id) references card(id) on delete cascade;
alter table proof_fact add constraint proof_fact_company_fk foreign key (company_id) references company(id) on delete set null;
alter table proof_fact enable row level security;
create policy proof_fact_of_workspace on proof_fact to dossier_serving using (workspace_id = ${WORKSPACE});
grant select, insert, update, delete on proof_fact to dossier_serving;

/* What figures go through. */
create index person_filed on person (workspace_id, created_at) where deleted_at is null;
create index card_taken on card (workspace_id, taken_at) where front_card_id is null;
create index message_firsts on message (workspace_id, person_id, direction, at);
`;

const FACETS = ['occasion', 'kind', 'owner', 'tag', 'rating', 'company', 'country', 'town', 'consent', 'task', 'email', 'phone', 'lead', 'status', 'reason']; // prettier-ignore

/** Whether somebody was written to, and how far whoever was a lead has come: lists are narrowed by what figures count. */
const OWNER = `('owner', p.owner_id::text),`;
const HOW_FAR = `('written', case when went.wrote then 'yes' else 'no' end),
          ('reached', case when p.kind = 'contact' and p.qualified_at is null then null when went.won then 'won' when went.business then 'business'
            when p.qualified_at is not null then 'qualified' when went.answered then 'answered' when went.wrote then 'written' else 'filed' end),`;
const POINTS = `cross join lateral (select folded_words(p.full_name) as words) named`;
const WENT = `cross join lateral (select
          exists (select from message m where m.person_id = p.id and m.direction = 'out' and m.state = 'sent') as wrote,
          exists (select from message m where m.person_id = p.id and m.direction = 'in' and m.kind = 'answer') as answered,
          exists (select from opportunity_person r where r.person_id = p.id) as business,
          exists (select from opportunity_person r join opportunity o on o.id = r.opportunity_id and o.state = 'won' where r.person_id = p.id) as won) went`;

/** Only what lists tell of: most changes of a message are of no matter to them. */
const listedOn = (name: string, table: string, act: 'insert' | 'update' | 'delete', people: string): string => `
create function ${name}() returns trigger language plpgsql security definer set search_path = public as $$
begin
  perform list_people_again(array(${people}));
  return null;
end $$;
create trigger ${name} after ${act} on ${table}
  referencing ${[act !== 'insert' && 'old table as was', act !== 'delete' && 'new table as now'].filter(Boolean).join(' ')}
  for each statement execute function ${name}();`;
const tells = (row: string): string => `((${row}.direction = 'in' and ${row}.kind = 'answer') or (${row}.direction = 'out' and ${row}.state = 'sent'))`; // prettier-ignore
const LISTED = [
  listedOn('message_listed_on_insert', 'message', 'insert', `select person_id from now where ${tells('now')}`),
  listedOn('message_listed_on_update', 'message', 'update', `select unnest(array[now.person_id, was.person_id]) from now join was on was.id = now.id
    where ${tells('now')} <> ${tells('was')} or (now.person_id <> was.person_id and ${tells('now')})`), // prettier-ignore
  listedOn('message_listed_on_delete', 'message', 'delete', `select person_id from was where ${tells('was')}`),
  listedOn('part_listed_on_insert', 'opportunity_person', 'insert', 'select person_id from now'),
  listedOn('part_listed_on_delete', 'opportunity_person', 'delete', 'select person_id from was'),
  listedOn('business_listed_on_update', 'opportunity', 'update', `select r.person_id from now join was on was.id = now.id and (was.state = 'won') <> (now.state = 'won') join opportunity_person r on r.opportunity_id = now.id`), // prettier-ignore
].join('\n');

/** Figures come from facts with dates. */
export class Insight1780000000033 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(FACTS);
    await runner.query(facetNumber([...FACETS, 'written', 'reached']));
    await listWith(runner, [OWNER, `${OWNER}\n          ${HOW_FAR}`], [POINTS, `${WENT}\n      ${POINTS}`]);
    await runner.query('select list_people_now(array(select id from person where deleted_at is null))');
    await runner.query(LISTED);
  }

  async down(runner: QueryRunner): Promise<void> {
    await listWith(runner, [`${OWNER}\n          ${HOW_FAR}`, OWNER], [`${WENT}\n      ${POINTS}`, POINTS]);
    await runner.query(`
      drop function message_listed_on_insert() cascade;
      drop function message_listed_on_update() cascade;
      drop function message_listed_on_delete() cascade;
      drop function part_listed_on_insert() cascade;
      drop function part_listed_on_delete() cascade;
      drop function business_listed_on_update() cascade;
      select list_people_now(array(select id from person where deleted_at is null));
      ${facetNumber(FACETS)}
      drop index message_firsts, card_taken, person_filed;
      drop table proof_fact;
      alter table occasion drop column cost;`);
  }
}
