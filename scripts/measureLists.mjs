/* global URLSearchParams */
/** How soon people are found, narrowed, ordered and opened in a workspace of many. */

const ASKED = 60;
const WARM_UP_ROUNDS = 2;
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

/**
 * @param call asks the server @param owner a connection of the tables' owner, to draw whom to ask for
 * @returns milliseconds, median and 95th percentile, by what was asked
 */
export async function measureLists(call, owner, { plans = false } = {}) {
  const draw = async (sql) => (await owner.query(sql)).rows.map((row) => Object.values(row)[0]);
  const sample = (what, table, where = 'true') =>
    draw(`select ${what} from (select * from ${table} where ${where} order by id limit 200000) t order by md5(t.id::text) limit ${ASKED}`); // prettier-ignore
  const asked = {
    id: await sample('id', 'person'),
    family: await sample('family_name', 'person', `family_name <> ''`),
    given: await sample('given_name', 'person', `given_name <> ''`),
    company: await sample('name', 'company'),
    companyId: await sample('id', 'company'),
    email: await sample('value', 'contact_point', `kind = 'email'`),
    phone: await sample('value', 'contact_point', `kind = 'phone'`),
    note: await sample(`split_part(text, ' ', 3) || ' ' || split_part(text, ' ', 5)`, 'note'),
    title: await sample('title', 'employment', `title <> ''`),
    town: await sample('locality', 'person', `locality <> ''`),
    occasion: await draw('select id from occasion'),
    owner: await draw('select id from account limit 5'),
  };
  const tags = ['cold chain', 'dairy', 'harbour', 'visit'];
  const typo = (word) => (word.length < 5 ? word : `${word.slice(0, 2)}${word[3]}${word[2]}${word.slice(4)}`);
  const list = (query) => `/people?${new URLSearchParams(query)}`;
  const facets = (query) => `/people/facets?${new URLSearchParams(query)}`;
  const each = (values, make) => values.map((value, i) => make(value, i));
  const search = {
    'family name': each(asked.family, (q) => list({ q })),
    'name with a slip': each(asked.family, (q) => list({ q: typo(q) })),
    'given and family name': each(asked.family, (q, i) => list({ q: `${asked.given[i]} ${q}` })),
    'three letters': each(asked.family, (q) => list({ q: q.slice(0, 3) })),
    'one letter': each(asked.family, (q) => list({ q: q.slice(0, 1) })),
    company: each(asked.company, (q) => list({ q })),
    'e-mail': each(asked.email, (q) => list({ q })),
    'last four digits': each(asked.phone, (q) => list({ q: q.slice(-4) })),
    'whole number': each(asked.phone, (q) => list({ q })),
    'words of a note': each(asked.note, (q) => list({ q })),
    title: each(asked.title, (q) => list({ q })),
    'town and family name': each(asked.town, (q, i) => list({ q: `${q} ${asked.family[i]}` })),
    nobody: each(asked.family, (q) => list({ q: `${q} xylophone` })),
  };
  const narrowings = {
    kind: { kind: 'lead' },
    owner: { owner: asked.owner[0] },
    tag: { tag: tags[0] },
    rating: { rating: 'Hot' },
    occasion: { occasion: asked.occasion[3] },
    company: { company: asked.companyId[5] },
    country: { country: 'GB' },
    town: { town: asked.town[2] },
    consent: { consent: 'email' },
    task: { task: 'open' },
    'no e-mail': { email: 'no' },
    filed: { filedFrom: '2023-01-01', filedTo: '2023-03-31' },
    'kind and tag': { kind: 'lead', tag: tags[1] },
    'occasion and rating': { occasion: asked.occasion[7], rating: 'Warm' },
    'owner, country and consent': { owner: asked.owner[0], country: 'GB', consent: 'phone' },
    'tag, task and town': { tag: tags[2], task: 'open', town: asked.town[4] },
    'kind, no e-mail, no phone': { kind: 'lead', email: 'no', phone: 'no' },
    'tag and words': { tag: tags[3], q: asked.family[9] },
  };
  const orders = ['name', '-name', 'company', '-company', 'filed', '-filed', 'touched', '-touched', 'next', '-next'];
  const requests = {
    ...Object.fromEntries(Object.entries(search).map(([name, paths]) => [`search: ${name}`, paths])),
    ...Object.fromEntries(Object.entries(narrowings).map(([name, query]) => [`narrowed: ${name}`, Array.from({ length: ASKED }, (_, i) => list({ ...query, sort: orders[i % orders.length] }))])), // prettier-ignore
    ...Object.fromEntries(Object.entries(narrowings).map(([name, query]) => [`counted: ${name}`, FACETS.map((facet) => facets({ ...query, facet }))])), // prettier-ignore
    'counted: everybody': FACETS.map((facet) => facets({ facet })),
    'counted: all facets at once': Array.from({ length: 12 }, () => facets({})),
    ...Object.fromEntries(
      orders.map((sort) => [`ordered: ${sort}`, Array.from({ length: ASKED }, () => list({ sort }))]),
    ),
    'opening a person': asked.id.map((id) => `/people/${id}`),
    'firms: by name': Array.from({ length: 20 }, () => '/companies'),
    'firms: newest': Array.from({ length: 20 }, () => '/companies?sort=new'),
    'firms: most people': Array.from({ length: 20 }, () => '/companies?sort=people'),
    'firms: a name': each(asked.company, (q) => `/companies?${new URLSearchParams({ q })}`),
    'firms: three letters': each(asked.company, (q) => `/companies?${new URLSearchParams({ q: q.slice(0, 3) })}`),
    'opening a firm': asked.companyId.map((id) => `/companies/${id}`),
  };
  // As a server answers that has been running for a while: its code is compiled, its connections know their plans.
  for (let round = 0; round < WARM_UP_ROUNDS; round++)
    for (const paths of Object.values(requests)) for (const path of paths.slice(0, 10)) await call('GET', path);
  const result = {};
  for (const [name, paths] of Object.entries(requests)) result[name] = await timed(call, paths);
  if (plans) result.plans = await plansOf(owner);
  return result;
}

async function timed(call, paths) {
  for (const path of paths.slice(0, 3)) await call('GET', path);
  const ms = [];
  for (const path of paths) {
    const began = performance.now();
    await call('GET', path);
    ms.push(performance.now() - began);
  }
  ms.sort((a, b) => a - b);
  const at = (share) => Math.round(10 * ms[Math.floor(share * (ms.length - 1))]) / 10;
  return `${at(0.5)} / ${at(0.95)}`;
}

/** How PostgreSQL goes about a list narrowed by a facet, one by words, and one in an order. */
async function plansOf(owner) {
  const { rows: workspaces } = await owner.query('select workspace_id from person_listing limit 1');
  await owner.query(`select set_config('dossier.workspace', $1, false)`, [workspaces[0].workspace_id]);
  const narrowed = { marks: {}, words: [], filedFrom: null, filedTo: null };
  const asked = {
    everybody: narrowed,
    'kind and tag': { ...narrowed, marks: { kind: ['lead'], tag: ['dairy'] } },
    'four digits': { ...narrowed, words: [{ all: ['0417'], whole: ['0417'], begins: [], slips: [], holds: [], digits: '0417' }] }, // prettier-ignore
  };
  const plans = {};
  for (const [name, spec] of Object.entries(asked)) {
    const { rows } = await owner.query('select listing_condition($1, null) as said', [JSON.stringify(spec)]);
    const { rows: plan } = await owner.query(`explain (analyze, buffers) select l.person_id from person_listing l where ${rows[0].said} order by l.sort_name, l.person_id limit 41`); // prettier-ignore
    plans[name] = plan.map((row) => row['QUERY PLAN']);
  }
  return plans;
}
