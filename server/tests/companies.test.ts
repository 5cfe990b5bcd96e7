import { randomUUID } from 'node:crypto';
import type { CompaniesPage, Company, CompanyLogo, PeoplePage } from '@dossier/contract';
import sharp from 'sharp';
import { Client, personFields } from './client';
import { Sql } from './sql';

jest.setTimeout(180_000);

let rep: Client;
let manager: Client;
let assistant: Client;
let stranger: Client;
/** A word that only these tests' firms have. */
const OWN = `Brackmoor${randomUUID()
  .replace(/[^a-f]/g, '')
  .slice(0, 6)}`;
const filed: string[] = [];
const file = async (familyName: string, company: string, fields: object = {}, rest: object = {}) => {
  const id = await rep.filed({ givenName: 'Ingrith', familyName, company, ...fields }, rest);
  filed.push(id);
  return id;
};

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  assistant = await Client.signedIn('pim@keldermoss.example');
  stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
});
afterAll(async () => {
  for (const id of filed) await manager.send('POST', `/people/${id}/erase`);
});

const find = async (q: string, client = rep, rest = '') =>
  (await client.get<CompaniesPage>(`/companies?q=${encodeURIComponent(q)}${rest}`)).body.items;
const named = async (q: string) => (await find(q)).map(({ name }) => name);
const idOf = async (q: string) => (await find(q))[0]!.id;
const firm = async (id: string) => (await rep.get<Company>(`/companies/${id}`)).body;
const rename = async (id: string, name: string) => {
  const { version } = await firm(id);
  return rep.send<{ code: string; detail: string }>('PUT', `/companies/${id}`, { name, version });
};
const merge = (into: string, ...otherIds: string[]) => rep.send('POST', `/companies/${into}/merge`, { otherIds });
const move = (from: string, personIds: string[], to: string) =>
  rep.send<{ id: string; code: string }>('POST', `/companies/${from}/people/move`, { personIds, to });
const undo = (actId: string, client = rep) => client.send('POST', `/company-acts/${actId}/undo`);
const companyOf = async (id: string) => (await rep.person(id)).fields.company;

describe('firms', () => {
  it('are made when people are filed, found by their names with slips, and show who works there and what they share', async () => {
    const work = (extension: string) => ({ value: '+441632960100', kind: 'work' as const, extension });
    const one = await file('Aldermoor', `${OWN} Quays Ltd`, {
      title: 'Dock master',
      phones: [work('12')],
      emails: ['a@quays.example'],
      locality: 'Port Ellery',
    });
    await file('Bellweather', `${OWN} Quays Ltd`, { phones: [work('15')], emails: ['b@quays.example'] });
    await file('Carrow', `${OWN} Nets`);
    expect(await named(OWN)).toEqual([`${OWN} Nets`, `${OWN} Quays Ltd`]);
    expect(await named(`${OWN.toLowerCase().replace('ack', 'akc')} quays`)).toEqual([`${OWN} Quays Ltd`]);
    expect(await named('…!')).toEqual([]);
    const [listed] = await find(`${OWN} quays`);
    expect(listed).toMatchObject({ people: 2, town: 'Port Ellery', knownAs: null });
    const found = await firm(listed!.id);
    expect(found).toMatchObject({
      name: `${OWN} Quays Ltd`,
      presentTotal: 2,
      formerTotal: 0,
      domains: [{ value: 'quays.example', people: 2 }],
      phones: [{ value: '+441632960100', people: 2 }],
      addresses: [{ locality: 'Port Ellery', people: 1 }],
    });
    expect(found.present.map(({ fullName, title }) => [fullName, title])).toEqual([
      ['Ingrith Aldermoor', 'Dock master'],
      ['Ingrith Bellweather', ''],
    ]);
    // Whoever leaves is a former one.
    const { version } = await rep.person(one);
    const fields = personFields({ givenName: 'Ingrith', familyName: 'Aldermoor', company: `${OWN} Elsewhere` });
    const cardId = await rep.typedCard();
    await rep.file({ cardId, fields, known: { personId: one, version, newJob: true } });
    expect(await firm(listed!.id)).toMatchObject({ presentTotal: 1, formerTotal: 1, former: [{ id: one }] });
  });

  it('come page by page in each order', async () => {
    for (const sort of ['name', 'people', 'new', undefined]) {
      const all = await find(OWN, rep, sort ? `&sort=${sort}` : '');
      const seen: string[] = [];
      let cursor: string | null = '';
      while (cursor !== null) {
        const { body }: { body: CompaniesPage } = await rep.get<CompaniesPage>(
          `/companies?q=${OWN}&limit=1${sort ? `&sort=${sort}` : ''}${cursor && `&cursor=${cursor}`}`,
        );
        seen.push(...body.items.map(({ id }) => id));
        cursor = body.next;
      }
      expect(seen).toEqual(all.map(({ id }) => id));
      expect(all.length).toBe(3);
    }
    expect((await find(OWN, rep, '&sort=new')).map(({ name }) => name)[0]).toBe(`${OWN} Elsewhere`);
    expect((await rep.get(`/companies?sort=shoesize`)).status).toBe(400);
  });

  it('come by how many work there, also while that changes and before it is counted anew', async () => {
    const owner = Sql.ofOwner();
    const count = () => owner.query('select count_staff()');
    const crowd = async () =>
      (await rep.get<CompaniesPage>('/companies?sort=people&limit=100')).body.items
        .filter(({ name }) => name.startsWith(`${OWN} Crew`))
        .map(({ name, people }) => `${name.slice(-1)}${people}`);
    const at = (firm: string, howMany: number, first = 0) =>
      Promise.all(Array.from({ length: howMany }, (_, i) => file(`Mate${first + i}`, `${OWN} Crew ${firm}`)));
    const [a, b] = [await at('A', 3), await at('B', 2)];
    await at('C', 2);
    expect(await crowd()).toEqual(['A3', 'B2', 'C2']);
    await count();
    expect(await crowd()).toEqual(['A3', 'B2', 'C2']);
    await at('C', 2, 5);
    expect(await crowd()).toEqual(['C4', 'A3', 'B2']);
    for (const id of a.slice(0, 2)) await rep.send('DELETE', `/people/${id}`);
    expect(await crowd()).toEqual(['C4', 'B2', 'A1']);
    await count();
    await rep.send('POST', `/people/${a[0]}/restore`);
    await rename(await idOf(`${OWN} Crew A`), `${OWN} Crew 0A`);
    expect(await crowd()).toEqual(['C4', 'A2', 'B2']);
    await count();
    await manager.send('POST', `/people/${b[0]}/erase`);
    expect(await crowd()).toEqual(['C4', 'A2', 'B1']);
    await count();
    expect(await crowd()).toEqual(['C4', 'A2', 'B1']);
    // One after the other, kept and counted ones in one order.
    await at('B', 5, 8);
    const whole = (await rep.get<CompaniesPage>('/companies?sort=people&limit=100')).body.items.map(({ id }) => id);
    const paged: string[] = [];
    for (let cursor: string | null = ''; cursor !== null;) {
      const { body }: { body: CompaniesPage } = await rep.get<CompaniesPage>(
        `/companies?sort=people&limit=2${cursor && `&cursor=${cursor}`}`,
      );
      paged.push(...body.items.map(({ id }) => id));
      cursor = body.next;
    }
    expect(paged.slice(0, whole.length)).toEqual(whole);
    expect(new Set(paged).size).toBe(paged.length);
    await count();
    const [wrong] = await owner.query<{ firms: string }[]>(
      `select count(*) as firms from company c left join company_staff s on s.company_id = c.id
       where c.sort_name <> s.sort_name or s.rank is distinct from -(select count(*)::int from employment e join person p on p.id = e.person_id
         where e.company_id = c.id and e.ended_at is null and p.deleted_at is null)`,
    );
    expect(wrong).toEqual({ firms: '0' });
    await owner.destroy();
  });

  it('of one name and different legal forms are two, until somebody says otherwise', async () => {
    const [gmbh, ag] = [await file('Dunholm', `${OWN}werk GmbH`), await file('Estmere', `${OWN}werk AG`)];
    expect(await named(`${OWN}werk`)).toEqual([`${OWN}werk AG`, `${OWN}werk GmbH`]);
    const [agId, gmbhId] = (await find(`${OWN}werk`)).map(({ id }) => id) as [string, string];
    expect((await merge(gmbhId, agId)).status).toBe(204);
    expect(await named(`${OWN}werk`)).toEqual([`${OWN}werk GmbH`]);
    expect(await Promise.all([gmbh, ag].map(companyOf))).toEqual([`${OWN}werk GmbH`, `${OWN}werk GmbH`]);
    expect((await rep.person(ag)).history[0]!.changes).toEqual([
      { field: 'company', before: `${OWN}werk AG`, after: `${OWN}werk GmbH` },
    ]);
    // The address of the one leads to the other; its name means it from now on, also on the next card.
    expect(await firm(agId)).toMatchObject({ id: gmbhId, otherNames: [`${OWN}werk AG`], presentTotal: 2 });
    const later = await file('Fallowby', `${OWN}werk AG`);
    expect(await companyOf(later)).toBe(`${OWN}werk GmbH`);
    expect(await rep.get<PeoplePage>(`/people?company=${gmbhId}`)).toMatchObject({ body: { total: 3 } });

    // Parted again; who came since stays.
    const [act] = (await firm(gmbhId)).history;
    expect(act).toMatchObject({ action: 'merged', before: `${OWN}werk AG`, people: 1, canUndo: true });
    expect((await undo(act!.id, assistant)).status).toBe(403);
    expect((await undo(act!.id)).status).toBe(204);
    expect(await Promise.all([gmbh, ag, later].map(companyOf))).toEqual([
      `${OWN}werk GmbH`,
      `${OWN}werk AG`,
      `${OWN}werk GmbH`,
    ]);
    expect((await firm(gmbhId)).history[0]).toMatchObject({ canUndo: false, undoneAt: expect.any(String) });
    expect((await undo(act!.id)).status).toBe(204);
  });

  it('keep what they were called: lists, cards and matching know it', async () => {
    const id = await file('Gannerby', `${OWN} Chandlers`, { emails: ['g@chandlers.example'] });
    const firmId = await idOf(`${OWN} chandlers`);
    expect((await rename(firmId, `${OWN} Ropeworks`)).status).toBe(204);
    expect(await companyOf(id)).toBe(`${OWN} Ropeworks`);
    expect(await find(`${OWN} chandlers`)).toMatchObject([{ name: `${OWN} Ropeworks`, knownAs: `${OWN} Chandlers` }]);
    expect((await rep.get<PeoplePage>(`/people?q=${OWN}+ropeworks`)).body.items.map((one) => one.id)).toEqual([id]);
    const old = personFields({ givenName: 'Ingrith', familyName: 'Gannerby', company: `${OWN} Chandlers` });
    const [known] = await rep.matches(old);
    expect(known).toMatchObject({ person: { id }, newJob: false });
    const again = await file('Harrowmere', `${OWN} Chandlers`);
    expect(await companyOf(again)).toBe(`${OWN} Ropeworks`);
    // Back to what it was: the newer name is a former one now.
    expect((await rename(firmId, `${OWN} Chandlers`)).status).toBe(204);
    expect((await firm(firmId)).otherNames).toEqual([`${OWN} Ropeworks`]);
    expect((await firm(firmId)).history.map(({ action, after }) => [action, after])).toEqual([
      ['renamed', `${OWN} Chandlers`],
      ['renamed', `${OWN} Ropeworks`],
    ]);
    const refused = await rename(firmId, `${OWN} Nets`);
    expect([refused.status, refused.body.code]).toEqual([409, 'firm-exists']);
    expect((await rep.send('PUT', `/companies/${firmId}`, { name: 'Stale', version: 1 })).status).toBe(409);
  });

  it('may take the name of one that became them', async () => {
    await file('Ivelstone', `${OWN} Oldname`);
    await file('Jessamy', `${OWN} Newname`);
    const [oldId, newId] = [await idOf(`${OWN} oldname`), await idOf(`${OWN} newname`)];
    await merge(newId, oldId);
    expect((await rename(newId, `${OWN} Oldname`)).status).toBe(204);
    const { history, otherNames } = await firm(newId);
    expect(otherNames).toEqual([`${OWN} Newname`]);
    const act = history.find(({ action }) => action === 'merged')!;
    expect((await undo(act.id)).status).toBe(409);
    await rename(newId, `${OWN} Newname`);
    expect((await undo(act.id)).status).toBe(204);
    expect(await named(`${OWN} oldname`)).toContain(`${OWN} Oldname`);
  });

  it('are parted in two: people belong to another firm, and are given back', async () => {
    const [one, two, three] = [
      await file('Kelderwick', `${OWN} Group`),
      await file('Lorrimer', `${OWN} Group`),
      await file('Morwick', `${OWN} Group`),
    ];
    const firmId = await idOf(`${OWN} group`);
    expect((await move(firmId, [one], `${OWN} Group`)).status).toBe(400);
    const { body } = await move(firmId, [one, two, randomUUID()], `${OWN} Harbour Services`);
    expect(await firm(body.id)).toMatchObject({ name: `${OWN} Harbour Services`, presentTotal: 2 });
    expect((await firm(body.id)).history[0]).toMatchObject({ action: 'peopleCame', people: 2, otherId: firmId });
    expect(await companyOf(three)).toBe(`${OWN} Group`);
    expect((await move(firmId, [one], `${OWN} Harbour Services`)).body.code).toBe('not-there');
    // One of them has left for another firm since: that stays.
    await move(body.id, [two], `${OWN} Nets`);
    const [act] = (await firm(firmId)).history;
    expect(act).toMatchObject({ action: 'peopleLeft', people: 2, canUndo: true });
    expect((await undo(act!.id, assistant)).status).toBe(204);
    expect(await Promise.all([one, two].map(companyOf))).toEqual([`${OWN} Group`, `${OWN} Nets`]);
    // A firm in which nobody is left is in no list.
    expect(await named(`${OWN} harbour`)).toEqual([]);
  });

  it('have notes, changed by who wrote them', async () => {
    await file('Nethercote', `${OWN} Notaries`);
    const firmId = await idOf(`${OWN} notaries`);
    const { body } = await rep.send<{ id: string }>('POST', `/companies/${firmId}/notes`, { text: 'Pays late.' });
    expect((await assistant.send('PUT', `/company-notes/${body.id}`, { text: 'Never pays.' })).status).toBe(403);
    expect((await rep.send('PUT', `/company-notes/${body.id}`, { text: 'Pays in May.' })).status).toBe(204);
    expect((await firm(firmId)).notes).toMatchObject([{ text: 'Pays in May.', changedAt: expect.any(String) }]);
    expect((await rep.send('POST', `/companies/${firmId}/notes`, { text: ' ' })).status).toBe(400);
    expect((await manager.send('DELETE', `/company-notes/${body.id}`)).status).toBe(204);
    expect((await firm(firmId)).notes).toEqual([]);
  });

  it('of two merges at once into each other end as one firm', async () => {
    await file('Oxmere', `${OWN} Left`);
    await file('Penhallow', `${OWN} Right`);
    const [left, right] = [await idOf(`${OWN} left`), await idOf(`${OWN} right`)];
    const statuses = (await Promise.all([merge(left, right), merge(right, left)])).map(({ status }) => status).sort();
    expect(statuses).toEqual([204, 409]);
    expect((await firm(left)).id).toBe((await firm(right)).id);
    expect((await firm(left)).presentTotal).toBe(2);
  });

  it('show the mark on a card of somebody who works there, and none where there is none or whoever has it is deleted', async () => {
    const card = (mark: string) =>
      sharp(Buffer.from(`<svg width="900" height="520"><rect width="900" height="520" fill="#f2ede0"/>${mark}</svg>`))
        .jpeg()
        .toBuffer();
    const fileWith = async (mark: string, company: string) => {
      const [item] = await rep.photograph(await card(mark));
      return file('Markham', company, {}, { cardId: item!.id });
    };
    const logo = async (q: string) => (await rep.get<CompanyLogo>(`/companies/${await idOf(q)}/logo`)).body.logo;
    const id = await fileWith('<circle cx="450" cy="260" r="60" fill="#8c2f39"/>', `${OWN} Marked`);
    await fileWith('', `${OWN} Unmarked`);
    const found = (await logo(`${OWN} marked`))!;
    const { left, width } = found.area;
    // In the middle of the card: whichever way up it was read.
    expect((left + width / 2) / found.cardWidth).toBeCloseTo(0.5, 1);
    expect(width / found.cardWidth).toBeCloseTo(120 / 900, 1);
    expect(await logo(`${OWN} marked`)).toEqual(found);
    expect(await logo(`${OWN} unmarked`)).toBeNull();
    expect((await stranger.get(`/companies/${await idOf(`${OWN} marked`)}/logo`)).status).toBe(404);
    await rep.send('DELETE', `/people/${id}`);
    expect(await logo(`${OWN} marked`)).toBeNull();
    await rep.send('POST', `/people/${id}/restore`);
  });

  it('are of one workspace', async () => {
    const id = await idOf(`${OWN} nets`);
    expect(await find(OWN, stranger)).toEqual([]);
    expect((await stranger.get(`/companies/${id}`)).status).toBe(404);
    expect((await stranger.send('PUT', `/companies/${id}`, { name: 'Mine', version: 1 })).status).toBe(404);
    expect((await stranger.send('POST', `/companies/${id}/notes`, { text: 'Mine' })).status).toBe(404);
    const own = await stranger.filed({ familyName: 'Quarrier', company: 'Strange Firm' });
    const theirs = (await find('strange firm', stranger))[0]!.id;
    expect((await stranger.send('POST', `/companies/${theirs}/merge`, { otherIds: [id] })).status).toBe(404);
    expect((await merge(id, theirs)).status).toBe(404);
    await stranger.send('POST', `/people/${own}/erase`);
  });
});
