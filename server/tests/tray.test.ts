import { randomUUID } from 'node:crypto';
import type { BacksOfPhoto, LatestBatch, ProofCard, SecondLooks, Team, Tray, TrayItem } from '@dossier/contract';
import { Client as Database } from 'pg';
import { Client, demoPhoto, personFields } from './client';
import { databaseOf, until } from './services';

jest.setTimeout(180_000);

let rep: Client;
let colleague: Client;
let stranger: Client;
let colleagueId: string;
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  colleague = await Client.signedIn('maren@keldermoss.example');
  stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
  const team = (await rep.get<Team>('/team')).body.items;
  colleagueId = team.find(({ name }) => name.startsWith('Maren'))!.id;
});

const owner = databaseOf('api').DOSSIER_OWNER_URL;
const trayOf = async (who: Client, query = ''): Promise<Tray> => (await who.get<Tray>(`/tray${query}`)).body;
const looksOf = async (who: Client): Promise<SecondLooks> => (await who.get<SecondLooks>('/second-looks')).body;
const blankCard = async (who: Client, kind: 'text' | 'blank' = 'blank', text = ''): Promise<string> => {
  const id = randomUUID();
  const body = { kind, text, takenAt: '2026-11-24T09:00:00.000Z', occasionId: null };
  expect((await who.send('PUT', `/cards/${id}/text`, body)).status).toBe(201);
  return id;
};

describe('a second look', () => {
  const ask = (cardIds: string[], message = '', askedOf = colleagueId) =>
    rep.send<{ code: string }>('POST', '/second-looks', { cardIds, askedOf, message });

  it('reaches the colleague with its message, and the answer comes back once', async () => {
    const card = await blankCard(rep);
    const other = await blankCard(rep);
    expect((await ask([card], 'Is it an l or a 1?')).status).toBe(204);
    expect((await looksOf(colleague)).asked).toContainEqual({
      cardId: card,
      askedBy: expect.objectContaining({ name: 'Ottilie Brandt' }),
      message: 'Is it an l or a 1?',
    });
    const forMe = await colleague.tray({ show: 'forMe' });
    expect(forMe.map(({ id }) => id)).toContain(card);
    expect(forMe.map(({ id }) => id)).not.toContain(other);
    expect(forMe.find(({ id }) => id === card)!.secondLook!.message).toBe('Is it an l or a 1?');
    expect((await rep.card(card)).body.secondLook!.askedOf.id).toBe(colleagueId);

    const answer = { answer: 'An l.' };
    expect((await colleague.send('PUT', `/cards/${card}/second-look/answer`, answer)).status).toBe(204);
    const [word] = (await looksOf(rep)).answered.filter(({ cardId }) => cardId === card);
    expect(word).toMatchObject({ answer: 'An l.', filed: false, answeredBy: { id: colleagueId } });
    expect((await looksOf(colleague)).asked.map(({ cardId }) => cardId)).not.toContain(card);
    expect((await rep.send('PUT', '/second-looks/seen', { ids: [word!.id] })).status).toBe(204);
    expect((await looksOf(rep)).answered.map(({ id }) => id)).not.toContain(word!.id);
  });

  it('is asked once a card: asking again changes whom and what', async () => {
    const card = await blankCard(rep);
    await ask([card], 'First');
    await ask([card], 'Second');
    const asked = (await looksOf(colleague)).asked.filter(({ cardId }) => cardId === card);
    expect(asked.map(({ message }) => message)).toEqual(['Second']);
  });

  it('is done when the colleague files the card, and needs no word when whoever asked ends it', async () => {
    const [filed, withdrawn] = [await blankCard(rep), await blankCard(rep)];
    await ask([filed, withdrawn]);
    await colleague.file({ cardId: filed, fields: personFields({ familyName: 'Vesk' }) });
    await rep.send('PUT', `/cards/${withdrawn}/second-look/answer`, {});
    const answered = (await looksOf(rep)).answered;
    expect(answered.find(({ cardId }) => cardId === filed)).toMatchObject({ filed: true });
    expect(answered.map(({ cardId }) => cardId)).not.toContain(withdrawn);
  });

  it('cannot be asked of strangers, nor about cards that are gone', async () => {
    const card = await blankCard(rep);
    const away = (await stranger.get<Team>('/team')).body.items[0]!.id;
    expect((await ask([card], '', away)).status).toBe(404);
    expect((await ask([randomUUID()])).status).toBe(404);
    await rep.send('PATCH', '/cards', { cardIds: [card], state: 'discarded' });
    expect((await ask([card])).body.code).toBe('not-in-tray');
    expect((await stranger.send('PUT', `/cards/${card}/second-look/answer`, {})).status).toBe(404);
  });
});

describe('a batch', () => {
  it('counts what one person sends together until all of it is read, a picture that cannot be opened included', async () => {
    const pim = await Client.signedIn('pim@keldermoss.example');
    const latest = async () => (await pim.get<LatestBatch>('/batches/latest')).body.batch;
    expect(await latest()).toBeNull();
    const broken = demoPhoto('skerry').subarray(0, 600);
    const ids = [randomUUID(), randomUUID(), randomUUID()];
    await pim.sendPhoto(ids[0]!, demoPhoto('skerry'));
    await pim.sendPhoto(ids[1]!, demoPhoto('pair'));
    await pim.sendPhoto(ids[2]!, broken);
    expect(await latest()).toMatchObject({ photos: 3 });
    const done = await until(async () => {
      const batch = await latest();
      return batch?.done === 3 && batch;
    });
    expect(done).toMatchObject({ photos: 3, unreadable: 1, cards: 3 });
  });
});

describe('reading again', () => {
  it('takes the country a person gives, for a card from text as for one with a picture', async () => {
    const text = await blankCard(rep, 'text', 'Ingrid Halvorsen\nTel. 0632 960 417\nHalvorsen Meieri');
    const [photographed] = await rep.photograph(demoPhoto('skerry'));
    const before = [(await rep.card(text)).body, (await rep.card(photographed!.id)).body];
    const body = { cardIds: [text, photographed!.id], country: 'AT', languages: ['pl'] };
    expect((await rep.send('POST', '/cards/read-again', body)).status).toBe(202);
    const after = await until(async () => {
      const cards = [(await rep.card(text)).body, (await rep.card(photographed!.id)).body];
      return cards.every((card, i) => card.readingId !== before[i]!.readingId) && cards;
    });
    const phone = (card: ProofCard) => card.proposals.find(({ field }) => field === 'phone')!.value;
    expect(phone(before[0]!)).not.toMatch(/^\+43/);
    expect(phone(after[0]!)).toMatch(/^\+43/);
    expect(after[1]!.reading.lines.map((line) => line.text)).toEqual(before[1]!.reading.lines.map((line) => line.text));
    expect(after[1]!.id).toBe(photographed!.id);
  });

  it('is refused for cards that are filed or not here', async () => {
    const card = await blankCard(rep);
    expect((await stranger.send('POST', '/cards/read-again', { cardIds: [card] })).status).toBe(404);
    await rep.file({ cardId: card, fields: personFields({ familyName: 'Halvorsen' }) });
    expect((await rep.send<{ code: string }>('POST', '/cards/read-again', { cardIds: [card] })).body.code).toBe(
      'not-in-tray',
    );
  });
});

describe('several fronts and their backs in two photographs', () => {
  /** Two photographs, the second taken as the back of the first. */
  async function twoSides(): Promise<{ front: string; back: string; items: TrayItem[] }> {
    const [front, back] = [randomUUID(), randomUUID()];
    await rep.sendPhoto(front, demoPhoto('pair'));
    const path = `/photos/${back}?takenAt=2026-11-20T10:00:05.000Z&backOf=${front}`;
    await rep.send('PUT', path, demoPhoto('pair'));
    return { front, back, items: [...(await rep.itemsOf(front)), ...(await rep.itemsOf(back))] };
  }

  it('wait for a person, are suggested by position and joined as confirmed', async () => {
    const { front, back, items } = await twoSides();
    expect((await trayOf(rep)).backs).toContainEqual({ photoId: back, fronts: 2, backs: 2 });
    const { body } = await rep.get<BacksOfPhoto>(`/photos/${back}/backs`);
    expect(body).toMatchObject({ frontPhotoId: front, laid: 'inPlace' });
    expect(body.pairs).toHaveLength(2);
    const nameOf = (id: string) => items.find((item) => item.id === id)!.name;
    for (const { frontId, backId } of body.pairs) expect(nameOf(frontId)).toBe(nameOf(backId));

    const [pair] = body.pairs;
    expect((await rep.send('PUT', `/photos/${back}/backs`, { pairs: [pair] })).status).toBe(204);
    expect((await rep.card(pair!.frontId)).body.back!.cardId).toBe(pair!.backId);
    expect((await trayOf(rep)).backs.map(({ photoId }) => photoId)).not.toContain(back);
    const left = (await rep.itemsOf(back)).map(({ id }) => id);
    expect(left).toEqual([body.pairs[1]!.backId]);
  });

  it('join all or nothing: a card in two pairs, or one that is gone, leaves everything as it was', async () => {
    const { back } = await twoSides();
    const [first, second] = (await rep.get<BacksOfPhoto>(`/photos/${back}/backs`)).body.pairs;
    const put = (pairs: object[]) => rep.send<{ code: string }>('PUT', `/photos/${back}/backs`, { pairs });
    expect((await put([first!, { frontId: second!.frontId, backId: first!.backId }])).body.code).toBe('twice');
    expect((await put([first!, { frontId: second!.frontId, backId: randomUUID() }])).status).toBe(404);
    expect((await rep.card(first!.frontId)).body.back).toBeNull();
    expect((await stranger.get(`/photos/${back}/backs`)).status).toBe(404);
  });
});

describe('a full tray', () => {
  it('is shown page by page to its last card, each once', async () => {
    const idris = await Client.signedIn('idris@keldermoss.example');
    const occasion = randomUUID();
    await idris.send('PUT', `/occasions/${occasion}`, { name: 'Two pages of cards' });
    const made = Array.from({ length: 125 }, () => randomUUID());
    for (const id of made) {
      const body = { kind: 'blank', text: '', takenAt: '2026-11-24T09:00:00.000Z', occasionId: occasion };
      expect((await idris.send('PUT', `/cards/${id}/text`, body)).status).toBe(201);
    }
    const seen: string[] = [];
    for (let cursor = ''; ;) {
      const page = await trayOf(idris, `?occasion=${occasion}${cursor}`);
      expect(page.total).toBe(made.length);
      seen.push(...page.items.map((item) => item.id));
      if (!page.next) break;
      cursor = `&cursor=${page.next}`;
    }
    expect(seen).toHaveLength(made.length);
    expect(new Set(seen)).toEqual(new Set(made));
  });
});

describe('the tray, asked for while a photograph becomes its card', () => {
  it.each(['card', 'photo'])('shows one of the two, though it has to wait for each %s', async (table) => {
    const occasion = randomUUID();
    await rep.send('PUT', `/occasions/${occasion}`, { name: `Waiting for each ${table}` });
    const [photo, card] = [randomUUID(), randomUUID()];
    const taken = `takenAt=2026-11-20T10:00:00.000Z&occasion=${occasion}`;
    // Cut off, so that it stays in the tray as it is.
    await rep.send('PUT', `/photos/${photo}?${taken}`, demoPhoto('skerry').subarray(0, 500));
    await rep.itemsOf(photo);
    const blank = { kind: 'blank', text: '', takenAt: '2026-11-20T10:00:00.000Z', occasionId: occasion };
    await rep.send('PUT', `/cards/${card}/text`, blank);
    await rep.send('PATCH', '/cards', { cardIds: [card], state: 'discarded' });

    const [worker, watcher] = [new Database(owner), new Database(owner)];
    await Promise.all([worker.connect(), watcher.connect()]);
    await worker.query('begin');
    await worker.query(`lock table ${table} in access exclusive mode`);
    const asked = trayOf(rep, `?occasion=${occasion}`);
    await until(async () => {
      const waiting = `select 1 from pg_locks where relation = '${table}'::regclass and not granted`;
      return (await watcher.query(waiting)).rowCount;
    });
    await worker.query(`update photo set state = 'read' where id = $1`, [photo]);
    await worker.query(`update card set state = 'toProve' where id = $1`, [card]);
    await worker.query('commit');
    await Promise.all([worker.end(), watcher.end()]);
    expect(await asked).toMatchObject({ total: 1, items: [{ id: expect.stringMatching(`${photo}|${card}`) }] });
    expect((await rep.tray({ occasion })).map(({ id }) => id)).toEqual([card]);
  });
});

describe('a draft', () => {
  it('is kept for every device, and a later one from elsewhere is not overwritten', async () => {
    const card = await blankCard(rep);
    const content = (note: string) => ({ draft: { fields: [], nextId: 0 }, note, readingId: card });
    const keep = (who: Client, version: number, note: string) =>
      who.send<{ version: number; code: string }>('PUT', `/cards/${card}/draft`, { version, content: content(note) });
    expect((await keep(rep, 0, 'Asked for a call')).body.version).toBe(1);
    expect((await colleague.get<ProofCard>(`/cards/${card}`)).body.draft).toMatchObject({
      version: 1,
      content: { note: 'Asked for a call' },
    });
    expect((await keep(colleague, 0, 'Mine')).body.code).toBe('draft-changed');
    expect((await keep(colleague, 1, 'Mine')).body.version).toBe(2);
    expect((await keep(stranger, 2, 'Theirs')).status).toBe(404);
    await rep.file({ cardId: card, fields: personFields({ familyName: 'Brack' }) });
    expect((await keep(rep, 2, 'Late')).body.code).toBe('not-in-tray');
  });
});

describe('a part of a card', () => {
  it('is read on the spot, and its lines come after those that are there', async () => {
    const [item] = await rep.photograph(demoPhoto('skerry'));
    const { reading } = (await rep.card(item!.id)).body;
    const [a, , c] = reading.lines[0]!.quad;
    const area = { from: [a[0] - 4, a[1] - 4], to: [c[0] + 4, c[1] + 4] };
    const read = await rep.send<{ lines: number[] }>('POST', `/cards/${item!.id}/areas`, area);
    expect(read.body.lines).toEqual([reading.lines.length]);
    const after = (await rep.card(item!.id)).body;
    expect(after.reading.lines.at(-1)!.text).toBe(reading.lines[0]!.text);
    expect(after.readingId).toBe((await rep.card(item!.id)).body.readingId);
    const nowhere = await rep.send<{ lines: number[] }>('POST', `/cards/${item!.id}/areas`, {
      from: [0, 0],
      to: [3, 3],
    });
    expect(nowhere.body.lines).toEqual([]);
    expect((await stranger.send('POST', `/cards/${item!.id}/areas`, area)).status).toBe(404);
  });
});

describe('two parts of a card at once', () => {
  it('are each answered with their own lines', async () => {
    const [item] = await rep.photograph(demoPhoto('skerry'));
    const { reading } = (await rep.card(item!.id)).body;
    const wanted = reading.lines.slice(0, 3);
    const answers = await Promise.all(
      wanted.map(({ quad: [a, , c] }) =>
        rep.send<{ lines: number[] }>('POST', `/cards/${item!.id}/areas`, {
          from: [a[0] - 4, a[1] - 4],
          to: [c[0] + 4, c[1] + 4],
        }),
      ),
    );
    const { lines } = (await rep.card(item!.id)).body.reading;
    const texts = answers.map(({ body }) => body.lines.map((i) => lines[i]!.text));
    expect(texts).toEqual(wanted.map(({ text }) => [text]));
    expect(new Set(answers.flatMap(({ body }) => body.lines)).size).toBe(wanted.length);
  });
});

describe('suggestions', () => {
  it('are what the workspace calls a firm, by its name or its e-mail domain, and its titles', async () => {
    const card = await blankCard(rep);
    const fields = personFields({ familyName: 'Voss', title: 'Orchard Buyer', company: 'Tarnfold Orchards', emails: ['v@tarnfold.example'] }); // prettier-ignore
    await rep.file({ cardId: card, fields });
    const ask = async (who: Client, query: string) => (await who.get<{ items: string[] }>(`/suggestions?${query}`)).body.items; // prettier-ignore
    expect(await ask(rep, 'field=company&domain=tarnfold.example')).toEqual(['Tarnfold Orchards']);
    expect(await ask(rep, 'field=company&q=tarnf')).toEqual(['Tarnfold Orchards']);
    expect(await ask(rep, 'field=title&q=orchard%20b')).toEqual(['Orchard Buyer']);
    expect(await ask(rep, 'field=title&q=%25')).toEqual([]);
    expect(await ask(stranger, 'field=company&q=tarnf')).toEqual([]);
  });
});
