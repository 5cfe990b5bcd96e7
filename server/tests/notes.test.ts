import { randomUUID } from 'node:crypto';
import type { PeoplePage } from '@dossier/contract';
import { Client } from './client';

jest.setTimeout(180_000);

let rep: Client;
let assistant: Client;
let manager: Client;
const made: string[] = [];
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  assistant = await Client.signedIn('pim@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
});
afterAll(async () => {
  for (const id of made) await manager.send('POST', `/people/${id}/erase`);
});

async function somebody(familyName: string): Promise<string> {
  const id = await rep.filed({ givenName: 'Thorvald', familyName }, { tags: ['noted people'] });
  made.push(id);
  return id;
}
const write = (personId: string, body: object, client = rep) =>
  client.send<{ id: string; code: string }>('POST', `/people/${personId}/notes`, body);
const actions = async (id: string) => (await rep.person(id)).history.map(({ action }) => action);

describe('notes', () => {
  it('are written, changed and removed by their author, with author and time, and stand in the history', async () => {
    const id = await somebody('Quintenbrook');
    const { status, body } = await write(id, { text: 'Asked for spare hinges.' });
    expect(status).toBe(201);
    await write(id, { kind: 'call', text: '' }, assistant);
    const [call, note] = (await rep.person(id)).notes;
    expect(note).toMatchObject({
      kind: 'note',
      text: 'Asked for spare hinges.',
      author: 'Ottilie Brandt',
      changedAt: null,
    });
    expect(call).toMatchObject({ kind: 'call', text: '', author: 'Pim Aldous' });
    await rep.send('PUT', `/notes/${body.id}`, { text: 'Asked for hinges and a seal.' });
    const person = await rep.person(id);
    expect(person.notes[1]!.changedAt).not.toBeNull();
    expect(person.history[0]).toMatchObject({
      action: 'noteChanged',
      changes: [{ field: 'note', before: 'Asked for spare hinges.', after: 'Asked for hinges and a seal.' }],
    });
    expect((await rep.send('DELETE', `/notes/${body.id}`)).status).toBe(204);
    expect((await rep.person(id)).notes.map(({ kind }) => kind)).toEqual(['call']);
    expect(await actions(id)).toEqual(['noteRemoved', 'noteChanged', 'called', 'noted', 'filed']);
  });

  it('of a colleague are left alone, except by whoever is in charge', async () => {
    const id = await somebody('Rookhampton');
    const { body } = await write(id, { text: 'Prefers mornings.' });
    expect((await assistant.send('PUT', `/notes/${body.id}`, { text: 'Prefers evenings.' })).status).toBe(403);
    expect((await assistant.send('DELETE', `/notes/${body.id}`)).status).toBe(403);
    expect((await rep.person(id)).notes[0]!.text).toBe('Prefers mornings.');
    expect((await manager.send('DELETE', `/notes/${body.id}`)).status).toBe(204);
  });

  it('need a word, except calls and visits, and somebody who is there', async () => {
    const id = await somebody('Silverdown');
    expect((await write(id, { text: '  ' })).body.code).toBe('empty-note');
    expect((await write(id, { kind: 'visit' })).status).toBe(201);
    expect((await write(id, { kind: 'dream', text: 'x' })).status).toBe(400);
    expect((await write(randomUUID(), { text: 'To nobody.' })).status).toBe(404);
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    expect((await write(id, { text: 'From elsewhere.' }, stranger)).status).toBe(404);
  });
});

describe('next steps', () => {
  const listed = async (query: Record<string, string>) => {
    const { body } = await rep.get<PeoplePage>(`/people?${new URLSearchParams({ tag: 'noted people', ...query })}`);
    return body.items.map(({ fullName, nextOn }) => [fullName.split(' ')[1], nextOn]);
  };

  it('are planned for a day, narrow and order the list, and are done once', async () => {
    const [one, other] = [await somebody('Upperfold'), await somebody('Vinterholm')];
    const plan = (id: string, step: object) => rep.send<{ id: string }>('POST', `/people/${id}/tasks`, step);
    const later = await plan(one, { text: 'Send the offer', dueOn: '2027-02-01' });
    await plan(one, { text: 'Call back', dueOn: '2027-01-10' });
    await plan(other, { text: 'Visit the hall', dueOn: '2026-12-24' });
    expect((await rep.person(one)).steps.map(({ text }) => text)).toEqual(['Call back', 'Send the offer']);
    expect(await listed({ task: 'open', sort: 'next' })).toEqual([
      ['Vinterholm', '2026-12-24'],
      ['Upperfold', '2027-01-10'],
    ]);
    await rep.send('POST', `/tasks/${later.body.id}/done`);
    await rep.send('POST', `/tasks/${later.body.id}/done`);
    expect((await actions(one)).filter((action) => action === 'stepDone')).toHaveLength(1);
    expect((await rep.person(one)).steps.map(({ text }) => text)).toEqual(['Call back']);
    expect((await plan(one, { text: '' })).status).toBe(400);
    expect((await plan(one, { text: 'When?', dueOn: 'soon' })).status).toBe(400);
  });

  it('go with a person into a merge and out of it', async () => {
    const [one, other] = [await somebody('Wexcombe'), await somebody('Yarmley')];
    await rep.send('POST', `/people/${other}/tasks`, { text: 'Bring the sample' });
    const version = async (id: string) => ({ id, version: (await rep.person(id)).version });
    const { body } = await rep.send<{ mergeId: string }>('POST', '/merges', {
      into: await version(one),
      others: [await version(other)],
    });
    expect((await rep.person(one)).steps.map(({ text }) => text)).toEqual(['Bring the sample']);
    await rep.send('POST', `/merges/${body.mergeId}/undo`);
    expect([(await rep.person(one)).steps, (await rep.person(other)).steps.map(({ text }) => text)]).toEqual([
      [],
      ['Bring the sample'],
    ]);
  });
});
