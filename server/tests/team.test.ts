import { randomUUID } from 'node:crypto';
import type {
  AccessLink,
  HandedOver,
  Members,
  OccasionList,
  Opportunity,
  Person,
  SecondLooks,
  Session,
  Team,
} from '@dossier/contract';
import { Client, personFields } from './client';
import { databaseOf, freePort, isUp, startRole, until, type Service } from './services';

jest.setTimeout(180_000);

const CODE = 'K7QF-3MPA-XW2D';
const FIRST = {
  code: CODE,
  workspace: 'Tarnmoor Rope Works',
  country: 'GB',
  name: 'Wilhelmina Ashdown',
  email: 'wilhelmina@ropeworks.example',
  password: 'hemp and jute',
};

let service: Service;
let address: string;
const visitor = () => new Client(address);
const tokenOf = ({ path }: AccessLink): string => path.split('#')[1]!;

beforeAll(async () => {
  const port = await freePort();
  address = `http://127.0.0.1:${port}/api/v1`;
  const env = { ...databaseOf('empty'), DOSSIER_PORT: String(port), DOSSIER_FIRST_CODE: CODE };
  service = startRole('api', { ...env, DOSSIER_SIGN_IN_LIMIT: '6' });
  await until(() => isUp(address));
});
afterAll(() => service.stop());

const signIn = (email: string, password: string) => Client.signedIn(email, password, address);

async function invited(by: Client, person: { name: string; email: string; role: string }): Promise<AccessLink> {
  const { status, body } = await by.send<AccessLink>('POST', '/invitations', person);
  expect(status).toBe(201);
  return body;
}

/** Somebody who has come in by an invitation. */
async function joined(by: Client, name: string, role = 'rep'): Promise<Client> {
  const link = await invited(by, { name, email: `${name.toLowerCase()}@ropeworks.example`, role });
  const client = visitor();
  const { status } = await client.send('POST', '/links/used', {
    token: tokenOf(link),
    name,
    password: 'a long enough one',
  });
  expect(status).toBe(201);
  return client;
}

const idOf = async (client: Client): Promise<string> => (await client.get<Session>('/session')).body.user.id;

describe('where there is no team', () => {
  it('says so, and lets nobody begin one without the code', async () => {
    const { status, body } = await visitor().get<{ code: string }>('/session');
    expect([status, body.code]).toEqual([401, 'no-team-yet']);
    const wrong = await visitor().send<{ code: string }>('POST', '/session/first', {
      ...FIRST,
      code: 'K7QF-3MPA-XW2E',
    });
    expect([wrong.status, wrong.body.code]).toEqual([403, 'wrong-code']);
    const weak = await visitor().send<{ errors: { path: string }[] }>('POST', '/session/first', {
      ...FIRST,
      password: 'short',
    });
    expect([weak.status, weak.body.errors.map(({ path }) => path)]).toEqual([400, ['password']]);
  });

  it('makes one team, whoever asks at the same time, and is over then', async () => {
    const asked = Array.from({ length: 3 }, (_, i) => ({
      ...FIRST,
      code: ' k7qf 3mpa xw2d ',
      email: i === 0 ? FIRST.email : `other${i}@ropeworks.example`,
    }));
    const answers = await Promise.all(asked.map((body) => visitor().send('POST', '/session/first', body)));
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409, 409]);
    const made = asked[answers.findIndex(({ status }) => status === 201)]!;
    FIRST.email = made.email;
    const again = await visitor().send<{ code: string }>('POST', '/session/first', FIRST);
    expect([again.status, again.body.code]).toEqual([409, 'has-begun']);
    expect((await visitor().get<{ code: string }>('/session')).body.code).toBe('not-signed-in');
    const { body } = await (await signIn(FIRST.email, FIRST.password)).get<Session>('/session');
    expect([body.workspace.name, body.user.role]).toEqual(['Tarnmoor Rope Works', 'administrator']);
  });

  it('is limited, so that codes cannot be tried without end', async () => {
    const statuses: number[] = [];
    for (let i = 0; i < 12; i++)
      statuses.push((await visitor().send('POST', '/session/first', { ...FIRST, code: `GUESS-${i}` })).status);
    expect(statuses.at(-1)).toBe(429);
  });
});

describe('an invitation', () => {
  let admin: Client;
  beforeAll(async () => {
    admin = await signIn(FIRST.email, FIRST.password);
  });

  it('lets one person in, once, as what they were invited', async () => {
    const link = await invited(admin, { name: 'Corwin', email: 'corwin@ropeworks.example', role: 'assistant' });
    const { body } = await visitor().send('POST', '/links/opened', { token: tokenOf(link) });
    expect(body).toEqual({
      purpose: 'join',
      workspace: 'Tarnmoor Rope Works',
      name: 'Corwin',
      email: 'corwin@ropeworks.example',
      madeBy: FIRST.name,
    });
    const used = { token: tokenOf(link), name: 'Corwin Vale', password: 'tarred and twisted' };
    const client = visitor();
    const answers = await Promise.all([
      client.send('POST', '/links/used', used),
      visitor().send('POST', '/links/used', used),
    ]);
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 410]);
    const { user } = (await (await signIn('corwin@ropeworks.example', used.password)).get<Session>('/session')).body;
    expect([user.name, user.role]).toEqual(['Corwin Vale', 'assistant']);
    expect((await visitor().send('POST', '/links/opened', { token: tokenOf(link) })).status).toBe(410);
  });

  it('ends when it is called off or made anew', async () => {
    const person = { name: 'Tamsin', email: 'tamsin@ropeworks.example', role: 'rep' };
    const first = await invited(admin, person);
    const second = await invited(admin, person);
    expect((await visitor().send('POST', '/links/opened', { token: tokenOf(first) })).status).toBe(410);
    const { invited: waiting } = (await admin.get<Members>('/members')).body;
    const own = waiting.filter(({ email }) => email === person.email);
    expect(own).toHaveLength(1);
    expect((await admin.send('DELETE', `/invitations/${own[0]!.id}`)).status).toBe(204);
    expect(
      (
        await visitor().send('POST', '/links/used', {
          token: tokenOf(second),
          name: 'T',
          password: 'long enough it is',
        })
      ).status,
    ).toBe(410);
    expect((await admin.send('DELETE', `/invitations/${own[0]!.id}`)).status).toBe(404);
  });

  it('is refused for an address that is here already, and for more than whoever invites is', async () => {
    const known = await admin.send<{ code: string }>('POST', '/invitations', {
      name: 'Somebody',
      email: FIRST.email,
      role: 'rep',
    });
    expect([known.status, known.body.code]).toEqual([409, 'address-taken']);
    const manager = await joined(admin, 'Leopold', 'manager');
    const more = { name: 'Oswin', email: 'oswin@ropeworks.example', role: 'administrator' };
    expect((await manager.send('POST', '/invitations', more)).status).toBe(403);
    expect((await manager.send('PATCH', `/members/${await idOf(admin)}`, { role: 'rep' })).status).toBe(403);
    const rep = await joined(manager, 'Philippa');
    expect((await rep.send('POST', '/invitations', { ...more, role: 'rep' })).status).toBe(403);
  });
});

describe('a password', () => {
  let admin: Client;
  beforeAll(async () => {
    admin = await signIn(FIRST.email, FIRST.password);
  });

  it('is changed by its owner, and whoever else was signed in with it is out', async () => {
    const here = await joined(admin, 'Gunnar');
    const there = await signIn('gunnar@ropeworks.example', 'a long enough one');
    const wrong = await here.send<{ errors: { path: string }[] }>('PUT', '/session/password', {
      current: 'guess',
      next: 'another long one',
    });
    expect([wrong.status, wrong.body.errors[0]!.path]).toEqual([403, 'current']);
    const change = { current: 'a long enough one', next: 'another long one' };
    expect((await here.send('PUT', '/session/password', change)).status).toBe(204);
    expect((await here.get('/session')).status).toBe(200);
    expect((await there.get('/session')).status).toBe(401);
    await expect(signIn('gunnar@ropeworks.example', 'another long one')).resolves.toBeDefined();
    expect((await visitor().send('PUT', '/session/password', change)).status).toBe(401);
  });

  it('is set anew by a link when it is forgotten', async () => {
    const forgetful = await joined(admin, 'Beatrice');
    const { body } = await admin.send<AccessLink>('POST', `/members/${await idOf(forgetful)}/password-link`);
    const opened = await visitor().send<{ purpose: string }>('POST', '/links/opened', { token: tokenOf(body) });
    expect(opened.body.purpose).toBe('password');
    const used = { token: tokenOf(body), name: 'Nobody asked', password: 'remembered this time' };
    expect((await visitor().send('POST', '/links/used', used)).status).toBe(201);
    expect((await forgetful.get('/session')).status).toBe(401);
    const { user } = (await (await signIn('beatrice@ropeworks.example', used.password)).get<Session>('/session')).body;
    expect(user.name).toBe('Beatrice');
  });
});

describe('an account taken out of use', () => {
  let admin: Client;
  beforeAll(async () => {
    admin = await signIn(FIRST.email, FIRST.password);
  });

  it('lets nobody in, and hands over what it owns', async () => {
    const [leaving, staying] = [await joined(admin, 'Dmitri'), await joined(admin, 'Winifred')];
    const [from, to] = [await idOf(leaving), await idOf(staying)];
    const personId = await leaving.filed({ familyName: 'Handover', emails: ['handover@quay.example'] });
    const cardId = await leaving.typedCard('Still Unfiled\nunfiled@quay.example');
    await admin.send('POST', '/second-looks', { cardIds: [cardId], askedOf: from, message: 'Yours?' });
    const occasionId = randomUUID();
    await admin.send('PUT', `/occasions/${occasionId}`, { name: 'Ropewalk day', ownerId: from });
    const business = { title: 'Rope for the new quay', currency: 'EUR' };
    const { id: businessId } = (await leaving.send<{ id: string }>('POST', '/opportunities', business)).body;

    const { status, body } = await admin.send<HandedOver>('POST', `/members/${from}/out-of-use`, { handTo: to });
    expect([status, body]).toEqual([200, { people: 1, cards: 1, occasions: 1, secondLooks: 1 }]);

    expect((await leaving.get('/session')).status).toBe(401);
    const again = await visitor().send<{ code: string }>('POST', '/session', {
      email: 'dmitri@ropeworks.example',
      password: 'a long enough one',
    });
    expect([again.status, again.body.code]).toEqual([403, 'out-of-use']);
    const person = (await staying.get<Person>(`/people/${personId}`)).body;
    expect(person.owner.name).toBe('Winifred');
    expect(person.history[0]).toMatchObject({
      action: 'edited',
      changes: [{ field: 'owner', before: 'Dmitri', after: 'Winifred' }],
    });
    const { owner, history } = (await staying.get<Opportunity>(`/opportunities/${businessId}`)).body;
    expect([owner.id, history[0]!.changes]).toEqual([to, [{ field: 'owner', before: 'Dmitri', after: 'Winifred' }]]);
    expect((await staying.get<SecondLooks>('/second-looks')).body.asked.map((asked) => asked.cardId)).toEqual([cardId]);
    const { items } = (await staying.get<OccasionList>('/occasions')).body;
    expect(items.find(({ id }) => id === occasionId)!.ownerId).toBe(to);
    const { items: team } = (await staying.get<Team>('/team')).body;
    expect(team.map(({ name }) => name)).not.toContain('Dmitri');
    // Nothing is given to an account that nobody uses.
    const edited = {
      version: person.version,
      kind: 'lead',
      tags: [],
      rating: null,
      fields: personFields({ familyName: 'Handover' }),
    };
    expect((await staying.send('PATCH', `/people/${personId}`, { ...edited, ownerId: from })).status).not.toBe(200);

    expect((await admin.send('DELETE', `/members/${from}/out-of-use`)).status).toBe(204);
    await expect(signIn('dmitri@ropeworks.example', 'a long enough one')).resolves.toBeDefined();
  });

  it('leaves no link behind by which its owner could come back', async () => {
    const leaving = await joined(admin, 'Marguerite', 'manager');
    const link = await invited(leaving, { name: 'Second Self', email: 'second.self@ropeworks.example', role: 'rep' });
    const handTo = await idOf(admin);
    expect((await admin.send('POST', `/members/${await idOf(leaving)}/out-of-use`, { handTo })).status).toBe(200);
    const used = { token: tokenOf(link), name: 'Second Self', password: 'back again soon' };
    expect((await visitor().send('POST', '/links/used', used)).status).toBe(410);
  });

  it('is never the own one, and never handed to nobody', async () => {
    const other = await joined(admin, 'Ignacio', 'administrator');
    const [own, theirs] = [await idOf(admin), await idOf(other)];
    expect((await admin.send('POST', `/members/${own}/out-of-use`, { handTo: theirs })).status).toBe(409);
    expect((await admin.send('POST', `/members/${theirs}/out-of-use`, { handTo: theirs })).status).toBe(404);
    expect((await admin.send('POST', `/members/${theirs}/out-of-use`, { handTo: randomUUID() })).status).toBe(404);
    // Two who take each other out at once: one is left.
    const answers = await Promise.all([
      admin.send('POST', `/members/${theirs}/out-of-use`, { handTo: own }),
      other.send('POST', `/members/${own}/out-of-use`, { handTo: theirs }),
    ]);
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
  });
});
