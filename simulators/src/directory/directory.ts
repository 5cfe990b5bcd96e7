import express, { type Express, type RequestHandler } from 'express';
import { TroubleMaker, TROUBLES, type Trouble } from '../trouble';
import { FACES, HOUSES, type Face, type House } from './entries';
import { portraitOf } from './portrait';

export interface DirectoryOptions {
  /** What whoever asks shows. */
  key: string;
  slowMs?: number;
  seed?: number;
  /** In place of those that it has by itself. */
  houses?: readonly House[];
  faces?: readonly Face[];
  /** Told of each question. */
  onAsked?: (path: string) => void;
}

const MOST = 5;
const BUSY_SECONDS = 1;

const wordsOf = (text: string): string[] => text.toLowerCase().split(/[^\p{L}\p{N}]+/u).filter((word) => word.length > 1); // prettier-ignore
const listOf = (value: unknown): string[] => [value].flat().filter((one): one is string => typeof one === 'string');

/** How well an entry fits what was asked: a shared address or site counts most, then words of names. */
function near<T>(entries: readonly T[], fitOf: (entry: T) => number): T[] {
  return entries
    .map((entry) => ({ entry, fit: fitOf(entry) }))
    .filter(({ fit }) => fit > 0)
    .sort((a, b) => b.fit - a.fit)
    .slice(0, MOST)
    .map(({ entry }) => entry);
}

const shared = (one: string, other: string): number => wordsOf(one).filter((word) => wordsOf(other).includes(word)).length; // prettier-ignore

/** A small directory of firms and people that is somebody else's: its words, its guesses, its bad days. */
export function directory({ key, slowMs = 12_000, seed, houses = HOUSES, faces = FACES, onAsked }: DirectoryOptions): Express {
  const app = express();
  const maker = new TroubleMaker(seed);
  app.disable('x-powered-by');
  const letIn: RequestHandler = (request, response, next) => {
    onAsked?.(request.originalUrl);
    if (request.get('x-directory-key') === key) next();
    else response.status(401).json({ error: 'no-key', message: 'Show a key that is good.' });
  };
  const withTrouble: RequestHandler = (_request, response, next) => {
    switch (maker.next()) {
      case 'slow':
        return void setTimeout(next, slowMs);
      case 'busy':
        return void response.status(429).set('Retry-After', String(BUSY_SECONDS)).json({ error: 'busy' });
      case 'broken':
        return void response.status(500).send('Trouble');
      case 'half':
        response.set({ 'Content-Type': 'application/json', 'Content-Length': '5000' }).write('{"results":[{"key":');
        return void response.destroy();
      case 'expired':
        return void response.status(401).json({ error: 'expired' });
      case 'none':
        return next();
    }
  };

  app.get('/people', letIn, withTrouble, (request, response) => {
    const mails = listOf(request.query.mail).map((mail) => mail.toLowerCase());
    const [name = ''] = listOf(request.query.name);
    const found = near(faces, (face) => (face.mails.some((mail) => mails.includes(mail)) ? 100 : 0) + shared(name, face.name));
    response.json({ results: found.map(({ hasFace, ...face }) => ({ ...face, face: hasFace ? `/faces/${face.key}` : null })) });
  });
  app.get('/houses', letIn, withTrouble, (request, response) => {
    const sites = listOf(request.query.site);
    const [name = ''] = listOf(request.query.name);
    const found = near(houses, (house) => (house.sites.some((site) => sites.includes(site)) ? 100 : 0) + shared(name, house.name));
    response.json({ results: found });
  });
  app.get('/faces/:key', letIn, withTrouble, (request, response) => {
    const face = faces.find((one) => one.key === request.params.key && one.hasFace);
    if (face) response.type('image/png').send(portraitOf(face.name));
    else response.status(404).json({ error: 'no-face' });
  });

  app.post('/switches', express.urlencoded(), express.json(), (request, response) => {
    const { trouble, share } = request.body as { trouble: Trouble; share?: number | string };
    if (!TROUBLES.includes(trouble)) return void response.status(422).json({ error: 'no-such-trouble' });
    maker.switches = { trouble, share: Math.min(1, Math.max(0, Number(share ?? 1) || 0)) };
    if (request.is('json')) response.json(maker.switches);
    else response.redirect(303, '/');
  });
  app.get('/', (_request, response) => void response.send(firstPage(houses, faces, maker.switches.trouble)));
  return app;
} // prettier-ignore

const escaped = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

const firstPage = (houses: readonly House[], faces: readonly Face[], trouble: Trouble): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>The harbour list</title>
<style>body{font:16px/1.5 Georgia,serif;margin:2rem auto;max-width:52rem;padding:0 1rem;color:#232030;background:#f0eef3}th,td{text-align:left;padding:.35rem .6rem;border-bottom:1px solid #c3bfcc;overflow-wrap:anywhere}table{border-collapse:collapse;width:100%}button,select{font:inherit;min-height:44px}</style></head>
<body><h1>The harbour list</h1><p>A directory that is none: everybody in it is made up.</p>
<form method="post" action="/switches"><label>Trouble <select name="trouble">${TROUBLES.map((one) => `<option${one === trouble ? ' selected' : ''}>${one}</option>`).join('')}</select></label> <button>Set</button></form>
<h2>Firms</h2><table>${houses.map(({ name, trade, heads }) => `<tr><td>${escaped(name)}</td><td>${escaped(trade)}</td><td>${escaped(heads)}</td></tr>`).join('')}</table>
<h2>People</h2><table>${faces.map(({ name, role, house }) => `<tr><td>${escaped(name)}</td><td>${escaped(role)}</td><td>${escaped(house)}</td></tr>`).join('')}</table></body></html>`;
