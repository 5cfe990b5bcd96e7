import { createServer } from 'node:http';
import { customerSystem } from './customerSystem';

/**
 * The customer system that stands in, as a program of its own.
 *
 * Usage: main.ts PORT SECRET [FILE]
 */
const [port, secret, file] = process.argv.slice(2) as [string, string, string?];
createServer(customerSystem({ secret, file })).listen(Number(port), '127.0.0.1');
