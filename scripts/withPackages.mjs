#!/usr/bin/env node
/** Runs a TypeScript program of the project, installing the packages first when they are missing. */
import { spawnSync } from 'node:child_process';
import { requirePackages } from './npmPackages.mjs';
import { tsxArguments } from './programs.mjs';

const [program, ...args] = process.argv.slice(2);
await requirePackages();
const { status } = spawnSync(process.execPath, tsxArguments(program, ...args), { stdio: 'inherit' });
process.exit(status ?? 1);
