import type { TrayEvent } from '@dossier/contract';
import { Client } from 'pg';
import type { EntityManager } from 'typeorm';
import { KeptConnection } from './keptConnection';
import type { Logger } from './logger';

const CHANNEL = 'dossier_tray';

type Announcement = { workspaceId: string; event: TrayEvent } | { endedSession: string };

/** Somebody who is told what happens in a workspace. */
export interface Listener {
  workspaceId: string;
  /** Which session listens, see `sessionName`. */
  session: string;
  hear: (event: TrayEvent) => void;
  /** Nothing more will come: the session is over, or announcements were missed. */
  end: () => void;
}

/** Tells every API process that something about a photograph changed; sent when the transaction commits. */
export async function announce(manager: EntityManager, workspaceId: string, event: TrayEvent): Promise<void> {
  await tell(manager, { workspaceId, event });
}

/** Tells every API process that a session is over. */
export async function announceEnd(manager: EntityManager, session: string): Promise<void> {
  await tell(manager, { endedSession: session });
}

const tell = (manager: EntityManager, announcement: Announcement): Promise<unknown> =>
  manager.query(`select pg_notify($1, $2)`, [CHANNEL, JSON.stringify(announcement)]);

/** Hands the announcements of all processes to the listeners of each workspace. */
export class TrayEvents {
  private readonly listeners = new Set<Listener>();
  private readonly connection: KeptConnection;

  constructor(databaseUrl: string, logger: Logger) {
    this.connection = new KeptConnection({
      open: (lost) => this.listen(databaseUrl, lost),
      // What was announced meanwhile is not known: whoever listens begins anew and asks for everything.
      isBack: () => this.endAll(),
      isLost: (error) => logger.warn({ err: error }, 'lost the connection for announcements'),
    });
  }

  start(): Promise<void> {
    return this.connection.start();
  }

  /** @returns how to stop listening */
  subscribe(listener: Listener): () => void {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  }

  async stop(): Promise<void> {
    this.endAll();
    await this.connection.stop();
  }

  private endAll(): void {
    for (const listener of [...this.listeners]) listener.end();
  }

  private async listen(databaseUrl: string, lost: (error?: Error) => void): Promise<() => Promise<void>> {
    const client = new Client({ connectionString: databaseUrl, connectionTimeoutMillis: 5_000, keepAlive: true });
    client.on('notification', ({ payload }) => this.hand(JSON.parse(payload ?? '{}') as Announcement));
    client.on('error', lost);
    client.on('end', () => lost());
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
    } catch (error) {
      void client.end().catch(() => undefined);
      throw error;
    }
    return () => client.end();
  }

  private hand(announcement: Announcement): void {
    for (const listener of [...this.listeners]) {
      if ('endedSession' in announcement) {
        if (listener.session === announcement.endedSession) listener.end();
      } else if (listener.workspaceId === announcement.workspaceId) listener.hear(announcement.event);
    }
  }
}
