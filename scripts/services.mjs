import { join } from 'node:path';
import { root } from './paths.mjs';
import { runToEnd, startProcess, waitUntil } from './processes.mjs';
import { buildPrograms, programArguments, tsxArguments } from './programs.mjs';

/** What the stand-in of a customer system lets us in by. */
export const PORT_OFFICE_SECRET = 'chandlers-row-7';

/** Its tsconfig.json, which turns decorators on, is found from the working folder. */
const serverFolder = join(root, 'server');

export const serverEnvironment = ({
  postgres,
  database,
  port,
  host = '127.0.0.1',
  appFolder,
  log = 'warn',
  more = {},
}) => ({
  ...process.env,
  DOSSIER_OWNER_URL: postgres.url('dossier_owner', database),
  DOSSIER_DATABASE_URL: postgres.url('dossier_serving', database),
  DOSSIER_SECRETS_KEY: process.env.DOSSIER_SECRETS_KEY ?? postgres.sealing,
  DOSSIER_PORT: String(port),
  DOSSIER_HOST: host,
  DOSSIER_LOG: log,
  ...(appFolder && { DOSSIER_APP_FOLDER: appFolder }),
  ...more,
});

/** Tables, queue and accounts brought up to date. @param workspacesFile null for none */
export async function setUpDatabase(env, workspacesFile = join(root, 'demo/workspaces.json')) {
  await buildPrograms();
  await runToEnd(process.execPath, programArguments('setUp', ...(workspacesFile ? [workspacesFile] : [])), {
    cwd: serverFolder,
    env,
  });
}

export const startServer = (env, options = {}) =>
  startProcess('server', process.execPath, programArguments('main', 'api'), {
    cwd: serverFolder,
    env,
    ...options,
  });

export const startWorker = (env, options = {}) =>
  startProcess('worker', process.execPath, programArguments('main', 'worker'), {
    cwd: serverFolder,
    env,
    ...options,
  });

/** A worker that reads what was recorded. */
export const startRecordedWorker = (env, options = {}) =>
  startProcess('worker', process.execPath, programArguments('recordedWorker'), {
    cwd: serverFolder,
    env,
    ...options,
  });

/** What stands in for a customer system that a team has elsewhere. @param file where its records are kept; in memory only without */
export const startPortOffice = (port, file) =>
  startProcess(
    'port office',
    process.execPath,
    tsxArguments('simulators/src/customers/main.ts', String(port), PORT_OFFICE_SECRET, ...(file ? [file] : [])),
    { cwd: root },
  );

/** What lets the demo's team into the directory that stands in. */
export const DIRECTORY_KEY = 'harbour list demo';

/** What stands in for a directory of firms and people. */
export const startDirectory = (port) =>
  startProcess('directory', process.execPath, tsxArguments('simulators/src/directory/main.ts', String(port), DIRECTORY_KEY), { cwd: root }); // prettier-ignore

/**
 * What stands in for everybody's mail server and letterbox. @param folder where what it takes is kept; in memory only without
 * @param forwardTo port at which mail for the team is taken
 */
export const startLetterbox = ({ smtpPort, webPort, forwardTo, folder }) =>
  startProcess('letterbox', process.execPath, tsxArguments('simulators/src/mail/main.ts'), {
    cwd: root,
    env: {
      ...process.env,
      DOSSIER_MAIL_SMTP_PORT: String(smtpPort),
      DOSSIER_MAIL_WEB_PORT: String(webPort),
      DOSSIER_MAIL_FORWARD_PORT: String(forwardTo),
      ...(folder && { DOSSIER_MAIL_FOLDER: folder }),
    },
  });

/** Waits until database, queue and worker are up. */
export const waitForHealth = (address, wanted = (health) => health.status === 'ok') =>
  waitUntil('The server', async () => {
    const response = await fetch(`${address}/api/v1/health`).catch(() => undefined);
    return response?.ok ? wanted(await response.json()) : false;
  });
