import type { TrayEvent } from '@dossier/contract';
import { Client } from 'pg';
import type { EntityManager } from 'typeorm';
import type { Logger } from './logger';

const CHANNEL = 'dossier_tray';
const RECONNECT_AFTER_MS = 1000;

type Listener = (event: TrayEvent) => void;

/** Tells every API process that something about a photograph changed; sent when the transaction commits. */
export async function announce(manager: EntityManager, workspaceId: string, event: TrayEvent): Promise<void> {
  await manager.query(`select pg_notify($1, $2)`, [CHANNEL, JSON.stringify({ workspaceId, event })]);
}

/** Hands the announcements of all processes to the listeners of each workspace. */
export class TrayEvents {
  private readonly listeners = new Map<string, Set<Listener>>();
  private client?: Client;
  private closed = false;

  constructor(
    private readonly databaseUrl: string,
    private readonly logger: Logger,
  ) {}

  async start(): Promise<void> {
    const client = new Client({ connectionString: this.databaseUrl });
    client.on('notification', ({ payload }) => {
      const { workspaceId, event } = JSON.parse(payload ?? '{}') as { workspaceId: string; event: TrayEvent };
      this.listeners.get(workspaceId)?.forEach((listener) => listener(event));
    });
    client.on('error', (error) => this.logger.warn({ err: error }, 'lost the connection for announcements'));
    client.on('end', () => this.restart());
    await client.connect();
    await client.query(`listen ${CHANNEL}`);
    this.client = client;
  }

  /** @returns how to stop listening */
  subscribe(workspaceId: string, listener: Listener): () => void {
    const set = this.listeners.get(workspaceId) ?? new Set();
    this.listeners.set(workspaceId, set.add(listener));
    return () => {
      set.delete(listener);
      if (set.size === 0) this.listeners.delete(workspaceId);
    };
  }

  async stop(): Promise<void> {
    this.closed = true;
    await this.client?.end();
  }

  private restart(): void {
    if (this.closed) return;
    setTimeout(() => {
      this.start().catch(() => this.restart());
    }, RECONNECT_AFTER_MS).unref();
  }
}
