import { pino, type Logger } from 'pino';

export const createLogger = (level: string, name: string): Logger =>
  pino({ level, name, redact: ['req.headers.cookie', 'password'] });
export type { Logger };
