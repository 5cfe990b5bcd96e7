import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import type { BookingStanding, Members, OwnCard, Session } from '@dossier/contract';
import { API_ROUTES } from '@dossier/contract/api';
import { ALLOWED, may, type Act, type Role } from '@dossier/core/account';
import { createDataSource } from '../src/dataSource';
import { declaredRoutes } from '../src/createApp';
import type { DeclaredRoute } from '../src/platform/routes';
import { createLogger } from '../src/platform/logger';
import { TrayEvents } from '../src/platform/trayEvents';
import { Client } from './client';
import { databaseOf } from './services';
import { Sql } from './sql';
import { Visitor } from './visitor';

jest.setTimeout(180_000);

const url = databaseOf('api').DOSSIER_DATABASE_URL!;
/** All routes that exist, as the program itself declares them. */
const routes = declaredRoutes({
  database: createDataSource(url),
  events: new TrayEvents(url, createLogger('silent', 'test')),
});
const NOBODY = '01900000-0000-7000-8000-0000000000ff';
const addressOf = ({ path }: DeclaredRoute): string => path.replace(/:[a-z]+/gi, NOBODY);

const ACCOUNTS: Partial<Record<Role, string>> = {
  rep: 'ottilie@keldermoss.example',
  assistant: 'pim@keldermoss.example',
  manager: 'maren@keldermoss.example',
};
/** A system that is never asked anything. */
const CREATE = { create: { method: 'POST', path: '/x' }, update: { method: 'PUT', path: '/x/{ref}' }, refAt: 'id' };
const OURS = { name: 'Only ours', to: { kind: 'system', base: 'https://only.us.example', objects: { lead: CREATE, contact: CREATE } }, paused: true }; // prettier-ignore
const clients: Partial<Record<Role, Client>> = {};
let stranger: Client;
beforeAll(async () => {
  for (const [role, email] of Object.entries(ACCOUNTS)) clients[role as Role] = await Client.signedIn(email);
  stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
});

/** Sends what no route would do anything with, and does not wait for a stream. */
async function statusOf(client: Client, route: DeclaredRoute, address = addressOf(route)): Promise<number> {
  const gone = new AbortController();
  const response = await fetch(process.env.DOSSIER_TEST_ADDRESS! + address, {
    method: route.method,
    headers: { cookie: client.cookie, 'content-type': 'application/json' },
    body: route.method === 'GET' || route.method === 'DELETE' ? undefined : '{"nothing": true}',
    signal: gone.signal,
  });
  gone.abort();
  return response.status;
}

describe('every route', () => {
  it('is there, and asks for an act that somebody may do', () => {
    expect(routes.length).toBeGreaterThan(50);
    expect(new Set(routes.map(({ method, path }) => `${method} ${path}`)).size).toBe(routes.length);
    for (const { act } of routes) expect(Object.keys(ALLOWED)).toContain(act);
    // What is not described cannot be declared at all, see `Routes`.
    expect(routes.map(({ method, path }) => `${method} ${path}`).sort()).toEqual(Object.keys(API_ROUTES).sort());
  });

  it.each(routes.map((route) => [route.method, route.path, route] as const))(
    'is closed to strangers: %s %s',
    async (_method, _path, route) => expect(await statusOf(new Client(), route)).toBe(401),
  );

  describe.each(Object.keys(ACCOUNTS) as Role[])('for a %s', (role) => {
    // What ends or begins something for the whole workspace is tried by those who may not do it alone.
    const harmless = routes.filter(
      (route) => !may(role, route.act) || !/sweeps|duplicates\/merge|past/.test(route.path),
    );
    it.each(harmless.map((route) => [route.method, route.path, route] as const))(
      '%s %s',
      async (_method, _path, route) => {
        const status = await statusOf(clients[role]!, route);
        if (may(role, route.act)) expect(status).not.toBe(403);
        else expect(status).toBe(403);
        expect(status).toBeLessThan(500);
      },
    );
  });
});

describe('what belongs to another workspace', () => {
  /** One of everything that has an id, made by somebody of Kelder & Moss. */
  const made: Record<string, string> = {};
  beforeAll(async () => {
    const rep = clients.rep!;
    made.people = await rep.filed({
      familyName: 'Ownworkspace',
      company: 'Workspace Moorings',
      emails: ['own@workspacemoorings.example'],
    });
    made.cards = await rep.typedCard('Own Workspace\nown@quay.example');
    made.occasions = randomUUID();
    await rep.send('PUT', `/occasions/${made.occasions}`, { name: 'Ours alone' });
    await rep.send('POST', `/people/${made.people}/consents`, { channels: ['email'], scope: 'offers', how: 'spoken' });
    made.consents = (await rep.person(made.people)).consents[0]!.id;
    const idOf = async (path: string, body: object) => (await rep.send<{ id: string }>('POST', path, body)).body.id;
    made.notes = await idOf(`/people/${made.people}/notes`, { text: 'Only for us.' });
    made.tasks = await idOf(`/people/${made.people}/tasks`, { text: 'Only for us.' });
    made.attachments = (await rep.send<{ id: string }>('POST', '/attachments?name=ours.pdf', Buffer.from('%PDF-1.7'))).body.id; // prettier-ignore
    made.templates = randomUUID();
    made.plans = randomUUID();
    await rep.send('PUT', `/templates/${made.templates}`, { name: 'Only for us', texts: { en: { subject: ['x'], body: ['x'] } } }); // prettier-ignore
    const steps = [{ id: randomUUID(), wait: { amount: 9, unit: 'days' }, act: { do: 'task', text: 'Only for us.' } }];
    await clients.manager!.send('PUT', `/plans/${made.plans}`, { name: 'Only for us', isOn: true, steps });
    made.enrolments = await idOf(`/people/${made.people}/plans`, { planId: made.plans });
    await rep.send('POST', '/do-not-write', { value: 'only.us.example' });
    made['do-not-write'] = (await rep.get<{ items: { id: string }[] }>('/do-not-write')).body.items[0]!.id;
    // Without a server it waits.
    await clients.manager!.send('PUT', '/mail', { out: null, incoming: null, senders: [{ address: 'ours@keldermoss.example', name: 'Ours', accountId: null }] }); // prettier-ignore
    made.messages = randomUUID();
    const message = { id: made.messages, to: 'own@workspacemoorings.example', subject: 'x', body: 'x', purpose: { kind: 'byHand' } }; // prettier-ignore
    expect((await rep.send('POST', `/people/${made.people}/messages`, message)).status).toBe(201);
    made['people-views'] = await idOf('/people-views', { name: 'Only for us', query: 'kind=lead', forTeam: true });
    const rating = { who: { ids: [made.people] }, what: { rating: 'Only for us' } };
    made['people/changes'] = await idOf('/people/changes', rating);
    made.companies = (await rep.get<{ items: { id: string }[] }>('/companies?q=workspace+moorings')).body.items[0]!.id;
    made['company-notes'] = await idOf(`/companies/${made.companies}/notes`, { text: 'Only for us.' });
    const moving = { personIds: [made.people], to: 'Workspace Moorings North' };
    await rep.send('POST', `/companies/${made.companies}/people/move`, moving);
    const { history } = (await rep.get<{ history: { id: string }[] }>(`/companies/${made.companies}`)).body;
    made['company-acts'] = history[0]!.id;
    made.shares = await idOf(`/people/${made.people}/shares`, { days: 1 });
    made.imports = (await rep.send<{ id: string }>('POST', '/imports?name=ours.csv', Buffer.from('Name\nOnly For Us\n'))).body.id; // prettier-ignore
    made.opportunities = await idOf('/opportunities', { title: 'Only for us', currency: 'EUR' });
    made['opportunity-notes'] = await idOf(`/opportunities/${made.opportunities}/notes`, { text: 'Only for us.' });
    made['opportunity-files'] = (await rep.send<{ id: string }>('POST', `/opportunities/${made.opportunities}/files?name=ours.pdf`, Buffer.from('%PDF'))).body.id; // prettier-ignore
    made['insight/occasions'] = made.occasions;
    made.leads = await rep.filed({ familyName: 'Ownlead', emails: ['lead@quay.example'] }, { kind: 'lead' });
    const another = await rep.filed({ familyName: 'Owncontact', emails: ['contact@quay.example'] }, { kind: 'lead' });
    made.qualifications = await idOf(`/leads/${another}/qualify`, { version: (await rep.person(another)).version });
    made.backups = await ourBackup();
    made.bookings = await ourBooking();
    made.devices = await idOf('/devices', { name: 'Only for us' });
    await clients.manager!.send('PUT', '/directory-settings', { address: 'https://only.us.example', portraits: false });
    made['look-ups'] = await idOf('/look-ups', { who: { ids: [made.people] } });
    made['firm-facts'] = await ourFact(made.companies!);
    await rep.send('PUT', '/own-places', { country: 'GB', town: 'Only for us', lat: 56, lon: -2 });
    made['own-places'] = (await rep.get<{ items: { id: string }[] }>('/own-places')).body.items[0]!.id;
    const token = { name: 'Only for us', scopes: ['people:read'] };
    made.webhooks = (
      await clients.manager!.send<{ id: string }>('POST', '/webhooks', { url: 'https://only.us.example/told' })
    ).body.id;
    await clients.manager!.send('POST', `/webhooks/${made.webhooks}/try`);
    made['webhook-deliveries'] = (
      await clients.manager!.get<{ items: { id: string }[] }>(`/webhooks/${made.webhooks}/deliveries`)
    ).body.items[0]!.id;
    made.destinations = (await clients.manager!.send<{ id: string }>('POST', '/destinations', OURS)).body.id;
    await rep.send('POST', `/destinations/${made.destinations}/people`, { ids: [made.people] });
    made.deliveries = (await rep.get<{ items: { id: string }[] }>('/deliveries')).body.items[0]!.id;
    made.tokens = (await clients.manager!.send<{ id: string }>('POST', '/tokens', token)).body.id;
    made.readings = (
      await rep.send<{ id: string }>('POST', '/readings', { text: 'Only Forus\nonly@forus.example' })
    ).body.id;
    made.photos = randomUUID();
    const { default: sharp } = await import('sharp');
    const picture = sharp({ create: { width: 60, height: 40, channels: 3, background: '#aaa' } });
    await rep.sendPhoto(made.photos, await picture.png().toBuffer());
    const twin = await rep.filed({ familyName: 'Ownworkspace', emails: ['own@workspace.example'] });
    const merged = await rep.send<{ mergeId: string }>('POST', '/merges', {
      into: { id: made.people, version: (await rep.person(made.people)).version },
      others: [{ id: twin, version: 1 }],
    });
    made.merges = merged.body.mergeId;
    const { items } = (await rep.get<{ items: { id: string }[] }>('/learned')).body;
    made.learned = items[0]!.id;
    made.members = (await rep.get<Session>('/session')).body.user.id;
    const guest = { name: 'Expected Guest', email: 'expected@keldermoss.example', role: 'assistant' };
    await clients.manager!.send('POST', '/invitations', guest);
    const { invited } = (await clients.manager!.get<Members>('/members')).body;
    made.invitations = invited[0]!.id;
  });
  afterAll(async () => {
    expect((await clients.rep!.send('DELETE', `/people-views/${made['people-views']}`)).status).toBe(204);
    await clients.manager!.send('DELETE', `/webhooks/${made.webhooks}`);
    await clients.manager!.send('DELETE', `/destinations/${made.destinations}`);
    await clients.manager!.send('PUT', '/mail', { out: null, incoming: null, senders: [] });
    await clients.rep!.send('DELETE', `/bookings/${made.bookings}`);
    await clients.rep!.send('DELETE', '/own-card/page');
    const { status } = await clients.manager!.send('DELETE', `/invitations/${made.invitations}`);
    expect(status).toBe(204);
  });

  const named = routes.filter(({ path }) => path.includes(':id'));
  it.each(named.map((route) => [route.method, route.path, route] as const))(
    'is not there for it: %s %s',
    async (_method, path, route) => {
      const id = made[path.slice(1).split('/:id')[0]!];
      expect(id).toBeDefined();
      const before = JSON.stringify(await stateOf());
      const status = await statusOf(stranger, route, path.replace(':id', id!));
      // Refused for what was sent, or as something that is not there: never a word about what is.
      expect([400, 404, 409, 413, 415, 422]).toContain(status);
      expect(JSON.stringify(await stateOf())).toBe(before);
    },
  );

  /** One that was made by itself, without its file. */
  async function ourBackup(): Promise<string> {
    const owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 1).initialize();
    const [row] = await owner.query<{ id: string }[]>(
      `insert into backup (id, workspace_id, began_at, ended_at, state, file)
       select gen_random_uuid(), workspace_id, now(), now(), 'done', 'ours.tar.gz' from account where email = $1 returning id`,
      [ACCOUNTS.rep],
    );
    await owner.destroy();
    return row!.id;
  }

  /** A talk that somebody has booked with the rep. */
  async function ourBooking(): Promise<string> {
    const rep = clients.rep!;
    const hours = Array.from({ length: 7 }, () => [{ from: '00:00', to: '24:00' }]);
    await rep.send('PUT', '/booking', { isOn: true, timeZone: 'UTC', hours, noticeHours: 0, holidays: false });
    const visitor = new Visitor((await rep.send<OwnCard>('POST', '/own-card/page')).body.page!.path);
    const { free } = (await rep.get<BookingStanding>('/booking')).body;
    const booker = { familyName: 'Onlyforus', email: 'booked@quay.example', start: free[0]!, zone: 'UTC' };
    await visitor.send({ ...booker, form: await visitor.form() }, `${visitor.path}/times`);
    return (await rep.get<BookingStanding>('/booking')).body.coming[0]!.id;
  }

  /** Something that a directory said of a firm, and somebody took. */
  async function ourFact(companyId: string): Promise<string> {
    const owner = Sql.ofOwner();
    const id = randomUUID();
    await owner.query(
      `insert into finding (id, workspace_id, company_id, field, value, source, found_at, state) select $1, workspace_id, id, 'industry', 'Ours', 'only.us.example', now(), 'taken' from company where id = $2`,
      [id, companyId],
    );
    await owner.destroy();
    return id;
  }

  async function stateOf(): Promise<unknown> {
    const rep = clients.rep!;
    const paths = [
      `/people/${made.people}`,
      `/cards/${made.cards}`,
      `/opportunities?q=only+for+us`,
      `/people/${made.leads}`,
      '/occasions',
      '/learned',
      '/people-views',
      '/people/changes',
      `/companies/${made.companies}`,
    ];
    return Promise.all(paths.map(async (path) => (await rep.get(path)).body));
  }
});

describe('acts', () => {
  it('are all in use', () => {
    const used = new Set(routes.map(({ act }) => act));
    expect((Object.keys(ALLOWED) as Act[]).filter((act) => !used.has(act))).toEqual([]);
  });
});
