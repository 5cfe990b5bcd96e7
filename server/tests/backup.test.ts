import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import { createWriteStream, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import type { Backups, PeoplePage } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { createDataSource } from '../src/dataSource';
import { createAccounts, Workspace } from '../src/features/account';
import { readArchive, writeArchive, type ArchiveFile } from '../src/features/backup/archive';
import { backUp } from '../src/features/backup/backUp';
import { backUpIntoFolder, isDue } from '../src/features/backup/byItself';
import { BackupRecord } from '../src/features/backup/entities';
import { tryLockBackups } from '../src/features/backup/queries';
import { checkArchive, restore } from '../src/features/backup/restore';
import { KEPT_TABLES, LEFT_OUT } from '../src/features/backup/tables';
import { createLogger } from '../src/platform/logger';
import { Client, demoPhoto } from './client';
import { databaseOf, until } from './services';

jest.setTimeout(300_000);

const PASSWORD = 'many-cold-words';
const own = `boathouse-${randomUUID().slice(0, 8)}`;
const email = (who: string) => `${who}@${own}.example`;
const folder = mkdtempSync(join(tmpdir(), 'backups-'));
const logger = createLogger('silent', 'test');
let owner: DataSource;
let serving: DataSource;
let original: string;
let bytes: Buffer;
let client: Client;
let edited: string;

const team = (name: string, who: string) => ({
  name,
  country: 'GB',
  accounts: [
    { name: 'Merete Aagard', email: email(who), password: PASSWORD, role: 'administrator' as const },
    { name: 'Pim Aldous', email: email(`${who}-pim`), password: PASSWORD, role: 'assistant' as const },
  ],
});
const workspaceOf = async (who: string, database = owner): Promise<string> =>
  (await database.query<{ id: string }[]>('select workspace_id as id from account where email = $1', [email(who)]))[0]!
    .id;

async function written(database: DataSource, workspaceId: string, passphrase?: string): Promise<Buffer> {
  const path = join(folder, randomUUID());
  await database.transaction('REPEATABLE READ', (manager) => backUp(manager, workspaceId, createWriteStream(path), passphrase)); // prettier-ignore
  return readFileSync(path);
}
const filesOf = async (archive: Buffer): Promise<ArchiveFile[]> => {
  const files = [];
  for await (const file of readArchive(Readable.from([archive]))) files.push(file);
  return files;
};
const opened = (archive: Buffer) => () => Readable.from([archive]);
const put = (archive: Buffer, more: { into?: string; passphrase?: string } = {}) =>
  restore({ owner, serving, open: opened(archive), ...more });

/** The same files, with other text in some of them, and sums that fit. */
async function rewritten(change: (name: string, text: string) => string): Promise<Buffer> {
  const path = join(folder, randomUUID());
  await writeArchive(createWriteStream(path), { at: new Date() }, async (add) => {
    for (const { name, bytes: held } of await filesOf(bytes))
      await add(name, name.startsWith('pictures/') ? held : Buffer.from(change(name, held.toString())));
  });
  return readFileSync(path);
}
const withAbout = (change: (about: { schema: number; version: number }) => void): Promise<Buffer> =>
  rewritten((name, text) => {
    if (name !== 'about.json') return text;
    const about = JSON.parse(text) as { schema: number; version: number };
    change(about);
    return JSON.stringify(about);
  });

beforeAll(async () => {
  const { DOSSIER_OWNER_URL, DOSSIER_DATABASE_URL } = databaseOf('api');
  owner = await createDataSource(DOSSIER_OWNER_URL!, 3).initialize();
  serving = await createDataSource(DOSSIER_DATABASE_URL!, 3).initialize();
  await createAccounts(owner, [team('Boathouse desk', 'admin')]);
  original = await workspaceOf('admin');
  client = await Client.signedIn(email('admin'), PASSWORD);
  // Somebody from a photograph, with all that can be about them; firms that are one; two who are not the same.
  const [card] = await client.photograph(demoPhoto('harrowfield'));
  const { body: read } = await client.card(card!.id);
  const { body } = await client.file({ cardId: card!.id, fields: { ...(await fieldsOf(read)), title: 'Head of “Dispatch”\\' } as never, note: 'Line one\nLine two \u2028 𠮷', tags: ['cold chain'] }); // prettier-ignore
  edited = body.personId;
  await client.send('POST', `/people/${edited}/notes`, { text: 'Rang on Tuesday.', kind: 'note' });
  const second = await client.filed({ givenName: 'Isra', familyName: 'Lund', company: 'Lund Boats Ltd' });
  await client.filed({ givenName: 'Isra', familyName: 'Lundh', company: 'Lund Boats' });
  await client.send('DELETE', `/people/${second}`);
  await client.send('POST', '/people-views', { name: 'Mine', query: `owner=${second}&q=lund`, forTeam: true });
  await client.typedCard('Waiting Card\nwaiting@quay.example');
  await client.sendPhoto(randomUUID(), demoPhoto('skerry'));
  bytes = await written(owner, original);
});
afterAll(async () => {
  await owner.query('delete from workspace where id in (select workspace_id from account where email like $1)', [`%@${own}.example`]); // prettier-ignore
  await owner.destroy();
  await serving.destroy();
  rmSync(folder, { recursive: true });
});

const fieldsOf = async (read: unknown) => {
  const { proposals } = read as { proposals: { field: string; value: string }[] };
  const { emptyPersonFields } = await import('@dossier/core/people');
  const one = (field: string) => proposals.find((proposal) => proposal.field === field)?.value ?? '';
  return {
    ...emptyPersonFields(),
    givenName: one('givenName'),
    familyName: one('familyName'),
    company: one('company'),
  };
};

describe('a backup', () => {
  it('holds every table but those that are left out for a reason', async () => {
    const tables = await owner.query<{ name: string }[]>(
      `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
    );
    expect(tables.map(({ name }) => name).sort()).toEqual([...KEPT_TABLES, ...Object.keys(LEFT_OUT)].sort());
  });

  it('comes back into a database without it, equal to the last byte of every row and picture', async () => {
    const { DOSSIER_OWNER_URL, DOSSIER_DATABASE_URL } = databaseOf('restored');
    const there = await createDataSource(DOSSIER_OWNER_URL!, 2).initialize();
    const thereServing = await createDataSource(DOSSIER_DATABASE_URL!, 2).initialize();
    try {
      const done = await restore({ owner: there, serving: thereServing, open: opened(bytes) });
      expect(done).toMatchObject({ workspace: 'Boathouse desk', renumbered: false, withoutSignIn: [] });
      const [before, after] = [await filesOf(bytes), await filesOf(await written(there, original))];
      expect(after.map(({ name }) => name)).toEqual(before.map(({ name }) => name));
      for (const [i, { name, bytes: held }] of before.entries())
        if (name === 'about.json')
          expect({ ...JSON.parse(after[i]!.bytes.toString()), madeAt: '' }).toEqual({ ...JSON.parse(held.toString()), madeAt: '' }); // prettier-ignore
        else expect([name, after[i]!.bytes.equals(held)]).toEqual([name, true]);
      // Once more finds it full, and changes nothing.
      await expect(restore({ owner: there, serving: thereServing, open: opened(bytes) })).rejects.toThrow(
        /is not empty/,
      );
      // What lists are made of is there again.
      const [listed] = await there.query<{ there: number; listed: number; staff: number }[]>(
        `select (select count(*)::int from person where deleted_at is null) as there, (select count(*)::int from person_listing) as listed,
           (select count(*)::int from company_staff) as staff`,
      );
      expect(listed).toEqual({ there: 2, listed: 2, staff: 3 });
      const jobs = await thereServing.query<{ key: string }[]>(
        `select key from graphile_worker.jobs where key like 'read:%'`,
      );
      expect(jobs.length).toBeLessThanOrEqual(1);
    } finally {
      await there.query('delete from workspace');
      await there.destroy();
      await thereServing.destroy();
    }
  });

  it('stands beside its original as a copy, with ids of its own and everything where it belongs', async () => {
    await createAccounts(owner, [team('Copy desk', 'copy')]);
    const done = await put(bytes, { into: email('copy') });
    expect(done).toMatchObject({ renumbered: true, withoutSignIn: ['Merete Aagard', 'Pim Aldous'] });
    const copy = await Client.signedIn(email('copy'), PASSWORD);
    const list = (await copy.get<PeoplePage>('/people')).body;
    expect(list.items.map(({ fullName }) => fullName)).toEqual((await client.get<PeoplePage>('/people')).body.items.map(({ fullName }) => fullName)); // prettier-ignore
    const found = (await copy.get<PeoplePage>('/people?q=harrowfield')).body.items[0]!;
    expect(found.id).not.toBe(edited);
    const [now, then] = [await copy.person(found.id), await client.person(edited)];
    expect(now.fields).toEqual(then.fields);
    expect(now.notes.map(({ text }) => text)).toEqual(then.notes.map(({ text }) => text));
    const picture = async (who: Client, cardId: string) => (await who.card(cardId)).body.pictureId;
    expect(await picture(copy, now.cardIds[0]!)).toEqual(expect.any(String));
    expect(now.cardIds[0]).not.toBe(then.cardIds[0]);
    // A photograph that was on its way to being read is read.
    await until(
      async () => (await copy.tray()).some(({ state }) => state === 'toProve' || state === 'needsPerson') || undefined,
    );
    await expect(put(bytes, { into: email('copy') })).rejects.toThrow(/“Boathouse desk” is not empty/);
  });

  it('that is damaged, cut off, of another version or for nobody is told apart, and changes nothing', async () => {
    await createAccounts(owner, [team('Empty desk', 'bare')]);
    const into = { into: email('bare') };
    const turned = Buffer.from(bytes);
    turned[Math.floor(turned.length / 2)]! ^= 0xff;
    await expect(put(turned, into)).rejects.toThrow(/damaged|cut off/);
    await expect(put(bytes.subarray(0, bytes.length - 5000), into)).rejects.toThrow(/cut off/);
    await expect(put(Buffer.from('BEGIN:VCARD'), into)).rejects.toThrow(/no backup of Dossier/);
    await expect(put(await withAbout((about) => (about.schema = 1780000000001)), into)).rejects.toThrow(/too old/);
    await expect(put(await withAbout((about) => (about.schema += 1e9)), into)).rejects.toThrow(/newer Dossier/);
    await expect(put(await withAbout((about) => (about.version += 1)), into)).rejects.toThrow(/newer Dossier/);
    await expect(put(bytes, { into: email('nobody') })).rejects.toThrow(/Nobody here has the e-mail address/);
    await expect(put(await written(owner, original, 'four words are enough'), into)).rejects.toThrow(/is encrypted/);
    const workspace = await workspaceOf('bare');
    const [{ count }] = (await owner.query('select count(*)::int as count from person where workspace_id = $1', [workspace])) as [{ count: number }]; // prettier-ignore
    expect(count).toBe(0);
  });

  it('comes into the workspace that was named and no other, whatever its rows say', async () => {
    const [{ id: other }] = (await owner.query(`select workspace_id as id from account where email = 'juno@tarnmoorpack.example'`)) as [{ id: string }]; // prettier-ignore
    const peopleOf = async (workspace: string) => (await owner.query<{ count: number }[]>('select count(*)::int as count from person where workspace_id = $1', [workspace]))[0]!.count; // prettier-ignore
    const before = await peopleOf(other);
    const turned = await rewritten((name, text) =>
      name.startsWith('data/person/') ? text.replaceAll(original, other) : text,
    );
    await createAccounts(owner, [team('Turned desk', 'turned')]);
    await put(turned, { into: email('turned') });
    expect([await peopleOf(other), await peopleOf(await workspaceOf('turned'))]).toEqual([before, 3]);
    const script = await rewritten((name, text) => (name.startsWith('data/stored_file/') ? text.replaceAll('image/jpeg', 'text/html') : text)); // prettier-ignore
    await expect(put(script, { into: email('bare') })).rejects.toThrow(/picture that is none/);
  });

  it('is fetched by administrators only, whole, and opened with the passphrase that it was asked with', async () => {
    const fetched = async (body: object) => {
      const response = await fetch(`${process.env.DOSSIER_TEST_ADDRESS}/backups/file`, { method: 'POST', headers: { cookie: client.cookie, 'content-type': 'application/json' }, body: JSON.stringify(body) }); // prettier-ignore
      return { name: response.headers.get('content-disposition'), bytes: Buffer.from(await response.arrayBuffer()) };
    };
    const plain = await fetched({});
    expect(plain.name).toMatch(/dossier-\d{4}-\d\d-\d\d\.tar\.gz"/);
    expect((await checkArchive(opened(plain.bytes))).rows.person).toBe(3);
    const secret = await fetched({ passphrase: 'four words are enough' });
    expect(secret.name).toMatch(/\.tar\.gz\.age"/);
    expect((await checkArchive(opened(secret.bytes), 'four words are enough')).workspace.name).toBe('Boathouse desk');
    expect((await client.send('POST', '/backups/file', { passphrase: 'short' })).status).toBe(400);
    const assistant = await Client.signedIn(email('admin-pim'), PASSWORD);
    const manager = await Client.signedIn('maren@keldermoss.example');
    for (const other of [assistant, manager]) {
      expect((await other.send('POST', '/backups/file', {})).status).toBe(403);
      expect((await other.get('/backups')).status).toBe(403);
    }
  });
});

describe('backups by schedule', () => {
  const place = { folder: process.env.DOSSIER_TEST_BACKUPS! };
  const current = () => owner.getRepository(Workspace).findOneByOrFail({ id: original });
  const later = (hours: number) => new Date(Date.now() + hours * 3_600_000);

  it('are made when their time has come, and so many are kept', async () => {
    expect(await isDue(serving, await current(), later(1000))).toBe(false);
    await owner.getRepository(Workspace).update(original, { backupEvery: 'day', backupKeep: 2 });
    expect(await isDue(serving, await current(), new Date())).toBe(true);
    for (let i = 0; i < 3; i++) await backUpIntoFolder(serving, await current(), place, logger);
    expect([await isDue(serving, await current(), later(20)), await isDue(serving, await current(), later(24))]).toEqual([false, true]); // prettier-ignore
    const kept = readdirSync(join(place.folder, original));
    expect(kept).toHaveLength(2);
    const { body } = await client.get<Backups>('/backups');
    expect(body.latest.map(({ state, people, bytes: size }) => ({ state, people, isThere: size! > 1000 }))).toEqual([1, 2].map(() => ({ state: 'done', people: 3, isThere: true }))); // prettier-ignore
    // Fetched by their own administrators, and by nobody else's.
    const fetched = await fetch(`${process.env.DOSSIER_TEST_ADDRESS}/backups/${body.latest[0]!.id}/file`, { headers: { cookie: client.cookie } }); // prettier-ignore
    expect((await checkArchive(opened(Buffer.from(await fetched.arrayBuffer())))).rows.person).toBe(3);
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    expect((await stranger.get(`/backups/${body.latest[0]!.id}/file`)).status).toBe(404);
    expect((await stranger.get<Backups>('/backups')).body.latest).toEqual([]);
  });

  it('that fail say why and leave nothing half done; one that broke off does not hold up the next', async () => {
    const notAFolder = join(folder, 'a-file');
    writeFileSync(notAFolder, '');
    await backUpIntoFolder(serving, await current(), { folder: notAFolder }, logger);
    const [failed] = (await client.get<Backups>('/backups')).body.latest;
    expect(failed).toMatchObject({ state: 'failed', problem: expect.stringMatching(/folder|wrong/) as string });
    // Another one that is being made holds it up as long as somebody makes it.
    await owner.getRepository(BackupRecord).update({ id: failed!.id }, { state: 'running' });
    await owner.transaction(async (manager) => {
      expect(await tryLockBackups(manager, original)).toBe(true);
      expect(await isDue(serving, await current(), later(25))).toBe(false);
    });
    expect(await isDue(serving, await current(), later(25))).toBe(true);
    expect((await client.get<Backups>('/backups')).body.latest[0]).toMatchObject({ state: 'failed', problem: expect.stringMatching(/broke off/) as string }); // prettier-ignore
  });

  it('are set by administrators', async () => {
    expect((await client.send('PUT', '/backups/schedule', { every: 'day', keep: 0 })).status).toBe(400);
    expect((await client.send('PUT', '/backups/schedule', { every: 'hour', keep: 3 })).status).toBe(400);
    expect((await client.send('PUT', '/backups/schedule', { every: 'never', keep: 3 })).status).toBe(204);
    expect(await current()).toMatchObject({ backupEvery: 'never', backupKeep: 3 });
  });
});
