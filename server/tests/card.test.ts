import { randomUUID } from 'node:crypto';
import type { Matches, PeoplePage, Person, PersonSources, Tray, TrayEvent } from '@dossier/contract';
import sharp from 'sharp';
import { Client, demoPhoto, personFields } from './client';
import { until } from './services';

jest.setTimeout(180_000);

let rep: Client;
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
});

const blank = () =>
  sharp({ create: { width: 400, height: 300, channels: 3, background: '#8a9ba8' } })
    .jpeg()
    .toBuffer();

describe('a photograph', () => {
  it('becomes cards that can be proved, with picture, reading and proposals', async () => {
    const [item] = await rep.photograph(demoPhoto('skerry'));
    expect(item).toMatchObject({
      kind: 'card',
      state: 'toProve',
      name: 'Tobias Skerritt',
      company: 'Skerry Fish Auctions Ltd',
    });
    const { body } = await rep.card(item!.id);
    const value = (field: string) => body.proposals.filter((p) => p.field === field).map((p) => p.value);
    expect(value('phone')).toEqual(['+441632960204', '+447700900118']);
    expect(value('email')).toEqual(['t.skerritt@skerryfish.example']);
    const picture = await rep.get(`/cards/${item!.id}/picture`);
    expect(picture.headers.get('content-type')).toContain('image/jpeg');
    expect(picture.headers.get('cache-control')).toContain('private');
  });

  it('sent twice is one photograph, also when both come at once', async () => {
    const id = randomUUID();
    const bytes = await blank();
    const answers = await Promise.all([rep.sendPhoto(id, bytes), rep.sendPhoto(id, bytes), rep.sendPhoto(id, bytes)]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 200, 201]);
    expect(await rep.itemsOf(id)).toHaveLength(1);
  });

  it('without a card needs a person, and keeps its picture', async () => {
    const [item] = await rep.photograph(await blank());
    expect(item).toMatchObject({ kind: 'card', state: 'needsPerson', name: null });
    expect((await rep.get(`/cards/${item!.id}/picture?size=thumbnail`)).status).toBe(200);
  });

  it('that is damaged is told, with what to do, and can be taken out of the tray', async () => {
    const [item] = await rep.photograph(demoPhoto('skerry').subarray(0, 2000));
    expect(item).toMatchObject({ kind: 'photo', state: 'unreadable', message: expect.stringMatching(/Take it again/) });
    expect((await rep.send('DELETE', `/photos/${item!.photoId}`)).status).toBe(204);
    expect((await rep.tray()).map((i) => i.id)).not.toContain(item!.id);
  });

  it.each([
    ['text', Buffer.from('Dear Sir or Madam'), 415, 'not-a-picture'],
    ['nothing', Buffer.alloc(0), 400, 'empty'],
    ['more than 15 MB', Buffer.alloc(15 * 1024 * 1024 + 1, 0xff), 413, 'too-large'],
  ])('that is %s is refused in plain words', async (_what, bytes, status, code) => {
    const answer = await rep.send<{ code: string; detail: string }>(
      'PUT',
      `/photos/${randomUUID()}?takenAt=2026-11-20T10:00:00.000Z`,
      bytes,
    );
    expect([answer.status, answer.body.code]).toEqual([status, code]);
    expect(answer.body.detail).toMatch(/\./);
  });

  it('is announced as it is read, and by the name of its card when it is', async () => {
    const stream = await fetch(`${process.env.DOSSIER_TEST_ADDRESS}/tray/events`, { headers: { cookie: rep.cookie } });
    const reader = stream.body!.pipeThrough(new TextDecoderStream()).getReader();
    const id = randomUUID();
    await rep.sendPhoto(id, await blank());
    const states: string[] = [];
    let cardId: string | undefined;
    while (!states.includes('read')) {
      const { value = '', done } = await reader.read();
      if (done) break;
      for (const [, data] of value.matchAll(/^data: (.*)$/gm)) {
        const event = JSON.parse(data!) as TrayEvent;
        if (event.photoId !== id) continue;
        states.push(event.state);
        cardId = event.cardId;
      }
    }
    await reader.cancel();
    expect(states[0]).toBe('waiting');
    expect(states).toContain('reading');
    expect(states.at(-1)).toBe('read');
    expect([cardId]).toEqual((await rep.itemsOf(id)).map((item) => item.id));
  });
});

describe('filing', () => {
  const fields = personFields({
    givenName: 'Adaeze',
    familyName: 'Okonjo',
    company: 'Bramble Hill Fruit',
    title: 'Packhouse Manager',
    emails: ['adaeze@bramblehill.example'],
    phones: [{ value: '+441632960330', kind: 'work', extension: '' }],
  });
  const newCard = async () => (await rep.photograph(await blank()))[0]!.id;

  it('makes one person however often the request comes, and takes the card out of the tray', async () => {
    const cardId = await newCard();
    const key = randomUUID();
    const once = { ...fields, emails: ['once@bramblehill.example'] };
    const answers = await Promise.all(
      [1, 2, 3].map(() => rep.file({ cardId, fields: once, note: 'Dock leveller sticks.' }, key)),
    );
    expect(new Set(answers.map((a) => a.body.personId)).size).toBe(1);
    const { body: person } = await rep.get<Person>(`/people/${answers[0]!.body.personId}`);
    expect(person).toMatchObject({ fullName: 'Adaeze Okonjo', kind: 'contact', version: 1, cardIds: [cardId] });
    expect(person.fields).toEqual(once);
    expect(person.notes.map((n) => [n.text, n.author])).toEqual([['Dock leveller sticks.', 'Ottilie Brandt']]);
    expect(person.history.map((h) => [h.action, h.actor, h.cardId])).toEqual([['filed', 'Ottilie Brandt', cardId]]);
    expect((await rep.tray()).map((i) => i.id)).not.toContain(cardId);
    const again = await rep.file({ cardId, fields });
    expect([again.status, again.body.code]).toEqual([409, 'already-filed']);
  });

  it('finds who has the same e-mail or phone, and updates that person with what was chosen', async () => {
    const first = await rep.file({ cardId: await newCard(), fields });
    const { body } = await rep.send<Matches>('POST', '/matches', {
      fields: { ...fields, emails: ['ADAEZE@bramblehill.example'], phones: [{ value: '01632 960330', kind: 'work' }] },
    });
    const match = body.matches.find((m) => m.person.id === first.body.personId)!;
    expect(match.evidence.map(({ words }) => words)).toEqual(
      expect.arrayContaining(['same e-mail, adaeze@bramblehill.example', 'same phone, +44 1632 960330']),
    );
    const known = { personId: match.person.id, version: match.person.version };
    const changed = { ...fields, title: 'Operations Director', company: 'Tidewater Brewing' };
    const update = await rep.file({ cardId: await newCard(), kind: 'lead', fields: changed, known });
    expect([update.status, update.body.outcome]).toEqual([200, 'updated']);
    const { body: person } = await rep.get<Person>(`/people/${match.person.id}`);
    expect(person).toMatchObject({
      version: 2,
      kind: 'lead',
      fields: { title: 'Operations Director', company: 'Tidewater Brewing' },
    });
    expect(person.history[0]).toMatchObject({
      action: 'updated',
      changes: [
        { field: 'title', before: 'Packhouse Manager', after: 'Operations Director' },
        { field: 'company', before: 'Bramble Hill Fruit', after: 'Tidewater Brewing' },
      ],
    });
    const stale = await rep.file({ cardId: await newCard(), fields, known });
    expect([stale.status, stale.body.code]).toEqual([409, 'person-changed']);
  });

  it('keeps where on the card each value was read, by whatever hand the rest came', async () => {
    const [item] = await rep.photograph(demoPhoto('skerry'));
    const { body: card } = await rep.card(item!.id);
    const fields = personFields({
      givenName: 'Tobias',
      familyName: 'Skerritt',
      title: 'Auctioneer',
      emails: ['t.skerritt@skerryfish.example'],
      phones: [{ value: '+441632960204', kind: 'work', extension: '12' }],
    });
    const id = await rep.filed(fields, { cardId: item!.id });
    const sources = async (of = id) => (await rep.get<PersonSources>(`/people/${of}/sources`)).body.items;
    const told = await sources();
    expect(told.map(({ field, value }) => [field, value])).toEqual([
      ['givenName', 'Tobias'],
      ['familyName', 'Skerritt'],
      ['email', 't.skerritt@skerryfish.example'],
      ['phone', '+441632960204'],
    ]);
    const { reading } = card;
    for (const { cardId, pictureId, cardWidth, areas } of told) {
      expect([cardId, pictureId, cardWidth]).toEqual([item!.id, card.pictureId, reading.width]);
      for (const { left, top, width, height } of areas) {
        expect(Math.min(left, top)).toBeGreaterThanOrEqual(0);
        expect(left + width).toBeLessThanOrEqual(reading.width);
        expect(top + height).toBeLessThanOrEqual(reading.height);
        expect(width * height).toBeGreaterThan(0);
      }
    }
    const [given, family] = told;
    expect(given!.areas[0]!.left).toBeLessThan(family!.areas[0]!.left);
    expect(await sources(await rep.filed({ familyName: 'Typed', emails: ['typed@quay.example'] }))).toEqual([]);
    expect((await rep.get(`/people/${randomUUID()}/sources`)).status).toBe(404);
  });

  it('is all or nothing: what cannot be filed leaves the card in the tray', async () => {
    const cardId = await newCard();
    const wrong = await rep.file({ cardId, fields: { ...fields, emails: ['x'.repeat(300)] } });
    expect(wrong.status).toBe(400);
    const unknown = await rep.file({ cardId, fields, known: { personId: randomUUID(), version: 1 } });
    expect(unknown.status).toBe(404);
    const state = (await rep.card(cardId)).body.state;
    expect(state).toBe('needsPerson');
    expect((await rep.send('POST', '/people', { cardId, kind: 'contact', fields })).status).toBe(400);
  });

  it('a card can be taken out of the tray and put back', async () => {
    const cardId = await newCard();
    expect((await rep.send('PATCH', '/cards', { cardIds: [cardId], state: 'discarded' })).status).toBe(204);
    expect((await rep.tray()).map((i) => i.id)).not.toContain(cardId);
    await rep.send('PATCH', '/cards', { cardIds: [cardId], state: 'toProve' });
    expect((await rep.card(cardId)).body.state).toBe('needsPerson');
  });
});

describe('people', () => {
  it('are found by name, company, e-mail and phone, whatever the case, accents and punctuation', async () => {
    const fields = personFields({
      givenName: 'Åsa',
      familyName: 'Lüdersen',
      company: 'Fjällkyl 100% Mejeri',
      emails: ['asa@fjallkyl.example'],
      phones: [{ value: '+46701740633', kind: 'mobile', extension: '' }],
    });
    const [item] = await rep.photograph(await blank());
    const { body } = await rep.file({ cardId: item!.id, fields });
    for (const q of [
      'asa ludersen',
      'LÜDERSEN',
      'fjällkyl',
      '100% mejeri',
      'asa@fjall',
      '070-174 06 33',
      '+46 70 174 0633',
    ]) {
      const found = await rep.get<PeoplePage>(`/people?q=${encodeURIComponent(q)}`);
      expect([q, found.body.items.map((p) => p.id)]).toEqual([q, [body.personId]]);
    }
    expect((await rep.get<PeoplePage>('/people?q=asa%25zz')).body.items).toEqual([]);
    expect((await rep.get<PeoplePage>(`/people?q=${encodeURIComponent(`o'a) or (1=1`)}`)).body.items).toEqual([]);
  });

  it('come a page at a time, each once', async () => {
    const byPagesOf = async (limit: number) => {
      const ids: string[] = [];
      let cursor = '';
      do {
        const { body } = await rep.get<PeoplePage>(`/people?limit=${limit}${cursor && `&cursor=${cursor}`}`);
        ids.push(...body.items.map((p) => p.id));
        cursor = body.next ?? '';
      } while (cursor);
      return ids;
    };
    const ids = await byPagesOf(1);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toEqual(await byPagesOf(100));
    expect((await rep.get('/people?cursor=nonsense')).status).toBe(400);
  });

  it('go out as vCards, with the picture when wanted', async () => {
    const { body } = await rep.get<PeoplePage>('/people?q=ludersen');
    const id = body.items[0]!.id;
    const plain = await rep.get<string>(`/people/${id}/vcard`);
    expect(plain.headers.get('content-type')).toContain('text/vcard');
    expect(plain.headers.get('content-disposition')).toContain('asa-ludersen.vcf');
    expect(plain.body).toContain('VERSION:4.0');
    expect(plain.body).not.toContain('PHOTO');
    const pictured = await rep.get<string>(`/people/${id}/vcard?version=3.0&picture=1`);
    expect(pictured.body).toContain('VERSION:3.0');
    expect(pictured.body).toContain('PHOTO;ENCODING=b;TYPE=JPEG:');
  });
});

describe('two workspaces', () => {
  it('see nothing of each other, by any route', async () => {
    const [item] = await rep.photograph(demoPhoto('pollock'));
    const own = personFields({ givenName: 'Fergus', familyName: 'Pollock', emails: ['fergus@pollockbros.example'] });
    const filed = await rep.file({ cardId: item!.id, fields: own });
    const [waiting] = await rep.photograph(await blank());
    const other = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    const { personId } = filed.body;

    expect((await other.get<Tray>('/tray')).body).toMatchObject({ items: [], total: 0 });
    expect((await other.get<PeoplePage>('/people?q=pollock')).body).toMatchObject({ items: [], total: 0 });
    expect((await other.send<Matches>('POST', '/matches', { fields: own })).body.matches).toEqual([]);
    for (const path of [
      `/photos/${item!.photoId}/picture`,
      `/photos/${item!.photoId}/picture?size=thumbnail`,
      `/cards/${item!.id}`,
      `/cards/${item!.id}/picture`,
      `/people/${personId}`,
      `/people/${personId}/vcard?picture=1`,
    ]) {
      expect([path, (await other.get(path)).status]).toEqual([path, 404]);
    }
    expect((await other.send('PATCH', '/cards', { cardIds: [waiting!.id], state: 'discarded' })).status).toBe(404);
    expect((await other.send('DELETE', `/photos/${waiting!.photoId}`)).status).toBe(404);
    expect((await other.file({ cardId: waiting!.id, fields: own })).status).toBe(404);
    expect((await other.sendPhoto(item!.photoId!, await blank())).status).toBe(409);

    // Nor can the other's card be filed into a person of this workspace.
    const [theirs] = await other.photograph(await blank());
    const into = await other.file({ cardId: theirs!.id, fields: own, known: { personId, version: 1 } });
    expect(into.status).toBe(404);
    expect((await rep.get<Person>(`/people/${personId}`)).body.version).toBe(1);
  });

  it('get no word of each other’s photographs', async () => {
    const other = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    const stream = await fetch(`${process.env.DOSSIER_TEST_ADDRESS}/tray/events`, {
      headers: { cookie: other.cookie },
    });
    const reader = stream.body!.pipeThrough(new TextDecoderStream()).getReader();
    await rep.photograph(await blank());
    const id = randomUUID();
    await other.sendPhoto(id, await blank());
    const first = await until(async () => /^data: (.*)$/m.exec((await reader.read()).value ?? '')?.[1]);
    await reader.cancel();
    expect((JSON.parse(first) as { photoId: string }).photoId).toBe(id);
  });
});
