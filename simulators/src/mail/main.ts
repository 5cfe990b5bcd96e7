import { startMailWorld } from './mailServer';

const {
  DOSSIER_MAIL_SMTP_PORT = '4304',
  DOSSIER_MAIL_WEB_PORT = '4305',
  DOSSIER_MAIL_FORWARD_PORT = '4306',
  DOSSIER_MAIL_FOLDER,
} = process.env;

const world = await startMailWorld({
  smtpPort: Number(DOSSIER_MAIL_SMTP_PORT),
  webPort: Number(DOSSIER_MAIL_WEB_PORT),
  forwardTo: { host: '127.0.0.1', port: Number(DOSSIER_MAIL_FORWARD_PORT) },
  folder: DOSSIER_MAIL_FOLDER,
});
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => void world.stop().then(() => process.exit(0)));
