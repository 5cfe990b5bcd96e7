import { buildApp } from './scripts/buildApp.mjs'; await buildApp();
