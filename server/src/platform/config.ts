import { availableParallelism } from 'node:os';
import { z } from 'zod';
import type { Allowed } from './outside';

const Environment = z.object({
  /** Connection of the role that owns the tables; used for migrations and account set-up only. */
  DOSSIER_OWNER_URL: z.string(),
  /** Connection of the role that serves requests; row-level security applies to it. */
  DOSSIER_DATABASE_URL: z.string(),
  DOSSIER_HOST: z.string().default('127.0.0.1'),
  DOSSIER_PORT: z.coerce.number().int().default(4300),
  /** Where https is answered too, with the files (PEM) of its key and its certificate; nowhere without. */
  DOSSIER_HTTPS_PORT: z.coerce.number().int().optional(),
  DOSSIER_HTTPS_KEY: z.string().optional(),
  DOSSIER_HTTPS_CERTIFICATE: z.string().optional(),
  /** Folder of the exported application. */
  DOSSIER_APP_FOLDER: z.string().optional(),
  DOSSIER_LOG: z.enum(['debug', 'info', 'warn', 'error', 'silent']).default('info'),
  /** Sign-in attempts that one address may make for one account in five minutes. */
  DOSSIER_SIGN_IN_LIMIT: z.coerce.number().int().default(10),
  /**
   * Addresses or ranges, with commas between, of proxies that say for whom they ask (`X-Forwarded-For`, `X-Forwarded-Proto`). None
   * by default: whoever connects is who asks.
   */
  DOSSIER_TRUSTED_PROXIES: z.string().default(''),
  /** Code with which a team is begun where there is none; nobody can without. */
  DOSSIER_FIRST_CODE: z.string().min(8).optional(),
  /** Folder that backups are made into by themselves, the same for every process; none are without. */
  DOSSIER_BACKUP_FOLDER: z.string().default(''),
  /** What these are encrypted with; they are not without. */
  DOSSIER_BACKUP_PASSPHRASE: z.string().default(''),
  /** What secrets of others are sealed with, the same for every process, 32 characters or more; none can be kept without. */
  DOSSIER_SECRETS_KEY: z.string().min(32).optional(),
  /**
   * Which addresses of this machine and its network may be told things and handed people over to: `1` for all of them, `0` for none, or
   * some as HOST:PORT with commas between.
   */
  DOSSIER_ALLOW_PRIVATE_ADDRESSES: z
    .string()
    .regex(/^(?:[01]|[^\s,:]+:\d+(?:,[^\s,:]+:\d+)*)$/, 'Write 0, 1, or addresses as HOST:PORT with commas between.')
    .default('0'),
  /** Under which address people reach this, for links that are given to other systems; none are without. */
  DOSSIER_PUBLIC_ADDRESS: z.url({ protocol: /^https?$/ }).optional(),
  /** Where mail that a team's server forwards is taken (SMTP); nowhere without. */
  DOSSIER_MAIL_PORT: z.coerce.number().int().optional(),
  /** Folder beneath which files are written for other systems; none are without. */
  DOSSIER_HAND_OVER_FOLDER: z.string().optional(),
  /** Photographs that a worker reads at a time. */
  DOSSIER_READING_LANES: z.coerce.number().int().min(1).default(Math.min(2, availableParallelism())),
});

export interface Config {
  ownerUrl: string;
  databaseUrl: string;
  host: string;
  port: number;
  https?: { port: number; key: string; certificate: string };
  appFolder?: string;
  log: string;
  signInLimit: number;
  trustedProxies: string[];
  firstCode?: string;
  backups?: { folder: string; passphrase?: string };
  secretsKey?: string;
  allowed: Allowed;
  publicAddress?: string;
  mailPort?: number;
  handOverFolder?: string;
  readingLanes: number;
}

/** Settings from the environment. @throws ZodError naming what is missing */
export function readConfig(environment: NodeJS.ProcessEnv = process.env): Config {
  const e = Environment.parse(environment);
  return {
    ownerUrl: e.DOSSIER_OWNER_URL,
    databaseUrl: e.DOSSIER_DATABASE_URL,
    host: e.DOSSIER_HOST,
    port: e.DOSSIER_PORT,
    https:
      e.DOSSIER_HTTPS_PORT && e.DOSSIER_HTTPS_KEY && e.DOSSIER_HTTPS_CERTIFICATE
        ? { port: e.DOSSIER_HTTPS_PORT, key: e.DOSSIER_HTTPS_KEY, certificate: e.DOSSIER_HTTPS_CERTIFICATE }
        : undefined,
    appFolder: e.DOSSIER_APP_FOLDER,
    log: e.DOSSIER_LOG,
    signInLimit: e.DOSSIER_SIGN_IN_LIMIT,
    trustedProxies: e.DOSSIER_TRUSTED_PROXIES.split(',')
      .map((one) => one.trim())
      .filter(Boolean),
    firstCode: e.DOSSIER_FIRST_CODE,
    backups: e.DOSSIER_BACKUP_FOLDER
      ? { folder: e.DOSSIER_BACKUP_FOLDER, passphrase: e.DOSSIER_BACKUP_PASSPHRASE || undefined }
      : undefined,
    secretsKey: e.DOSSIER_SECRETS_KEY,
    allowed: allowedIn(e.DOSSIER_ALLOW_PRIVATE_ADDRESSES),
    publicAddress: e.DOSSIER_PUBLIC_ADDRESS?.replace(/\/+$/, ''),
    mailPort: e.DOSSIER_MAIL_PORT,
    handOverFolder: e.DOSSIER_HAND_OVER_FOLDER || undefined,
    readingLanes: e.DOSSIER_READING_LANES,
  };
}

const allowedIn = (text: string): Allowed => (text === '1' ? 'all' : new Set(text === '0' ? [] : text.split(',')));
