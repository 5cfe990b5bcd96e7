import { randomBytes } from 'node:crypto';
import express, { type Express, type Request, type RequestHandler } from 'express';
import { OBJECTS } from './objects';
import { firstPage, recordPage } from './pages';
import { Records, Refused, type Kept, type KeptRecord } from './records';
import { TroubleMaker, TROUBLES, type Trouble } from '../trouble';

export interface CustomerSystemOptions {
  /** What whoever sends shows: as a bearer token, or as the secret by which one is given for a while. */
  secret: string;
  client?: string;
  tokenSeconds?: number;
  slowMs?: number;
  seed?: number;
  /** Where its records are kept from one start to the next; in memory only without. */
  file?: string;
  /** Told of each record that was made or changed. */
  onKept?: (record: KeptRecord) => void;
}

const BUSY_SECONDS = 1;
const PICTURE_LIMIT = '20mb';

/** A small customer system of somebody else: its objects, its words, its refusals, and its bad days. */
export function customerSystem({
  secret,
  client = 'dossier',
  tokenSeconds = 60,
  slowMs = 3_000,
  seed,
  file,
  onKept,
}: CustomerSystemOptions): Express {
  // prettier-ignore
  const app = express();
  const records = new Records(file, onKept);
  const maker = new TroubleMaker(seed);
  const tokens = new Map<string, number>();
  app.disable('x-powered-by');

  const known = (request: Request): boolean => {
    const token = /^Bearer (\S+)$/.exec(request.get('authorization') ?? '')?.[1] ?? request.get('x-port-key');
    return token === secret || (token !== undefined && (tokens.get(token) ?? 0) > Date.now());
  };
  const letIn: RequestHandler = (request, response, next) => {
    if (known(request)) next();
    else response.status(401).json({ error: 'not-let-in', message: 'Show a key that is good.' });
  };
  const withTrouble: RequestHandler = (_request, response, next) => {
    switch (maker.next()) {
      case 'slow':
        return void setTimeout(next, slowMs);
      case 'busy':
        return void response.status(429).set('Retry-After', String(BUSY_SECONDS)).json({ error: 'busy' });
      case 'broken':
        // Half of the time it was done all the same, and only the answer is lost.
        if (records.all('prospects').length % 2 === 0) return void response.status(500).send('Trouble');
        response.json = () => response.status(500).send('Trouble');
        return next();
      case 'half':
        response.json = (body: unknown) => {
          const whole = Buffer.from(JSON.stringify(body));
          response.set({ 'Content-Type': 'application/json', 'Content-Length': String(whole.length) });
          response.write(whole.subarray(0, whole.length / 2));
          response.destroy();
          return response;
        };
        return next();
      case 'expired':
        tokens.clear();
        return void response.status(401).json({ error: 'expired' });
      case 'none':
        return next();
    }
  };

  app.post('/oauth/token', express.urlencoded(), (request, response) => {
    const { grant_type: grant, client_id: id, client_secret: shown } = (request.body ?? {}) as Record<string, string>;
    if (grant !== 'client_credentials' || id !== client || shown !== secret)
      return void response.status(401).json({ error: 'invalid_client' });
    const token = randomBytes(24).toString('base64url');
    tokens.set(token, Date.now() + tokenSeconds * 1000);
    response.json({ access_token: token, token_type: 'Bearer', expires_in: tokenSeconds });
  });
  app.get('/api/describe', letIn, (_request, response) => void response.json({ objects: OBJECTS }));

  const objectOf = (request: Request): string => {
    const object = String(request.params.object);
    if (!(object in OBJECTS)) throw new Refused(404, 'no-such-object', `There is nothing called ${object} here.`);
    return object;
  };
  const address = (request: Request, ref: string): string =>
    `${request.protocol}://${request.get('host')}/records/${ref}`;
  app.use('/api', letIn, withTrouble, express.json({ limit: PICTURE_LIMIT }));
  app.get('/api/:object', (request, response) => {
    const found = records.find(objectOf(request), request.query as Record<string, string>);
    response.json({ records: found.map((record) => ({ ref: record.ref, seen: address(request, record.ref), values: record.values })) }); // prettier-ignore
  });
  app.post('/api/:object', (request, response) => {
    const { record, isNew } = records.add(objectOf(request), (request.body ?? {}) as Kept, request.get('x-once'));
    response.status(isNew ? 201 : 200).json({ ref: record.ref, seen: address(request, record.ref) });
  });
  app.patch('/api/:object/:ref', (request, response) => {
    const { ref } = records.change(objectOf(request), String(request.params.ref), (request.body ?? {}) as Kept);
    response.json({ ref, seen: address(request, ref) });
  });

  app.get('/switches', (_request, response) => void response.json(maker.switches));
  app.post('/switches', express.urlencoded(), express.json(), (request, response) => {
    const { trouble, share } = request.body as { trouble: Trouble; share?: number | string };
    if (!TROUBLES.includes(trouble)) throw new Refused(422, 'no-such-trouble', `Possible are: ${TROUBLES.join(', ')}.`);
    maker.switches = { trouble, share: Math.min(1, Math.max(0, Number(share ?? 1) || 0)) };
    if (request.is('json')) response.json(maker.switches);
    else response.redirect(303, '/');
  });
  app.get('/', (_request, response) => void response.send(firstPage(records, maker.switches)));
  app.get('/records/:ref', (request, response) => {
    const record = records.get(request.params.ref);
    if (record) response.send(recordPage(records, record));
    else response.status(404).send('There is no such record.');
  });
  app.get('/records/:ref/picture', (request, response) => {
    const base64 = records.get(request.params.ref)?.values.Base64;
    if (typeof base64 === 'string') response.type('image/jpeg').send(Buffer.from(base64, 'base64'));
    else response.status(404).end();
  });
  app.use(((error, _request, response, next) => {
    if (!(error instanceof Refused)) return next(error);
    response
      .status(error.status)
      .json({ error: error.error, message: error.message, ...(error.ref && { ref: error.ref }) });
  }) as express.ErrorRequestHandler);
  return app;
}
