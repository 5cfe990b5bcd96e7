import type { MigrationInterface, QueryRunner } from 'typeorm';

const TABLES = `
create table task (
  id uuid not null,
  workspace_id uuid not null,
  person_id uuid not null,
  text text not null,
  due_on date,
  made_by uuid not null,
  made_at timestamptz not null,
  done_at timestamptz,
  constraint task_pkey primary key (id)
);
create index task_person on task (person_id);
create index task_workspace on task (workspace_id);
create index task_maker on task (made_by);
alter table task add constraint task_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table task add constraint task_person_fk foreign key (person_id) references person(id) on delete cascade;
alter table task add constraint task_maker_fk foreign key (made_by) references account(id);
grant select, insert, update, delete on task to dossier_serving;

alter table note add kind text not null default 'note', add changed_at timestamptz;

create table list_view (
  id uuid not null,
  workspace_id uuid not null,
  owner_id uuid not null,
  name text not null,
  for_team boolean not null,
  query text not null,
  made_at timestamptz not null,
  constraint list_view_pkey primary key (id)
);
create index list_view_workspace on list_view (workspace_id, name);
create index list_view_owner on list_view (owner_id);
alter table list_view add constraint list_view_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table list_view add constraint list_view_owner_fk foreign key (owner_id) references account(id) on delete cascade;
grant select, insert, update, delete on list_view to dossier_serving;

create table person_listing (
  person_id uuid not null,
  workspace_id uuid not null,
  bucket smallint not null,
  sort_name text not null,
  sort_company text not null,
  filed_at timestamptz not null,
  touched_at timestamptz not null,
  next_on date not null,
  marks bigint[] not null,
  words bigint[] not null,
  name_words bigint[] not null,
  digits text not null,
  constraint person_listing_pkey primary key (person_id)
);
create index person_listing_name on person_listing (workspace_id, sort_name, person_id);
create index person_listing_company on person_listing (workspace_id, sort_company, person_id);
create index person_listing_filed on person_listing (workspace_id, filed_at, person_id);
create index person_listing_touched on person_listing (workspace_id, touched_at, person_id);
create index person_listing_next on person_listing (workspace_id, next_on, person_id);
create index person_listing_bucket on person_listing (workspace_id, bucket);
create index person_listing_marks on person_listing using gin (marks);
create index person_listing_words on person_listing using gin (words);
create index person_listing_digits on person_listing using gin (digits gin_trgm_ops);
alter table person_listing add constraint person_listing_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
alter table person_listing add constraint person_listing_person_fk foreign key (person_id) references person(id) on delete cascade;
grant select on person_listing to dossier_serving;

create table listed_mark (
  id bigint generated always as identity not null,
  workspace_id uuid not null,
  mark bigint not null,
  value text not null,
  constraint listed_mark_pkey primary key (id)
);
create index listed_mark_mark on listed_mark (workspace_id, mark);
alter table listed_mark add constraint listed_mark_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
grant select on listed_mark to dossier_serving;

create table listed_word (
  id bigint generated always as identity not null,
  workspace_id uuid not null,
  word text collate "C" not null,
  near integer[] not null,
  constraint listed_word_pkey primary key (id)
);
/* Statistics of arrays make plans dear, and there is one way to go about these. */
alter table listed_word alter near set statistics 5, alter word set statistics 10;
alter table person_listing alter words set statistics 50, alter name_words set statistics 5;
create index listed_word_word on listed_word (workspace_id, word);
create index listed_word_near on listed_word using gin (near);
create index listed_word_letters on listed_word using gin (word gin_trgm_ops);
alter table listed_word add constraint listed_word_workspace_fk foreign key (workspace_id) references workspace(id) on delete cascade;
grant select on listed_word to dossier_serving;
`;

const WORKSPACE = `nullif(current_setting('dossier.workspace', true), '')::uuid`;

const ownWorkspace = (table: string): string => `
alter table ${table} enable row level security;
create policy ${table}_of_workspace on ${table} to dossier_serving using (workspace_id = ${WORKSPACE});
`;

/** In the order of their numbers: a new one goes to the end. */
const FACETS = [
  'occasion',
  'kind',
  'owner',
  'tag',
  'rating',
  'company',
  'country',
  'town',
  'consent',
  'task',
  'email',
  'phone',
];

/** Accents and other marks (general category M) as ranges of a regular expression of PostgreSQL's. */
function letterMarks(): string {
  const escaped = (code: number) => `\\U${code.toString(16).padStart(8, '0')}`;
  const ranges: [from: number, to: number][] = [];
  for (let code = 0x300; code < 0xe01f0; code++) {
    if (!/\p{M}/u.test(String.fromCodePoint(code))) continue;
    const last = ranges.at(-1);
    if (last?.[1] === code - 1) last[1] = code;
    else ranges.push([code, code]);
  }
  return ranges.map(([from, to]) => (from === to ? escaped(from) : `${escaped(from)}-${escaped(to)}`)).join('');
}

/** How texts become words, and which keys words share that are a slip or two apart. */
const words = (): string => `
create function folded(said text) returns text language sql immutable parallel safe as $$
  select case when octet_length(said) = length(said) then lower(said) else
    regexp_replace(normalize(replace(replace(replace(replace(
      translate(lower(normalize(said, NFKC)), 'øłđðıς', 'olddiσ'), 'ß', 'ss'), 'æ', 'ae'), 'œ', 'oe'), 'þ', 'th'), NFD),
      '[${letterMarks()}]+', '', 'g') end
$$;

create function folded_words(said text) returns text[] language sql immutable parallel safe set search_path = public as $$
  select coalesce(array_agg(distinct word), '{}')
  from regexp_split_to_table(folded(coalesce(said, '')), '[^[:alnum:]\\U0001f000-\\U0001faff\\u2600-\\u27bf]+') word where word <> ''
$$;

/* Words and the values of facets are kept as numbers: lists are narrow then, and quick to go through. */
create function word_number(word text) returns bigint language sql immutable parallel safe as $$ select hashtextextended(word, 0) $$;
create function word_numbers(words text[]) returns bigint[] language sql immutable parallel safe as $$
  select coalesce(array_agg(distinct hashtextextended(word, 0)), '{}') from unnest(words) word
$$;
/* Which facet a value is of stands in front. */
create function facet_number(facet text) returns bigint language sql immutable parallel safe as $$
  select array_position('{${FACETS.join(',')}}'::text[], facet)::bigint
$$;
create function mark_number(facet text, value text) returns bigint language sql immutable parallel safe as $$
  select (facet_number(facet) << 58) | (hashtextextended(value, 0) & ((1::bigint << 58) - 1))
$$;

/* The first letters of words, one to three, with a star: "web*" is had by whoever has a word that begins so. */
create function first_letters(words text[]) returns text[] language sql immutable parallel safe as $$
  select coalesce(array_agg(distinct left(word, n) || '*'), '{}') from unnest(words) word, generate_series(1, 3) n
  where length(word) >= n
$$;

/*
 * Two words that are one slip apart (a letter too many, too few, wrong, or two in the wrong order) share what is left of them without
 * one letter; long ones that are two slips apart share what is left without two. Only the first eight letters are looked at.
 */
create function slip_keys(word text) returns integer[] language plpgsql immutable parallel safe as $$
declare
  begun constant text := left(word, 8);
  letters constant integer := length(begun);
  twice constant boolean := length(word) >= 7;
  kept text[] := array[begun];
  once text;
begin
  if length(word) < 4 then return '{}'; end if;
  for i in 1..letters loop
    once := left(begun, i - 1) || substr(begun, i + 1);
    kept := kept || once;
    if twice then
      for j in i..letters - 1 loop kept := kept || (left(once, j - 1) || substr(once, j + 1)); end loop;
    end if;
  end loop;
  return array(select distinct (hashtextextended(one, 1) & 2147483647)::integer from unnest(kept) one);
end $$;
`;

/** What lists are narrowed, ordered and searched by, made of a person's records. */
const LISTING = `
create type listed_value as (facet text, value text);

/* A plan made while the tables were small is kept for the connection: it must not go through whole tables once they are large. */
create function list_people_again(ids uuid[]) returns void
language plpgsql security definer set search_path = public set enable_seqscan = off as $$
begin
  if coalesce(cardinality(ids), 0) = 0 then return; end if;
  delete from person_listing where person_id in (select id from person where id = any(ids) and deleted_at is not null);
  with made as materialized (
    select p.id as person_id, p.workspace_id, (('x' || right(p.id::text, 2))::bit(8)::integer % 64)::smallint as bucket, p.sort_name,
      case when job.company is null then U&'\\FFFF' else folded(job.company) end || chr(1) || p.sort_name as sort_company,
      p.created_at as filed_at, greatest(p.updated_at, notes.latest) as touched_at, coalesce(tasks.next_on, 'infinity') as next_on,
      array(
        select row(facet, value)::listed_value from (values ('kind', p.kind), ('owner', p.owner_id::text), ('rating', coalesce(p.rating, '')),
          ('company', job.company_id::text), ('country', nullif(p.country, '')), ('town', nullif(p.locality, '')),
          ('email', case when points.emails > 0 then 'yes' else 'no' end), ('phone', case when points.phones > 0 then 'yes' else 'no' end),
          ('task', case when tasks.open > 0 then 'open' else 'none' end)) single(facet, value) where value is not null
        union select row('tag', tag)::listed_value from unnest(p.tags) tag
        union select row('occasion', occasion::text)::listed_value from unnest(cards.occasions) occasion
        union select row('consent', channel)::listed_value from unnest(coalesce(consents.channels, '{none}')) channel) as marks,
      named.words as name_words, firm.words as firm_words,
      named.words || firm.words || folded_words(concat_ws(' ', job.title, p.locality, job.department, p.prefix, p.suffix, p.region,
        array_to_string(p.tags, ' '), cards.names, points.addresses, notes.said)) as words,
      coalesce(points.digits, '') as digits
    from person p
      left join lateral (select c.name as company, e.company_id, e.title, e.department from employment e left join company c on c.id = e.company_id
        where e.person_id = p.id and e.ended_at is null limit 1) job on true
      cross join lateral (select count(*) filter (where kind = 'email') as emails, count(*) filter (where kind = 'phone') as phones,
          string_agg(value, ' ') filter (where kind <> 'phone') as addresses,
          string_agg(regexp_replace(value || ' ' || extension, '[^0-9 ]', '', 'g'), ' ' order by position) filter (where kind = 'phone') as digits
        from contact_point where person_id = p.id) points
      cross join lateral (select max(at) as latest, string_agg(text, ' ') as said from note where person_id = p.id) notes
      cross join lateral (select coalesce(array_agg(distinct k.occasion_id), '{}') as occasions, string_agg(distinct o.name, ' ') as names
        from card k join occasion o on o.id = k.occasion_id where k.person_id = p.id) cards
      cross join lateral (select array_agg(distinct channel) as channels
        from consent, unnest(consent.channels) channel where person_id = p.id and withdrawn_at is null) consents
      cross join lateral (select count(*) as open, min(due_on) as next_on from task where person_id = p.id and done_at is null) tasks
      cross join lateral (select folded_words(p.full_name) as words) named
      cross join lateral (select folded_words(job.company) as words) firm
    where p.id = any(ids) and p.deleted_at is null),
  put as (
    insert into person_listing as l
      (person_id, workspace_id, bucket, sort_name, sort_company, filed_at, touched_at, next_on, marks, words, name_words, digits)
    select person_id, workspace_id, bucket, sort_name, sort_company, filed_at, touched_at, next_on,
      array(select mark_number(facet, value) as mark from unnest(marks) order by mark),
      word_numbers(words || first_letters(name_words || firm_words)), word_numbers(name_words || first_letters(name_words)), digits
    from made
    on conflict (person_id) do update set sort_name = excluded.sort_name, sort_company = excluded.sort_company,
      filed_at = excluded.filed_at, touched_at = excluded.touched_at, next_on = excluded.next_on,
      marks = excluded.marks, words = excluded.words, name_words = excluded.name_words, digits = excluded.digits
    where (l.sort_name, l.sort_company, l.filed_at, l.touched_at, l.next_on, l.marks, l.words, l.name_words, l.digits)
      is distinct from (excluded.sort_name, excluded.sort_company, excluded.filed_at, excluded.touched_at, excluded.next_on,
        excluded.marks, excluded.words, excluded.name_words, excluded.digits)),
  /* Neither is unique: two who write the same new word at once would wait for each other, in whatever order. */
  marked as (
    insert into listed_mark (workspace_id, mark, value)
    select new.workspace_id, new.mark, new.value
    from (select distinct made.workspace_id, mark_number(facet, value) as mark, value from made, unnest(made.marks)) new
    where not exists (select from listed_mark m where m.workspace_id = new.workspace_id and m.mark = new.mark))
  insert into listed_word (workspace_id, word, near)
  select workspace_id, word, slip_keys(word) from (select distinct made.workspace_id, unnest(made.words) as word from made) new
  where length(word) between 2 and 60
    and not exists (select from listed_word w where w.workspace_id = new.workspace_id and w.word = new.word);
end $$;
`;

/** The tables of which lists tell something, and which people a changed row is about. */
const TOLD_OF: readonly (readonly [table: string, peopleOf: (rows: string) => string])[] = [
  ['person', (rows) => `select id from ${rows}`],
  ['employment', (rows) => `select person_id from ${rows}`],
  ['contact_point', (rows) => `select person_id from ${rows}`],
  ['note', (rows) => `select person_id from ${rows}`],
  ['consent', (rows) => `select person_id from ${rows}`],
  ['task', (rows) => `select person_id from ${rows}`],
  ['card', (rows) => `select person_id from ${rows} where person_id is not null`],
  [
    'company',
    (rows) => `select e.person_id from ${rows} r join employment e on e.company_id = r.id and e.ended_at is null`,
  ],
  [
    'occasion',
    (rows) => `select k.person_id from ${rows} r join card k on k.occasion_id = r.id where k.person_id is not null`,
  ],
];

/** Whatever changes a record, by whichever way: the lists tell the same at the end of the statement. */
const listedAgain = (): string =>
  TOLD_OF.flatMap(([table, peopleOf]) =>
    (['insert', 'update', 'delete'] as const)
      // Firms and occasions begin with nobody, and go when nobody is left.
      .filter((act) => act === 'update' || !['company', 'occasion'].includes(table))
      .map((act) => {
        const transitions = [act !== 'insert' && 'was', act !== 'delete' && 'now'].filter(
          (t): t is string => t !== false,
        );
        const name = `${table}_listed_on_${act}`;
        return `
create function ${name}() returns trigger language plpgsql security definer set search_path = public as $$
begin
  perform list_people_again(array(${transitions.map(peopleOf).join(' union ')}));
  return null;
end $$;
create trigger ${name} after ${act} on ${table}
  referencing ${transitions.map((t) => `${t === 'was' ? 'old' : 'new'} table as ${t}`).join(' ')}
  for each statement execute function ${name}();`;
      }),
  ).join('\n');

/**
 * See docs/decisions/searching-under-row-security.md: these look for people of the workspace that the connection has named, and give
 * ids, places and numbers away, nothing else.
 */
const ASKING = `
/* A condition on person_listing l. @param narrowed { marks: { facet: [mark] }, filedFrom, filedTo, words: [{ all: [word], digits }] } */
create function listing_condition(narrowed jsonb, without text) returns text language plpgsql stable set search_path = public as $$
declare
  said text := format('l.workspace_id = %L', ${WORKSPACE});
  facet text; wanted jsonb; word jsonb;
  marks bigint[]; words bigint[];
begin
  for facet, wanted in select * from jsonb_each(narrowed->'marks') loop
    if facet is distinct from without then
      marks := array(select mark_number(facet, value) from jsonb_array_elements_text(wanted) value);
      said := said || format(' and l.marks && %L::bigint[]', marks);
    end if;
  end loop;
  if narrowed->>'filedFrom' is not null then said := said || format(' and l.filed_at >= %L', narrowed->>'filedFrom'); end if;
  if narrowed->>'filedTo' is not null then said := said || format(' and l.filed_at < %L', narrowed->>'filedTo'); end if;
  for word in select * from jsonb_array_elements(narrowed->'words') loop
    words := array(select word_number(each) from jsonb_array_elements_text(word->'all') each);
    said := said || case
      when word->>'digits' is null then format(' and l.words && %L::bigint[]', words)
      when words = '{}' then format(' and l.digits like %L', '%' || (word->>'digits') || '%')
      else format(' and (l.words && %L::bigint[] or l.digits like %L)', words, '%' || (word->>'digits') || '%') end;
  end loop;
  return said;
end $$;

/* How well a person fits the words: names before the rest, whole words before beginnings before slips. */
create function listing_score(narrowed jsonb) returns text language plpgsql stable set search_path = public as $$
declare
  said text := '0';
  word jsonb;
begin
  for word in select * from jsonb_array_elements(narrowed->'words') loop
    said := said || ' + case' || (select string_agg(format(' when l.%I && %L::bigint[] then %s', part, array(select word_number(each) from jsonb_array_elements_text(word->grade) each), worth), '' order by worth desc)
      from (values ('name_words', 'whole', 120), ('name_words', 'begins', 90), ('words', 'whole', 70), ('name_words', 'slips', 60), ('words', 'begins', 50), ('words', 'slips', 30)) as grades(part, grade, worth)
      where jsonb_array_length(word->grade) > 0)
      || case when word->>'digits' is null then '' else format(' when l.digits like %L then 100 when l.digits like %L then 80', '%' || (word->>'written') || '%', '%' || (word->>'digits') || '%') end
      || ' else 10 end';
  end loop;
  return said;
end $$;

/* How many there are: exactly up to so many; beyond, everybody is still counted, and who is narrowed to is judged by a part. */
create function count_listed(narrowed jsonb, exactly integer, out people bigint, out counted text)
language plpgsql stable security definer set search_path = public as $$
declare
  said text := listing_condition(narrowed, null);
  parts integer;
begin
  counted := 'exact';
  if narrowed->'marks' = '{}' and narrowed->'words' = '[]' and narrowed->>'filedFrom' is null and narrowed->>'filedTo' is null then
    execute format('select count(*) from person_listing l where %s', said) into people;
    return;
  end if;
  execute format('select count(*) from (select from person_listing l where %s limit %s) capped', said, exactly + 1) into people;
  if people <= exactly then return; end if;
  people := exactly;
  counted := 'least';
  if narrowed->'words' <> '[]' then return; end if;
  parts := listing_parts();
  execute format('select count(*) * 64 / %1$s from person_listing l where %2$s and l.bucket < %1$s', parts, said) into people;
  people := greatest(people, exactly);
  counted := 'about';
end $$;

/* How many of the 64 parts of this workspace's people are about 2,500. */
create function listing_parts() returns integer language sql stable security definer set search_path = public as $$
  select least(64, greatest(1, ceil(2500.0 / (1 + count(*)))))::integer from person_listing
  where workspace_id = ${WORKSPACE} and bucket = 0
$$;

/* People in an order, behind a place. @param by sort_name, sort_company, filed_at, touched_at, next_on, or best for how well they fit */
create function list_people(narrowed jsonb, by text, backwards boolean, after jsonb, at_most integer)
returns table (person_id uuid, place jsonb) language plpgsql stable security definer set search_path = public as $$
declare
  said text := listing_condition(narrowed, null);
  way text := case when backwards then 'desc' else 'asc' end;
  type text := case by when 'filed_at' then 'timestamptz' when 'touched_at' then 'timestamptz' when 'next_on' then 'date' else 'text' end;
begin
  if by = 'best' then
    return query execute format(
      'with found as materialized (
         select l.person_id, l.sort_name, %s as score from person_listing l where %s limit 3000)
       select f.person_id, jsonb_build_array(f.score, f.sort_name) from found f %s
       order by f.score desc, f.sort_name, f.person_id limit %s',
      listing_score(narrowed), said,
      case when after is null then '' else format('where (-f.score, f.sort_name, f.person_id) > (%L, %L, %L)', -(after->>0)::integer, after->>1, after->>2) end,
      at_most);
  elsif by in ('sort_name', 'sort_company', 'filed_at', 'touched_at', 'next_on') then
    return query execute format(
      'select l.person_id, jsonb_build_array(l.%1$I::text) from person_listing l where %2$s %3$s order by l.%1$I %4$s, l.person_id %4$s limit %5$s',
      by, said,
      case when after is null then '' else format('and (l.%I, l.person_id) %s (%L::%s, %L)', by, case when backwards then '<' else '>' end, after->>0, type, after->>1) end,
      way, at_most);
  end if;
end $$;

/* The values of facets with how many people have each; those of a facet that is narrowed already are counted as if it were not. */
create function count_marks(narrowed jsonb, facets text[], at_most integer)
returns table (facet text, value text, people bigint, counted text) language plpgsql stable security definer set search_path = public as $$
declare
  exactly constant integer := 2500;
  parts integer := listing_parts();
  pass text; said text; sample text; wanted text[]; share integer; found bigint;
begin
  foreach pass in array array_append(array(select f from unnest(facets) f where narrowed->'marks' ? f), null) loop
    wanted := case when pass is null then array(select f from unnest(facets) f where not narrowed->'marks' ? f) else array[pass] end;
    continue when wanted = '{}';
    said := listing_condition(narrowed, pass);
    execute format('select count(*) from (select from person_listing l where %s limit %s) capped', said, exactly + 1) into found;
    share := case when found <= exactly then 64 else parts end;
    sample := case
      when found <= exactly then format('select l.marks from person_listing l where %s', said)
      when narrowed->'words' <> '[]' then format('select l.marks from person_listing l where %s limit %s', said, exactly)
      else format('select l.marks from person_listing l where %s and l.bucket < %s', said, parts) end;
    return query execute format(
      'select f.facet, m.value, ranked.people * 64 / %2$s, %5$L::text
       from (select mark, count(*) as people, row_number() over (partition by mark >> 58 order by count(*) desc, mark) as place
             from (%1$s) s, unnest(s.marks) mark where mark >> 58 = any(%7$L::bigint[]) group by mark) ranked
       join unnest(%3$L::text[]) f(facet) on facet_number(f.facet) = ranked.mark >> 58
       join lateral (select value from listed_mark where workspace_id = %6$L and mark = ranked.mark limit 1) m on true
       where ranked.place <= %4$s order by f.facet, ranked.place',
      sample, case when found > exactly and narrowed->'words' = '[]' then share else 64 end, wanted, at_most,
      case when found <= exactly then 'exact' when narrowed->'words' <> '[]' then 'least' else 'about' end, ${WORKSPACE}, array(select facet_number(f) from unnest(wanted) f));
  end loop;
end $$;

/* Words of this workspace's lists that begin like this one, hold it, or may be it with a slip or two. */
create function words_like(said text) returns table (word text) language plpgsql stable security definer
set search_path = public set enable_seqscan = off set plan_cache_mode = force_generic_plan as $$
declare
  own constant uuid := ${WORKSPACE};
  keys constant integer[] := slip_keys(said);
  held constant text := '%' || replace(replace(replace(said, '\\', '\\\\'), '%', '\\%'), '_', '\\_') || '%';
begin
  if length(said) < 4 then return; end if;
  return query
    (select w.word from listed_word w where w.workspace_id = own and w.word >= said and w.word < said || U&'\\FFFF' order by w.word limit 300)
    union
    (select w.word from listed_word w where w.workspace_id = own and w.near && keys limit 400)
    union
    (select w.word from listed_word w where w.workspace_id = own and w.word like held limit 200);
end $$;

/* Words that nobody has any more. @param among these of the workspace named; null for all there are */
create function forget_unused_words(among text[]) returns bigint language sql volatile security definer set search_path = public as $$
  with gone as (
    delete from listed_word w where (among is null or w.workspace_id = ${WORKSPACE} and w.word = any(among))
      and not exists (select from person_listing l where l.workspace_id = w.workspace_id and l.words @> array[word_number(w.word)]) returning 1)
  , unmarked as (
    delete from listed_mark m where (among is null or m.workspace_id = ${WORKSPACE})
      and not exists (select from person_listing l where l.workspace_id = m.workspace_id and l.marks @> array[m.mark]) returning 1)
  select (select count(*) from gone) + (select count(*) from unmarked)
$$;
`;

const SERVING = [
  'list_people(jsonb, text, boolean, jsonb, integer)',
  'count_listed(jsonb, integer)',
  'count_marks(jsonb, text[], integer)',
  'words_like(text)',
  'folded_words(text)',
  'forget_unused_words(text[])',
];
const OWN = ['list_people_again(uuid[])', 'listing_condition(jsonb, text)', 'listing_score(jsonb)', 'listing_parts()'];

/** What people are found, narrowed and ordered by, kept in step with the records by the database; next steps with a day. */
export class Lists1780000000012 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      TABLES +
        ['task', 'list_view', 'person_listing', 'listed_mark', 'listed_word'].map(ownWorkspace).join('') +
        words() +
        LISTING,
    );
    await runner.query(listedAgain() + ASKING);
    await runner.query(
      [...SERVING, ...OWN].map((f) => `revoke all on function ${f} from public;`).join('\n') +
        SERVING.map((f) => `grant execute on function ${f} to dossier_serving;`).join('\n'),
    );
    await runner.query('select list_people_again(array(select id from person where deleted_at is null))');
    await runner.query('drop function find_people(text[], text, uuid, integer); alter table person drop search_text;');
  }

  async down(): Promise<void> {
    throw new Error('Next steps would be lost: drop the database instead.');
  }
}
