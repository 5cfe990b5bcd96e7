import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import { createDataSource } from '../src/dataSource';
import { inWorkspace } from '../src/platform/workspaceScope';
import { databaseOf } from './services';

jest.setTimeout(60_000);

describe('the tables', () => {
  it('are what the entities say', async () => {
    const owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
    const { upQueries } = await owner.driver.createSchemaBuilder().log();
    await owner.destroy();
    expect(upQueries.map((q) => q.query).filter((q) => !q.includes('worker_heartbeat'))).toEqual([]);
  });

  it('keep pictures as they come, without an attempt at compressing them', async () => {
    const owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
    const compressible = Buffer.alloc(100_000);
    const [size] = await owner.transaction(async (manager) => {
      const [workspace] = await manager.query<{ id: string }[]>('select id from workspace limit 1');
      return manager.query<{ stored: number }[]>(
        `insert into stored_file (id, workspace_id, type, bytes) values (gen_random_uuid(), $1, 'image/jpeg', $2)
         returning pg_column_size(bytes) as stored`,
        [workspace!.id, compressible],
      );
    });
    await owner.destroy();
    expect(size!.stored).toBeGreaterThanOrEqual(compressible.length);
  });

  it('ask once for a statement which workspace it is about, not for each row', async () => {
    const owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
    const policies = await owner.query<{ name: string; said: string }[]>(
      `select policyname as name, concat_ws(' ', qual, with_check) as said from pg_policies where schemaname = 'public'`,
    );
    await owner.destroy();
    const asking = policies.filter(({ said }) => said.includes('dossier.workspace'));
    expect(asking.length).toBeGreaterThan(50);
    expect(asking.filter(({ said }) => !/^(?:\(workspace_id = \( SELECT [^=]+\)\) ?)+$/.test(said))).toEqual([]);
  });

  it('show no row of any workspace to a connection that has not named one, and let nobody rewrite the change log', async () => {
    const serving = await createDataSource(databaseOf('api').DOSSIER_DATABASE_URL!, 2).initialize();
    const tables = [
      'stored_file',
      'photo',
      'card',
      'person',
      'company',
      'employment',
      'contact_point',
      'note',
      'change_log',
      'filing_receipt',
      'learned_fact',
      'occasion',
      'second_look',
      'match_key',
      'match_model',
      'not_same',
      'sweep',
      'duplicate',
      'merge',
      'consent',
    ];
    for (const table of tables)
      expect([table, await serving.query(`select count(*)::int from ${table}`)]).toEqual([table, [{ count: 0 }]]);
    await expect(serving.query(`update change_log set action = 'filed'`)).rejects.toThrow(/permission denied/);
    await expect(serving.query('delete from change_log')).rejects.toThrow(/permission denied/);
    await expect(serving.query(`update account set role = 'administrator'`)).resolves.toEqual([[], 0]);
    await expect(serving.query(`update account set email = 'other@quay.example'`)).rejects.toThrow(/permission denied/);
    await expect(
      serving.query(`insert into workspace (id, name, country) values (gen_random_uuid(), 'Another', 'GB')`),
    ).rejects.toThrow(/permission denied/);
    await serving.destroy();
  });
});

describe('two transactions that stand in each other’s way', () => {
  it('are both done: the one that the database gives up is done again from its beginning', async () => {
    const owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
    const serving = await createDataSource(databaseOf('api').DOSSIER_DATABASE_URL!, 3).initialize();
    const [workspace] = await owner.query<{ id: string }[]>('select id from workspace limit 1');
    const workspaceId = workspace!.id;
    const ids = [randomUUID(), randomUUID()];
    for (const id of ids)
      await owner.query(
        `insert into company (id, workspace_id, name, name_key) values ($1::uuid, $2, 'In the Way', $1::uuid::text)`,
        [id, workspaceId],
      );
    let holding = 0;
    let bothHold = () => {};
    const bothHeld = new Promise<void>((resolve) => (bothHold = resolve));
    let begun = 0;
    const raise = (first: string, second: string) =>
      inWorkspace(serving, workspaceId, async (manager) => {
        begun++;
        await manager.query('update company set version = version + 1 where id = $1', [first]);
        // Only the first time each waits for the other to hold what it wants next.
        if (++holding === 2) bothHold();
        await bothHeld;
        await manager.query('update company set version = version + 1 where id = $1', [second]);
      });
    await Promise.all([raise(ids[0]!, ids[1]!), raise(ids[1]!, ids[0]!)]);
    expect(begun).toBe(3);
    expect(await owner.query('select version from company where id = any($1)', [ids])).toEqual([
      { version: 3 },
      { version: 3 },
    ]);
    await owner.query('delete from company where id = any($1)', [ids]);
    await Promise.all([owner.destroy(), serving.destroy()]);
  });

  it('are not tried for ever, and not at all for another reason', async () => {
    const serving = await createDataSource(databaseOf('api').DOSSIER_DATABASE_URL!, 2).initialize();
    const tries: Record<string, number> = {};
    const given = (code: string) =>
      inWorkspace(serving, randomUUID(), () => {
        tries[code] = (tries[code] ?? 0) + 1;
        return Promise.reject(Object.assign(new Error('given up'), { code }));
      });
    await expect(given('40P01')).rejects.toThrow('given up');
    await expect(given('22001')).rejects.toThrow('given up');
    expect(tries).toEqual({ '40P01': 5, '22001': 1 });
    await serving.destroy();
  });
});
