import { randomUUID } from 'node:crypto';
import type { Coming, Funnel, ListedPerson, OccasionReport, OpportunityPage, Owed, PeoplePage, PipelineSettings, Problem, Qualified, ReadingFigures, Speed } from '@dossier/contract'; // prettier-ignore
import { Client } from './client';
import { Sql } from './sql';

jest.setTimeout(180_000);

let rep: Client;
let idris: Client;
let manager: Client;
let owner: Sql;
let settings: PipelineSettings;
const accounts: Record<string, string> = {};
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  idris = await Client.signedIn('idris@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  settings = (await rep.get<PipelineSettings>('/pipeline-settings')).body;
  owner = Sql.ofOwner();
  const { items } = (await rep.get<{ items: { id: string; name: string }[] }>('/team')).body;
  for (const { id, name } of items) accounts[name.split(' ')[0]!] = id;
});
afterAll(() => owner.destroy());

const DAY = 86_400_000;
const day = (at: Date) => at.toISOString().slice(0, 10);
const RANGE = { from: '2019-01-01', to: '2019-12-31' };

interface Made {
  id: string;
  taken: Date;
  filed: Date;
  written?: Date;
  answered?: Date;
  ownerId: string;
  occasionId: string;
}

/** Leads of an occasion of their own, filed in a year of their own, some of them written to and answered. */
async function season(number: number, who = rep, ownerId = accounts.Ottilie!) {
  const occasionId = randomUUID();
  await who.send('PUT', `/occasions/${occasionId}`, { name: `Quay fair ${occasionId.slice(0, 6)}`, kind: 'lead' });
  const made: Made[] = [];
  for (let i = 0; i < number; i++) {
    const name = `Season${randomUUID().replace(/[^a-f]/g, '').slice(0, 9)}`; // prettier-ignore
    const cardId = await who.typedCard(`Nora ${name}\nnora@${name.toLowerCase()}.example`, occasionId);
    const fields = { givenName: 'Nora', familyName: name, company: `${name} Mills`, emails: [`nora@${name.toLowerCase()}.example`] }; // prettier-ignore
    const id = await who.filed(fields, { cardId, kind: 'lead' });
    const taken = new Date(Date.UTC(2019, 2, 4 + i, 9));
    const filed = new Date(taken.getTime() + (i + 1) * 3_600_000);
    const written = i % 3 < 2 ? new Date(filed.getTime() + (i + 1) * DAY) : undefined;
    const answered = i % 3 === 0 ? new Date(written!.getTime() + 2 * DAY) : undefined;
    await owner.query('update person set created_at = $2, updated_at = $2 where id = $1', [id, filed]);
    await owner.query('update card set taken_at = $2, filed_at = $3 where id = $1', [cardId, taken, filed]);
    await owner.query('update proof_fact set at = $2 where card_id = $1', [cardId, filed]);
    for (const [at, direction, state, kind] of [
      [written, 'out', 'sent', 'byHand'],
      [answered, 'in', 'received', 'answer'],
    ] as const)
      // prettier-ignore
      if (at)
        await owner.query(
          `insert into message (id, workspace_id, person_id, direction, state, kind, header_id, sender, recipient, subject, body, made_at, at)
           select gen_random_uuid(), workspace_id, id, $2, $3, $4, gen_random_uuid()::text, 'a@b.example', 'c@d.example', 'x', 'x', $5, $5 from person where id = $1`,
          [id, direction, state, kind, at],
        );
    made.push({ id, taken, filed, written, answered, ownerId, occasionId });
  }
  return { occasionId, made };
}

/** The list behind a number, all of it. */
async function behind(query: string): Promise<ListedPerson[]> {
  const { items, next, total } = (await manager.get<PeoplePage>(`/people?${query}&limit=100`)).body;
  if (!next) expect(items).toHaveLength(total);
  return items;
}
const qualify = async (id: string, value: number, who = rep) =>
  (await who.send<Qualified>('POST', `/leads/${id}/qualify`, { version: (await who.person(id)).version, opportunity: { title: `Doors ${id.slice(0, 6)}`, currency: 'EUR', value } })).body; // prettier-ignore

describe('what an occasion brought', () => {
  it('is counted and added up, and each number is that of the list behind it', async () => {
    const { occasionId, made } = await season(5);
    const [first, second, third] = await Promise.all(made.slice(0, 3).map(({ id }, i) => qualify(id, 1000 * (i + 1)))); // prettier-ignore
    const end = (id: string, state: 'won' | 'lost') => rep.send('PUT', `/opportunities/${id}/end`, { state, reason: 'Price', version: 1 }); // prettier-ignore
    await end(first!.opportunityId!, 'won');
    await end(second!.opportunityId!, 'lost');
    await rep.send('POST', '/people/changes', { who: { ids: [made[4]!.id] }, what: { closed: { reason: 'No need' } } }); // prettier-ignore
    expect((await rep.send('PUT', `/insight/occasions/${occasionId}/cost`, { cost: 500 })).status).toBe(403);
    expect((await manager.send('PUT', `/insight/occasions/${occasionId}/cost`, { cost: 500 })).status).toBe(204);
    const report = (await rep.get<OccasionReport>(`/insight/occasions/${occasionId}`)).body;
    const chance = settings.stages[0]!.chance;
    expect(report).toMatchObject({
      cards: 5, people: 5, leads: 5, qualified: 3, closed: 1, cost: 500, costPerLead: 100,
      won: { number: 1, sums: [{ currency: 'EUR', value: 1000, weighted: 1000 }] }, wonTogether: 1000,
      lost: { number: 1, sums: [{ value: 2000, weighted: 0 }] }, open: { number: 1, sums: [{ value: 3000, weighted: 30 * chance }] },
      byPerson: [{ ownerId: accounts.Ottilie, cards: 5, leads: 5, qualified: 3 }],
    }); // prettier-ignore
    expect(report.hours.map(({ day: on, hour, cards }) => [on, hour, cards])).toEqual(made.map(({ taken }) => [day(taken), 9, 1])); // prettier-ignore
    expect(await behind(`occasion=${occasionId}`)).toHaveLength(5);
    expect(await behind(`occasion=${occasionId}&lead=open&lead=closed&lead=qualified`)).toHaveLength(5);
    expect(await behind(`occasion=${occasionId}&lead=qualified`)).toHaveLength(3);
    for (const state of ['won', 'lost', 'open'] as const) {
      const { total, sums } = (await rep.get<OpportunityPage>(`/opportunities?occasion=${occasionId}&state=${state}`)).body; // prettier-ignore
      expect([total, sums]).toEqual([report[state].number, report[state].sums]);
    }
    expect(third!.opportunityId).toBeTruthy();
    const pdf = await rep.send<string>('GET', `/insight/occasions/${occasionId}/report`);
    expect([pdf.headers.get('content-type'), String(pdf.body).slice(0, 5)]).toEqual(['application/pdf', '%PDF-']);
  });

  it('is counted for whoever was met in hundreds of places too', async () => {
    const { made, occasionId } = await season(1);
    const id = made[0]!.id;
    await owner.query(
      `with places as (insert into occasion
         select (jsonb_populate_record(o, jsonb_build_object('id', gen_random_uuid(), 'name', 'Stop ' || n))).* from occasion o, generate_series(1, 400) n where o.id = $2 returning id)
       insert into card select (jsonb_populate_record(k, jsonb_build_object('id', gen_random_uuid(), 'occasion_id', places.id))).* from places, card k where k.person_id = $1`,
      [id, occasionId],
    );
    const { rating, kind, tags, version, fields } = await rep.person(id);
    expect((await rep.send('PUT', `/people/${id}`, { version, fields: { ...fields, title: 'Everywhere' }, kind, tags, rating })).status).toBeLessThan(300); // prettier-ignore
    await owner.query(`delete from occasion where name like 'Stop %'`);
  });

  it('is a team’s own', async () => {
    const { occasionId } = await season(1);
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    for (const path of ['', '/report']) expect((await stranger.get(`/insight/occasions/${occasionId}${path}`)).status).toBe(404); // prettier-ignore
    expect((await stranger.get<Funnel>(`/insight/leads?from=2019-01-01&to=2019-12-31`)).body.steps[0]!.number).toBe(0);
  });
});

describe('figures of a time', () => {
  it('are those of a slow, plain recount', async () => {
    const { occasionId, made } = await season(7);
    await qualify(made[0]!.id, 100);
    await qualify(made[1]!.id, 100);
    await rep.send('POST', '/people/changes', { who: { ids: [made[2]!.id, made[5]!.id] }, what: { closed: { reason: 'No money' } } }); // prettier-ignore
    const asked = new URLSearchParams({ ...RANGE, occasion: occasionId }).toString();
    const { all, weeks, owners } = (await manager.get<Speed>(`/insight/speed?${asked}`)).body;
    const quarter = (values: number[], share: number) => {
      const sorted = [...values].sort((a, b) => a - b);
      return sorted[Math.ceil(share * sorted.length) - 1]!;
    };
    const spread = (times: number[]) => ({ number: times.length, low: quarter(times, 0.25), middle: quarter(times, 0.5), high: quarter(times, 0.75) }); // prettier-ignore
    const seconds = (from: Date, to: Date) => (to.getTime() - from.getTime()) / 1000;
    const took = (step: 'filed' | 'written' | 'answered', of = made) => of.flatMap((one) => (one[step] ? [seconds(one.taken, one[step])] : [])); // prettier-ignore
    expect(all).toMatchObject({ people: 7, filed: spread(took('filed')), written: spread(took('written')), answered: spread(took('answered')) }); // prettier-ignore
    expect(all.qualified!.number).toBe(2);
    expect(weeks.map(({ week, people }) => [week, people])).toEqual([
      ['2019-03-04', 7 - made.filter(({ filed }) => day(filed) > '2019-03-10').length],
      ...(made.some(({ filed }) => day(filed) > '2019-03-10') ? [['2019-03-11', made.filter(({ filed }) => day(filed) > '2019-03-10').length]] : []),
    ]); // prettier-ignore
    expect(owners).toMatchObject([{ ownerId: accounts.Ottilie, people: 7, written: spread(took('written')) }]);

    const funnel = (await manager.get<Funnel>(`/insight/leads?${asked}`)).body;
    // 0 and 1 have business; of the others 3 and 6 answered, 4 was written to, 2 and 5 were not.
    expect(funnel.steps.map(({ reached, number, open, closed }) => [reached, number, open, closed])).toEqual([
      ['filed', 7, 0, 2],
      ['written', 5, 1, 0],
      ['answered', 4, 2, 0],
      ['qualified', 2, 0, 0],
      ['business', 2, 2, 0],
      ['won', 0, 0, 0],
    ]);
    expect(funnel.reasons).toEqual([{ reason: 'No money', number: 2 }]);
    expect(funnel.occasions).toMatchObject([
      { occasionId, counts: { filed: 2, written: 1, answered: 2, business: 2 } },
    ]);
    expect(funnel.sources).toMatchObject([
      { source: 'text', counts: { filed: 2, written: 1, answered: 2, business: 2 } },
    ]);
    expect(await behind(`occasion=${occasionId}&source=text`)).toHaveLength(7);
    expect(await behind(`occasion=${occasionId}&source=card`)).toHaveLength(0);
    const REACHED = ['filed', 'written', 'answered', 'qualified', 'business', 'won'];
    for (const [place, { number, reached, open, closed }] of funnel.steps.entries()) {
      const was = `lead=open&lead=closed&lead=qualified&occasion=${occasionId}&filedFrom=${RANGE.from}&filedTo=${RANGE.to}`;
      const far = REACHED.slice(place).map((one) => `reached=${one}`).join('&'); // prettier-ignore
      expect([reached, (await behind(`${was}&${far}`)).length]).toEqual([reached, number]);
      const there = was.replace('lead=closed&', '');
      expect([reached, (await behind(`${there}&reached=${reached}`)).length]).toEqual([reached, open]);
      expect([reached, (await behind(`${was.replace('lead=open&', '').replace('&lead=qualified', '')}&reached=${reached}`)).length]).toEqual([reached, closed]); // prettier-ignore
    }
  });

  it('of reading tell what was put right when cards were filed', async () => {
    const occasionId = randomUUID();
    await rep.send('PUT', `/occasions/${occasionId}`, { name: `Reading ${occasionId.slice(0, 6)}` });
    const file = async (text: string, fields: object) => rep.filed(fields, { cardId: await rep.typedCard(text, occasionId) }); // prettier-ignore
    await file('Nora Quillfeather\nnora@quillfeather.example', { givenName: 'Nora', familyName: 'Quillfeather', emails: ['nora@quillfeather.example'] }); // prettier-ignore
    await file('Nora Quillfcather\nnora.q@quillfeather.example', { givenName: 'Nora', familyName: 'Quillfeather', title: 'Miller', emails: ['nora.q@quillfeather.example'] }); // prettier-ignore
    const today = day(new Date());
    const figures = (await manager.get<ReadingFigures>(`/insight/reading?from=${today}&to=${today}&occasion=${occasionId}`)).body; // prettier-ignore
    expect(figures.cards).toBe(2);
    const field = (name: string) => figures.fields.find((one) => one.field === name);
    expect(field('familyName')).toMatchObject({ corrected: 1 });
    expect(field('title')).toMatchObject({ missed: 1 });
    expect(figures.weeks).toHaveLength(1);
  });

  it('are one’s own and the team’s together, unless the team wants otherwise', async () => {
    const [{ occasionId }, theirs] = [await season(2), await season(3, idris, accounts.Idris!)];
    const asked = (more: string) => `/insight/leads?from=${RANGE.from}&to=${RANGE.to}&${more}`;
    const both = `occasion=${occasionId}&occasion=${theirs.occasionId}`;
    const mine = (await rep.get<Funnel>(asked(both))).body;
    expect(mine.steps[0]!.number).toBe(5);
    expect(mine.owners.map(({ ownerId }) => ownerId)).toEqual([accounts.Ottilie]);
    expect((await rep.get<Problem>(asked(`owner=${accounts.Idris}`))).status).toBe(403);
    expect((await manager.get<Funnel>(asked(both))).body.owners.map(({ ownerId }) => ownerId).sort()).toEqual([accounts.Ottilie!, accounts.Idris!].sort()); // prettier-ignore
    await manager.send('PUT', '/pipeline-settings', { ...settings, figures: 'all' });
    expect((await rep.get<Funnel>(asked(both))).body.owners).toHaveLength(2);
    await manager.send('PUT', '/pipeline-settings', settings);
    for (const wrong of ['from=2019-02-01&to=2019-01-01', 'from=soon&to=2019-01-01', 'to=2019-01-01'])
      expect([wrong, (await rep.get(`/insight/speed?${wrong}`)).status]).toEqual([wrong, 400]);
  });
});

describe('what lies ahead', () => {
  it('is added up by month in the team’s currency, against what is wanted', async () => {
    const month = '2037-05';
    const before = (await rep.get<Coming>('/insight/coming?day=2037-04-10')).body;
    expect(before.months.find((one) => one.month === month)).toBeUndefined();
    const make = (more: object) => rep.send('POST', '/opportunities', { title: 'Far ahead', expectedOn: `${month}-09`, ...more }); // prettier-ignore
    await make({ currency: 'EUR', value: 1000, chance: 50 });
    await make({ currency: 'XTS', value: 100, chance: 100 });
    await make({ currency: 'XXX', value: 7, chance: 100 });
    await manager.send('PUT', '/pipeline-settings', { ...settings, rates: [{ currency: 'XTS', rate: 2 }], goals: [{ month, value: 5000 }, { month: '2037-06', value: 1 }] }); // prettier-ignore
    const { months, withoutRate } = (await rep.get<Coming>('/insight/coming?day=2037-04-10')).body;
    expect(months.filter(({ month: one }) => one >= month)).toEqual([
      { month, number: 3, value: 1200, weighted: 700, won: 0, goal: 5000 },
      { month: '2037-06', number: 0, value: 0, weighted: 0, won: 0, goal: 1 },
    ]);
    expect(withoutRate).toContain('XXX');
    const { total } = (await rep.get<OpportunityPage>(`/opportunities?state=open&from=${month}-01&to=${month}-31`)).body; // prettier-ignore
    expect(total).toBe(3);
    await manager.send('PUT', '/pipeline-settings', settings);
  });

  it('tells who was never written to, by owner, as many as their list has', async () => {
    await season(3);
    const { owners, late } = (await manager.get<Owed>('/insight/owed?day=2026-01-01')).body;
    expect(owners[0]).toMatchObject({ ownerId: null });
    for (const { ownerId, neverWritten } of owners) {
      const query = new URLSearchParams({
        written: 'no',
        email: 'yes',
        limit: '1',
        ...(ownerId && { owner: ownerId }),
      });
      const { total, counted } = (await manager.get<PeoplePage>(`/people?${query}`)).body;
      if (counted === 'exact') expect([ownerId, total]).toEqual([ownerId, neverWritten]);
    }
    expect(late.every(({ dueOn }) => dueOn < '2026-01-01')).toBe(true);
    expect((await rep.get<Owed>('/insight/owed?day=2026-01-01')).body.owners.map(({ ownerId }) => ownerId)).toEqual([null, accounts.Ottilie]); // prettier-ignore
  });
});
