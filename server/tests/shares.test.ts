import { randomUUID } from 'node:crypto';
import type { Merged, SharedPerson, ShareMade, Shares } from '@dossier/contract';
import { Client } from './client';

jest.setTimeout(120_000);

let rep: Client;
let manager: Client;
let id: string;

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  id = await rep.filed(
    { givenName: 'Shona', familyName: 'Linksby', company: 'Linksby Buoys', emails: ['shona@linksby.example'] },
    { note: 'Owes us a lunch.', tags: ['private'], rating: 'Cold' },
  );
});
afterAll(() => manager.send('POST', `/people/${id}/erase`));

const make = async (days = 7, of = id) => (await rep.send<ShareMade>('POST', `/people/${of}/shares`, { days })).body;
const tokenOf = ({ path }: ShareMade): string => path.split('#')[1]!;
/** By somebody who is not signed in. */
const open = (token: string) => new Client().send<SharedPerson & { code: string }>('POST', '/shares/opened', { token });
const links = async () => (await rep.get<Shares>(`/people/${id}/shares`)).body.items;

describe('a link to somebody', () => {
  it('shows what stands on a card, and nothing of what was noted, to whoever has it', async () => {
    const made = await make();
    expect(made.path).toMatch(/^\/shared#[\w-]{43}$/);
    const { status, body } = await open(tokenOf(made));
    expect(status).toBe(200);
    expect(body).toMatchObject({
      fullName: 'Shona Linksby',
      fields: { company: 'Linksby Buoys', emails: ['shona@linksby.example'] },
      by: 'Ottilie Brandt',
    });
    expect(JSON.stringify(body)).not.toMatch(/lunch|private|Cold/);
    await open(tokenOf(made));
    expect(await links()).toMatchObject([{ id: made.id, opened: 2, by: 'Ottilie Brandt' }]);
    expect(JSON.stringify(await links())).not.toContain(tokenOf(made));
    expect((await rep.person(id)).history[0]).toMatchObject({ action: 'shared', actor: 'Ottilie Brandt' });
    // It tells of the record as it is, not as it was.
    const { version, fields, tags, kind, rating } = await rep.person(id);
    await rep.send('PUT', `/people/${id}`, { version, fields: { ...fields, title: 'Pilot' }, tags, kind, rating });
    expect((await open(tokenOf(made))).body.fields.title).toBe('Pilot');
  });

  it('opens nothing once it was taken back, its time is over, or the person is gone', async () => {
    const made = await make();
    expect((await manager.send('DELETE', `/shares/${made.id}`)).status).toBe(204);
    expect((await manager.send('DELETE', `/shares/${made.id}`)).status).toBe(204);
    const { status, body } = await open(tokenOf(made));
    expect([status, body.code]).toEqual([410, 'link-ended']);
    expect((await links()).map((link) => link.id)).not.toContain(made.id);
    const another = await make();
    await rep.send('DELETE', `/people/${id}`);
    expect((await open(tokenOf(another))).status).toBe(410);
    expect((await rep.send('POST', `/people/${id}/shares`, {})).status).toBe(404);
    await rep.send('POST', `/people/${id}/restore`);
    expect((await open(tokenOf(another))).status).toBe(200);
    const gone = await rep.filed({ familyName: 'Linkless' });
    const lost = await make(1, gone);
    await manager.send('POST', `/people/${gone}/erase`);
    expect((await open(tokenOf(lost))).status).toBe(410);
  });

  it('goes on to whom its person was merged into, and back when they are parted', async () => {
    const twin = await rep.filed({ givenName: 'Shauna', familyName: 'Linksby' });
    const made = await make(7, twin);
    const { body: merge } = await rep.send<Merged>('POST', '/merges', {
      into: { id, version: (await rep.person(id)).version },
      others: [{ id: twin, version: 1 }],
    });
    expect((await open(tokenOf(made))).body).toMatchObject({ id, fields: { company: 'Linksby Buoys' } });
    expect((await links()).map((link) => link.id)).toContain(made.id);
    await rep.send('POST', `/merges/${merge.mergeId}/undo`);
    expect((await open(tokenOf(made))).body).toMatchObject({ id: twin, fields: { company: '' } });
    await manager.send('POST', `/people/${twin}/erase`);
  });

  it.each([
    ['a secret that is none', { token: 'x'.repeat(43) }, 410],
    ['no secret', {}, 400],
    ['a short one', { token: 'x' }, 400],
  ])('is refused for %s', async (_what, body, status) => {
    expect((await new Client().send('POST', '/shares/opened', body)).status).toBe(status);
  });

  it.each([[0], [91], [1.5]])('is not made for %d days', async (days) => {
    expect((await rep.send('POST', `/people/${id}/shares`, { days })).status).toBe(400);
  });

  it('is made and taken back by the team alone', async () => {
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    const made = await make();
    expect((await stranger.send('POST', `/people/${id}/shares`, {})).status).toBe(404);
    expect((await stranger.send('DELETE', `/shares/${made.id}`)).status).toBe(404);
    expect((await stranger.get(`/people/${id}/shares`)).status).toBe(404);
    expect((await rep.send('DELETE', `/shares/${randomUUID()}`)).status).toBe(404);
    expect((await new Client().send('POST', `/people/${id}/shares`, {})).status).toBe(401);
    expect((await open(tokenOf(made))).status).toBe(200);
  });
});
