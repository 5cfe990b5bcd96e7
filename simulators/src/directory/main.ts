import { createServer } from 'node:http';
import { directory } from './directory';

/**
 * The directory that stands in, as a program of its own.
 *
 * Usage: main.ts PORT KEY
 */
const [port, key] = process.argv.slice(2) as [string, string];
createServer(directory({ key })).listen(Number(port), '127.0.0.1');
