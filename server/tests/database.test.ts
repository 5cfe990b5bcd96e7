import 'reflect-metadata';
import { createDataSource } from '../src/dataSource';
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
