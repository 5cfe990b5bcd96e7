import { randomUUID } from 'node:crypto';
import type { Board, EventsPage, LeadPage, NewOpportunity, Opportunity, OpportunityPage, PeopleChangeState, PipelineSettings, Problem, Qualified, TableBack, TaskPage } from '@dossier/contract'; // prettier-ignore
import { Client } from './client';
import { until } from './services';
import { Sql } from './sql';

jest.setTimeout(180_000);

let rep: Client;
let other: Client;
let manager: Client;
let settings: PipelineSettings;
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  other = await Client.signedIn('idris@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  settings = (await rep.get<PipelineSettings>('/pipeline-settings')).body;
});

/** A name that nobody else has. */
const name = () => `Lead${randomUUID().replace(/[^a-f]/g, '').slice(0, 10)}`; // prettier-ignore
async function lead(rest: { company?: string; tags?: string[] } = {}) {
  const familyName = name();
  const { company = `${familyName} Dairies`, tags = [] } = rest;
  const emails = [`${randomUUID()}@${familyName.toLowerCase()}.example`];
  const id = await rep.filed({ givenName: 'Sunniva', familyName, company, title: 'Buyer', emails }, { kind: 'lead', tags }); // prettier-ignore
  return { id, familyName, company, version: (await rep.person(id)).version };
}
const opportunity = async (rest: Partial<NewOpportunity> = {}, who = rep) => {
  const { status, body } = await who.send<{ id: string }>('POST', '/opportunities', { title: `Doors ${name()}`, currency: 'EUR', ...rest }); // prettier-ignore
  expect(status).toBe(201);
  return body.id;
};
const seen = async (id: string) => (await rep.get<Opportunity>(`/opportunities/${id}`)).body;
const move = async (id: string, stageId: string, who = rep, version?: number) =>
  who.send<Problem>('PUT', `/opportunities/${id}/stage`, { stageId, version: version ?? (await seen(id)).version });
const changePeople = async (ids: string[], what: object) =>
  (await rep.send<PeopleChangeState>('POST', '/people/changes', { who: { ids }, what })).body;

describe('an opportunity', () => {
  it('begins in the first stage, is moved, won with why and opened again, and tells all of it with its dates', async () => {
    const { id: personId, company } = await lead();
    const { companyId } = await rep.person(personId);
    const id = await opportunity({ companyId, value: 12_000.5, people: [{ personId, part: 'decides' }], about: ['Doors'] }); // prettier-ignore
    const first = await seen(id);
    expect(first).toMatchObject({ company: { id: companyId, name: company }, stageId: settings.stages[0]!.id, chance: settings.stages[0]!.chance, value: 12_000.5, people: [{ personId, part: 'decides', company }] }); // prettier-ignore
    expect((await move(id, settings.stages[2]!.id)).status).toBe(204);
    expect((await rep.send('PUT', `/opportunities/${id}/end`, { state: 'won', reason: 'Service', words: 'They know us', version: 2 })).status).toBe(204); // prettier-ignore
    expect(await seen(id)).toMatchObject({ state: 'won', chance: 100, endReason: 'Service', isStale: false });
    expect((await rep.send<Problem>('PUT', `/opportunities/${id}/stage`, { stageId: settings.stages[0]!.id, version: 3 })).body).toMatchObject({ status: 409, code: 'opportunity-over' }); // prettier-ignore
    expect((await rep.send('PUT', `/opportunities/${id}/end`, { state: 'open', version: 3 })).status).toBe(204);
    const { history, stays, madeAt, ...last } = await seen(id);
    expect(last).toMatchObject({ state: 'open', endedAt: null, endReason: null, version: 4 });
    expect(history.map(({ kind, stage }) => [kind, stage])).toEqual([
      ['reopened', settings.stages[2]!.name],
      ['won', settings.stages[2]!.name],
      ['moved', settings.stages[2]!.name],
      ['made', settings.stages[0]!.name],
    ]);
    expect(history[1]!.changes).toEqual([{ field: 'reason', before: '', after: 'Service: They know us' }]);
    expect(stays.map(({ state }) => state)).toEqual(['open', 'open', 'won', 'open']);
    const all = stays.reduce((sum, { ms }) => sum + ms, 0);
    expect(new Date(madeAt).getTime() + all).toBe(new Date(stays.at(-1)!.from).getTime() + stays.at(-1)!.ms);
  });

  it('moved by two at once is moved by one; the other is told who did what', async () => {
    const id = await opportunity();
    const answers = await Promise.all([move(id, settings.stages[1]!.id, rep, 1), move(id, settings.stages[2]!.id, other, 1)]); // prettier-ignore
    expect(answers.map(({ status }) => status).sort()).toEqual([204, 409]);
    const { detail } = answers.find(({ status }) => status === 409)!.body;
    expect(detail).toMatch(
      /^(?:Ottilie Brandt|Idris Falconer) moved this to “(?:Needs clear|Offer out)” in the meantime/,
    );
    expect((await seen(id)).history.filter(({ kind }) => kind === 'moved')).toHaveLength(1);
    const { title, currency } = await seen(id);
    expect((await other.send<Problem>('PUT', `/opportunities/${id}`, { title, currency, value: 5, version: 1 })).status).toBe(409); // prettier-ignore
  });

  it('is made once, however often it is sent; what it names must be here', async () => {
    const id = randomUUID();
    expect([await opportunity({ id }), await opportunity({ id })]).toEqual([id, id]);
    for (const wrong of [{ companyId: randomUUID() }, { ownerId: randomUUID() }, { occasionId: randomUUID() }, { stageId: randomUUID() }, { people: [{ personId: randomUUID(), part: 'uses' }] }]) // prettier-ignore
      expect([wrong, (await rep.send('POST', '/opportunities', { title: 'Doors', currency: 'EUR', ...wrong })).status]).toEqual([wrong, 404]); // prettier-ignore
    for (const wrong of [{ title: ' ' }, { currency: 'euro' }, { value: -1 }, { value: 0.001 }, { chance: 101 }, { expectedOn: 'soon' }]) // prettier-ignore
      expect([wrong, (await rep.send('POST', '/opportunities', { title: 'Doors', currency: 'EUR', ...wrong })).status]).toEqual([wrong, 400]); // prettier-ignore
  });

  it('stands on the board with what all of it is worth, narrowed by owner and by tags of its people', async () => {
    const tag = name();
    const { id: personId } = await lead({ tags: [tag] });
    const worth = [
      { value: 1000, currency: 'EUR', stage: 0, chance: null },
      { value: 250.25, currency: 'EUR', stage: 0, chance: 80 },
      { value: 9000, currency: 'XTS', stage: 2, chance: null },
      { value: null, currency: 'EUR', stage: 2, chance: null },
    ];
    for (const { stage, ...rest } of worth)
      await opportunity({ ...rest, stageId: settings.stages[stage]!.id, people: [{ personId, part: 'uses' }] });
    const board = (await rep.get<Board>(`/board?tag=${tag}`)).body;
    expect(board.columns.map(({ count }) => count)).toEqual([2, 0, 2, 0]);
    const chances = settings.stages.map(({ chance }) => chance);
    expect(board.columns[0]!.sums).toEqual([{ currency: 'EUR', value: 1250.25, weighted: Math.round(100 * (1000 * chances[0]! + 250.25 * 80) / 100) / 100 }]); // prettier-ignore
    expect(board.columns[2]!.sums).toContainEqual({ currency: 'XTS', value: 9000, weighted: (9000 * chances[2]!) / 100 }); // prettier-ignore
    // Nobody has said what that is worth.
    expect(board.together).toMatchObject({ sum: { currency: 'EUR', value: 1250.25 }, without: ['XTS'] });
    const { owner } = board.columns[0]!.items[0]!;
    expect((await rep.get<Board>(`/board?tag=${tag}&owner=${owner.id}`)).body.columns[0]!.count).toBe(2);
    expect((await rep.get<Board>(`/board?tag=${tag}&owner=${randomUUID()}`)).body.columns[0]!.count).toBe(0);
    // Pages of the list hold each of them once, and the sums of the whole.
    const listed: string[] = [];
    let cursor: string | null = '';
    for (let i = 0; cursor !== null && i < 9; i++) {
      const query = new URLSearchParams({ tag, sort: 'value', limit: '3', ...(cursor && { cursor }) });
      const page: OpportunityPage = (await rep.get<OpportunityPage>(`/opportunities?${query}`)).body;
      expect(page.total).toBe(4);
      listed.push(...page.items.map(({ value, currency }) => `${value} ${currency}`));
      cursor = page.next;
    }
    expect(listed).toEqual(['9000 XTS', '1000 EUR', '250.25 EUR', 'null EUR']);
  });

  it('has notes, files and tasks, which go with it', async () => {
    const id = await opportunity();
    const note = randomUUID();
    for (let i = 0; i < 2; i++) await rep.send('POST', `/opportunities/${id}/notes`, { id: note, text: 'Wants drawings' }); // prettier-ignore
    const { body: file } = await rep.send<{ id: string }>('POST', `/opportunities/${id}/files?name=${encodeURIComponent('../offer.pdf')}`, Buffer.from('%PDF'), { 'content-type': 'application/pdf' }); // prettier-ignore
    await rep.send('POST', '/tasks', { text: 'Send the offer', dueOn: '2026-12-09', opportunityId: id });
    expect(await seen(id)).toMatchObject({
      notes: [{ id: note, text: 'Wants drawings', author: 'Ottilie Brandt' }],
      files: [{ id: file.id, name: '-offer.pdf', bytes: 4 }],
      tasks: [{ text: 'Send the offer', opportunity: { id } }],
      next: { text: 'Send the offer', dueOn: '2026-12-09' },
    });
    const got = await rep.get<string>(`/opportunity-files/${file.id}`);
    expect([got.body, got.headers.get('content-disposition')]).toEqual(['%PDF', 'attachment; filename=-offer.pdf']);
    expect((await other.send('DELETE', `/opportunity-notes/${note}`)).status).toBe(403);
    const assistant = await Client.signedIn('pim@keldermoss.example');
    expect((await assistant.send('DELETE', `/opportunities/${id}?version=1`)).status).toBe(403);
    expect((await rep.send('DELETE', `/opportunities/${id}?version=1`)).status).toBe(204);
    expect((await rep.get(`/opportunities/${id}`)).status).toBe(404);
    expect((await rep.get(`/opportunity-files/${file.id}`)).status).toBe(404);
  });

  it('keeps its people when records are brought together, and gives them back', async () => {
    const [one, two] = [await lead(), await lead()];
    const id = await opportunity({ people: [{ personId: one.id, part: 'decides' }, { personId: two.id, part: 'signs' }] }); // prettier-ignore
    const only = await opportunity({ people: [{ personId: two.id, part: 'uses' }] });
    const merged = await rep.send<{ mergeId: string }>('POST', '/merges', { into: one, others: [two] });
    expect(merged.status).toBe(201);
    const parts = async (of: string) => (await seen(of)).people.map(({ personId, part }) => [personId, part]);
    expect(await parts(id)).toEqual([[one.id, 'decides']]);
    expect(await parts(only)).toEqual([[one.id, 'uses']]);
    expect((await rep.send('POST', `/merges/${merged.body.mergeId}/undo`)).status).toBe(204);
    expect(await parts(id)).toEqual([[one.id, 'decides'], [two.id, 'signs']]); // prettier-ignore
    expect(await parts(only)).toEqual([[two.id, 'uses']]);
  });

  it('forgets in its history too whoever is erased', async () => {
    const [gone, stays] = [await lead(), await lead()];
    const id = await opportunity({ people: [{ personId: gone.id, part: 'decides' }] });
    const { title, currency } = await seen(id);
    const change = { title, currency, value: 70, people: [{ personId: stays.id, part: 'uses' }], version: 1 };
    expect((await rep.send('PUT', `/opportunities/${id}`, change)).status).toBe(204);
    expect(JSON.stringify(await seen(id))).toContain(gone.familyName);
    expect((await manager.send('POST', `/people/${gone.id}/erase`)).status).toBe(204);
    const left = await seen(id);
    expect(JSON.stringify(left)).not.toContain(gone.familyName);
    expect(left.history[0]!.changes.map(({ field }) => field)).toContain('value');
  });

  it('is another workspace’s business to nobody, and is told in the feed', async () => {
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    const id = await opportunity();
    expect((await stranger.get(`/opportunities/${id}`)).status).toBe(404);
    expect((await stranger.send('PUT', `/opportunities/${id}/stage`, { stageId: settings.stages[1]!.id, version: 1 })).status).toBe(404); // prettier-ignore
    expect(JSON.stringify((await stranger.get('/opportunities')).body)).not.toContain(id);
    expect((await move(id, settings.stages[1]!.id)).status).toBe(204);
    expect((await rep.send('PUT', `/opportunities/${id}/end`, { state: 'lost', reason: 'Price', version: 2 })).status).toBe(204); // prettier-ignore
    const own = await until(async () => {
      const found: string[] = [];
      let after = '0-0';
      for (let items: EventsPage['items'] = [{}] as never; items.length > 0;) {
        const page: EventsPage = (await rep.get<EventsPage>(`/events?type=opportunity.changed&type=opportunity.lost&limit=500&after=${after}`)).body; // prettier-ignore
        items = page.items;
        found.push(...items.filter(({ opportunityId }) => opportunityId === id).map(({ type }) => type));
        after = page.next ?? after;
      }
      return found.length === 3 && found;
    });
    expect(own).toEqual(['opportunity.changed', 'opportunity.changed', 'opportunity.lost']);
  });
});

describe('qualifying a lead', () => {
  const full = () => ({ opportunity: { title: `Doors ${name()}`, currency: 'EUR', value: 900 }, task: { text: 'Measure the doors', dueOn: '2026-12-01' } }); // prettier-ignore
  const qualify = (id: string, body: object) => rep.send<Qualified & Problem>('POST', `/leads/${id}/qualify`, body);

  it('makes a contact, an opportunity and a task at once, and taking it back gives every row as it was', async () => {
    const one = await lead();
    await changePeople([one.id], { status: 'Talked to' });
    const before = await rep.person(one.id);
    const { status, body } = await qualify(one.id, { version: before.version, company: { name: `House ${name()}` }, ...full() }); // prettier-ignore
    expect(status).toBe(201);
    const after = await rep.person(one.id);
    expect(after).toMatchObject({ kind: 'contact', fields: { company: expect.stringMatching(/^House/) }, qualifiedAt: expect.any(String), history: expect.arrayContaining([expect.objectContaining({ action: 'qualified' })]) }); // prettier-ignore
    const made = await seen(body.opportunityId!);
    expect(made).toMatchObject({ company: { id: after.companyId }, people: [{ personId: one.id }], tasks: [{ text: 'Measure the doors', person: { id: one.id } }] }); // prettier-ignore
    expect((await rep.get<{ items: unknown[] }>(`/people?lead=qualified&q=${one.familyName}`)).body.items).toHaveLength(1); // prettier-ignore
    for (let i = 0; i < 2; i++) expect((await rep.send('POST', `/qualifications/${body.id}/undo`)).status).toBe(204);
    const same = ({ version: _, updatedAt: __, history: ___, ...rest }: typeof before) => rest;
    expect(same(await rep.person(one.id))).toEqual(same(before));
    expect((await rep.get(`/opportunities/${body.opportunityId}`)).status).toBe(404);
    expect((await rep.get(`/companies/${after.companyId}`)).status).toBe(404);
    expect((await rep.get<{ items: unknown[] }>(`/people?lead=open&status=Talked+to&q=${one.familyName}`)).body.items).toHaveLength(1); // prettier-ignore
  });

  it('into somebody who is known brings the two together, and parts them again', async () => {
    const [one, two] = [await lead(), await lead()];
    await changePeople([two.id], { kind: 'contact' });
    const known = await rep.person(two.id);
    const { status, body } = await qualify(one.id, { version: one.version, known: { personId: two.id, version: known.version }, ...full() }); // prettier-ignore
    expect([status, body.personId]).toEqual([201, two.id]);
    expect((await rep.get<{ id: string }>(`/people/${one.id}`)).body.id).toBe(two.id);
    expect((await seen(body.opportunityId!)).people).toMatchObject([{ personId: two.id }]);
    expect((await rep.send('POST', `/qualifications/${body.id}/undo`)).status).toBe(204);
    expect(await rep.person(one.id)).toMatchObject({ id: one.id, kind: 'lead', qualifiedAt: null });
    expect(await rep.person(two.id)).toMatchObject({ kind: 'contact', qualifiedAt: known.qualifiedAt });
  });

  it('does all of it or nothing, and only to a lead as it was seen', async () => {
    const one = await lead();
    const task = { text: 'Measure the doors' };
    expect((await qualify(one.id, { version: one.version, opportunity: { title: 'Doors', currency: 'EUR', stageId: randomUUID() }, task })).status).toBe(404); // prettier-ignore
    expect(await rep.person(one.id)).toMatchObject({ kind: 'lead', steps: [], version: one.version });
    expect((await qualify(one.id, { version: one.version + 1 })).body).toMatchObject({ status: 409, code: 'person-changed' }); // prettier-ignore
    const both = await Promise.all([1, 2].map(() => qualify(one.id, { version: one.version, task })));
    expect(both.map(({ status }) => status).sort()).toEqual([201, 409]);
    expect((await rep.get<TaskPage>(`/tasks?personId=${one.id}`)).body.items).toHaveLength(1);
    expect((await qualify(one.id, { version: (await rep.person(one.id)).version })).body.code).toBe('no-lead');
  });

  it('is not taken back over what was done since, and says what that is', async () => {
    const one = await lead();
    const { body } = await qualify(one.id, { version: one.version, ...full() });
    await move(body.opportunityId!, settings.stages[1]!.id);
    const undo = () => rep.send<Problem>('POST', `/qualifications/${body.id}/undo`);
    expect((await undo()).body).toMatchObject({ status: 409, detail: expect.stringContaining('has been worked on since') }); // prettier-ignore
    expect(await rep.person(one.id)).toMatchObject({ kind: 'contact' });
    await rep.send('DELETE', `/opportunities/${body.opportunityId}?version=2`);
    expect((await undo()).status).toBe(204);
    expect(await rep.person(one.id)).toMatchObject({ kind: 'lead' });
  });
});

describe('leads', () => {
  it('are closed together for a reason, opened again together, and stand where they are listed', async () => {
    const tag = name();
    const leads = [await lead({ tags: [tag] }), await lead({ tags: [tag] })];
    const contact = await lead({ tags: [tag] });
    await changePeople([contact.id], { kind: 'contact' });
    const listed = async (narrowed: string) => (await rep.get<{ total: number }>(`/people?tag=${tag}&${narrowed}`)).body.total; // prettier-ignore
    const request = { who: { list: `tag=${tag}` }, what: { closed: { reason: 'No need', words: 'Has a dry store' } } };
    expect((await rep.send('POST', '/people/changes', { ...request, preview: true })).body).toMatchObject({ changed: 2, left: [{ why: 'noLead', people: 1 }] }); // prettier-ignore
    const { body: change } = await rep.send<PeopleChangeState>('POST', '/people/changes', request);
    expect(change).toMatchObject({ changed: 2, leftTotal: 1, state: 'done' });
    expect(await rep.person(leads[0]!.id)).toMatchObject({ closed: { reason: 'No need', words: 'Has a dry store' }, history: [{ changes: [{ field: 'closed', before: '', after: 'No need: Has a dry store' }] }, {}] }); // prettier-ignore
    expect(await Promise.all(['lead=closed', 'reason=No+need', 'lead=open', 'lead=qualified'].map(listed))).toEqual([2, 2, 0, 1]); // prettier-ignore
    const inLeads = async (state: string) => {
      const { items } = (await rep.get<LeadPage>(`/leads?state=${state}&sort=filed&limit=100`)).body;
      return leads.filter(({ id }) => items.some((item) => item.id === id)).length;
    };
    expect([await inLeads('open'), await inLeads('closed')]).toEqual([0, 2]);
    await changePeople([leads[1]!.id], { closed: null });
    expect((await rep.send<PeopleChangeState>('POST', `/people/changes/${change.id}/undo`)).body.state).toBe('undone');
    expect(await Promise.all(['lead=closed', 'lead=open'].map(listed))).toEqual([0, 2]);
  });

  it('come the longest untouched first, with what they lack and what is next, page by page', async () => {
    const status = name();
    const [one, two, three] = [await lead(), await lead({ company: '' }), await lead()] as const;
    await changePeople([one.id, two.id, three.id], { status });
    await rep.send('POST', `/people/${one.id}/tasks`, { text: 'Call', dueOn: '2026-12-01' });
    const page = async (query: string) => (await rep.get<LeadPage>(`/leads?status=${status}&${query}`)).body;
    const first = await page('limit=2');
    expect([first.total, first.items.length]).toEqual([3, 2]);
    const rest = await page(`limit=2&cursor=${first.next}`);
    const all = [...first.items, ...rest.items];
    expect(all.map(({ id }) => id)).toEqual([two.id, three.id, one.id]);
    expect(all[0]).toMatchObject({ lacks: ['company'], status, closed: null });
    expect(all[2]).toMatchObject({ lacks: [], next: { text: 'Call', dueOn: '2026-12-01' } });
    expect((await page('sort=next')).items[0]!.id).toBe(one.id);
  });
});

describe('the words and stages of a team', () => {
  it('are set by whoever is in charge; a stage with something in it stays', async () => {
    expect((await rep.send('PUT', '/pipeline-settings', settings)).status).toBe(403);
    const extra = { id: randomUUID(), name: 'Waits for the board', chance: 60, staleDays: null };
    const wider = { ...settings, stages: [...settings.stages, extra], rates: [{ currency: 'XTS', rate: 0.5 }] };
    expect((await manager.send('PUT', '/pipeline-settings', wider)).status).toBe(204);
    const id = await opportunity({ stageId: extra.id, value: 100, currency: 'XTS' });
    expect((await manager.send<Problem>('PUT', '/pipeline-settings', settings)).body).toMatchObject({ status: 409, code: 'stage-in-use' }); // prettier-ignore
    expect((await rep.get<Board>('/board')).body.together.without).not.toContain('XTS');
    await move(id, settings.stages[0]!.id);
    expect((await manager.send('PUT', '/pipeline-settings', settings)).status).toBe(204);
    expect((await seen(id)).stays.map(({ stage }) => stage)).toEqual(['Waits for the board', settings.stages[0]!.name]);
    expect((await rep.send('PUT', `/opportunities/${id}/stage`, { stageId: extra.id, version: 2 })).status).toBe(404);
    for (const wrong of [{ stages: [] }, { goals: [{ month: '2026-13', value: 1 }] }, { leadStatuses: ['New', 'new'] }, { timeZone: 'Nowhere' }]) // prettier-ignore
      expect([wrong, (await manager.send('PUT', '/pipeline-settings', { ...settings, ...wrong })).status]).toEqual([wrong, 400]); // prettier-ignore
  });

  it('begin once, also where two look at the same time', async () => {
    const owner = Sql.ofOwner();
    const strangers = await Promise.all([1, 2, 3].map(() => Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate'))); // prettier-ignore
    const boards = await Promise.all(strangers.map((one) => one.get<Board>('/board')));
    expect(boards.map(({ body }) => body.columns.length)).toEqual([4, 4, 4]);
    const [row] = await owner.query<{ stages: number }[]>(`select count(*)::int as stages from stage where workspace_id = (select workspace_id from account where email = 'juno@tarnmoorpack.example')`); // prettier-ignore
    await owner.destroy();
    expect(row!.stages).toBe(4);
  });
});

describe('business as a table', () => {
  const back = (csv: string, preview: boolean) =>
    rep.send<TableBack & Problem>('POST', `/business/import?preview=${preview ? 1 : 0}`, Buffer.from(csv), { 'content-type': 'text/csv' }); // prettier-ignore

  it('goes out, is changed there and comes back; what was changed here as well stays', async () => {
    const tag = name();
    const { id: personId } = await lead({ tags: [tag] });
    const people = [{ personId, part: 'decides' as const }];
    const [one, two] = [await opportunity({ title: `=Doors ${tag}`, value: 1000, people }), await opportunity({ title: `Seals ${tag}`, value: 50, people })]; // prettier-ignore
    const { body: csv } = await rep.get<string>(`/business/export?format=csv&tag=${tag}&sort=value`);
    const [head, first, second, ...none] = csv
      .replace(/^\uFEFF/, '')
      .trimEnd()
      .split('\r\n');
    expect([head!.split(',').slice(0, 3), none]).toEqual([['Opportunity', 'Company', 'Worth'], []]);
    // A formula is text, and comes back as what it was.
    expect(first).toContain(`'=Doors ${tag}`);
    const same = await back(csv, false);
    expect(same.body).toMatchObject({ made: 0, changed: 0, same: 2, conflicts: [], faults: [] });
    await rep.send('PUT', `/opportunities/${two}`, { title: `Seals here ${tag}`, currency: 'EUR', value: 50, people, version: 1 }); // prettier-ignore
    const edited = [
      head,
      first!.replace(',1000,', ',1250.75,').replace(settings.stages[0]!.name, settings.stages[1]!.name),
      second!.replace(`Seals ${tag}`, `Seals there ${tag}`).replace(',50,', ',60,'),
      `Ramps ${tag},,7 000`,
      `Nowhere ${tag},No such firm,much`,
    ].join('\r\n');
    const looked = await back(edited, true);
    expect(looked.body).toMatchObject({ made: 1, changed: 2, same: 0, conflicts: [{ row: 2, field: 'Opportunity', here: `Seals here ${tag}`, there: `Seals there ${tag}` }] }); // prettier-ignore
    expect(looked.body.faults.map(({ row, field }) => [row, field])).toEqual([[4, 'Worth'], [4, 'Company']]); // prettier-ignore
    expect(await seen(one)).toMatchObject({ value: 1000, version: 1 });
    expect((await back(edited, false)).body).toEqual(looked.body);
    expect(await seen(one)).toMatchObject({ value: 1250.75, stageId: settings.stages[1]!.id, people: [{ personId }] });
    expect(await seen(two)).toMatchObject({ value: 60, title: `Seals here ${tag}` });
    const { items } = (await rep.get<OpportunityPage>(`/opportunities?q=ramps+${tag}`)).body;
    expect(items).toMatchObject([{ value: 7000, stageId: settings.stages[0]!.id }]);
    const { headers } = await rep.get<string>(`/business/export?format=xlsx&tag=${tag}`);
    expect(headers.get('content-type')).toContain('spreadsheetml');
    const assistant = await Client.signedIn('pim@keldermoss.example');
    expect((await assistant.get('/business/export?format=csv')).status).toBe(403);
    const twice = await back([head, first, first!.replace(',1000,', ',3,')].join('\r\n'), true);
    expect(twice.body.faults.map(({ row, fault }) => [row, fault])).toEqual([[2, 'This row is there twice; only the first is read.']]); // prettier-ignore
    for (const wrong of ['', 'Name,E-mail\r\nA,B', '\u0000\u0001\u0002'])
      expect([wrong, (await back(wrong, false)).status]).toEqual([wrong, 422]);
  });
});

describe('what another team has', () => {
  it('is not there for this one, by no id, and stays as it is', async () => {
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    const theirs = (await stranger.send<{ id: string }>('POST', '/opportunities', { title: 'Crates', currency: 'EUR' })).body.id; // prettier-ignore
    const [stage] = (await stranger.get<PipelineSettings>('/pipeline-settings')).body.stages;
    const person = await stranger.filed({ givenName: 'Nia', familyName: 'Elsewhere' });
    const base = { title: 'Doors', currency: 'EUR' };
    const asked: [string, string, object | undefined, number][] = [
      ['GET', `/opportunities/${theirs}`, undefined, 404],
      ['PUT', `/opportunities/${theirs}/stage`, { stageId: stage!.id, version: 1 }, 404],
      ['PUT', `/opportunities/${theirs}/end`, { state: 'won', version: 1 }, 404],
      ['POST', `/opportunities/${theirs}/notes`, { text: 'x' }, 404],
      ['POST', '/opportunities', { ...base, stageId: stage!.id }, 404],
      ['POST', '/opportunities', { ...base, people: [{ personId: person, part: 'uses' }] }, 404],
      ['POST', '/opportunities', { ...base, id: theirs }, 409],
    ];
    for (const [method, path, body, status] of asked)
      expect([method, path, (await rep.send(method, path, body)).status]).toEqual([method, path, status]);
    // What a device sends under an id of theirs is not lost unsaid.
    const task = (await stranger.send<{ id: string }>('POST', '/tasks', { text: 'Count the crates' })).body.id;
    expect((await rep.send('POST', '/tasks', { id: task, text: 'Ring' })).status).toBe(409);
    const note = (await stranger.send<{ id: string }>('POST', `/people/${person}/notes`, { kind: 'note', text: 'Heavy' })).body.id; // prettier-ignore
    const { id: own } = await lead();
    expect((await rep.send('POST', `/people/${own}/notes`, { id: note, kind: 'note', text: 'Ours' })).status).toBe(409);
    const settings = (await manager.get<PipelineSettings>('/pipeline-settings')).body;
    const stolen = { ...settings, stages: [...settings.stages, { ...stage!, name: 'Stolen' }] };
    expect((await manager.send('PUT', '/pipeline-settings', stolen)).status).toBe(409);
    expect((await manager.get<PipelineSettings>('/pipeline-settings')).body.stages).toEqual(settings.stages);
    expect((await stranger.get<Opportunity>(`/opportunities/${theirs}`)).body).toMatchObject({ title: 'Crates', state: 'open', version: 1, notes: [] }); // prettier-ignore
  });
});
