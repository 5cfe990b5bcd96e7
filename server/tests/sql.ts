import pg from 'pg';
import { databaseOf } from './services';

type Values = readonly unknown[];
type Rows = Record<string, unknown>[];

/** SQL on a test's database, without the server's own way to it: that takes each file some seconds to load. */
export class Sql {
  private constructor(
    private readonly asked: pg.Pool | pg.PoolClient,
    readonly destroy: () => Promise<void>,
  ) {}

  /** As the owner of the tables, whom no workspace narrows. */
  static ofOwner(): Sql {
    const pool = new pg.Pool({ connectionString: databaseOf('api').DOSSIER_OWNER_URL, max: 2 });
    return new Sql(pool, () => pool.end());
  }

  async query<T extends object[] = Rows>(sql: string, values: Values = []): Promise<T> {
    return (await this.asked.query(sql, [...values])).rows as T;
  }

  async transaction(work: (within: Sql) => Promise<void>): Promise<void> {
    const client = await (this.asked as pg.Pool).connect();
    try {
      await client.query('begin');
      await work(new Sql(client, () => Promise.resolve()));
      await client.query('commit');
    } catch (error) {
      await client.query('rollback');
      throw error;
    } finally {
      client.release();
    }
  }
}
