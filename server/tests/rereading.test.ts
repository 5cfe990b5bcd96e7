import 'reflect-metadata';
import type { PhotoOutlines, ProofCard, Tray } from '@dossier/contract';
import type { Quad } from '@dossier/core/capture';
import type { SecondReading } from '@dossier/core/reading';
import type { DataSource } from 'typeorm';
import { UnreadablePhoto } from '@dossier/reader/errors';
import { createDataSource } from '../src/dataSource';
import { lookBesideTask } from '../src/features/reading/lookBeside';
import { rereadCardTask, rereadMissing } from '../src/features/reading/rereading';
import { Client, demoPhoto } from './client';
import { databaseOf, until } from './services';

jest.setTimeout(180_000);

let rep: Client;
let serving: DataSource;
let owner: DataSource;
let workspaceId: string;
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  serving = await createDataSource(databaseOf('api').DOSSIER_DATABASE_URL!, 2).initialize();
  owner = await createDataSource(databaseOf('api').DOSSIER_OWNER_URL!, 2).initialize();
});
const made: string[] = [];
afterAll(async () => {
  await rep.send('PATCH', '/cards', { cardIds: made, state: 'discarded' });
  await serving.destroy();
  await owner.destroy();
});

const cardOf = async (id: string): Promise<ProofCard> => (await rep.card(id)).body;
const readTwice = (id: string) => until(async () => ((card) => !card.rereading && card)(await cardOf(id)));
const emailOf = ({ proposals }: ProofCard) => proposals.find(({ field }) => field === 'email')!;

/** A card that was read twice, and is to be once more. */
async function dueCard(): Promise<ProofCard> {
  const [item] = await rep.photograph(demoPhoto('tidewater'));
  made.push(item!.id);
  const card = await readTwice(item!.id);
  const [row] = await owner.query<{ workspace_id: string }[]>('select workspace_id from card where id = $1', [card.id]);
  workspaceId = row!.workspace_id;
  await owner.query('update card set reread_due = true, again = null where id = $1', [card.id]);
  return card;
}

/** Reads it a second time here, with what is seen then. */
async function reread(
  cardId: string,
  seen: () => Promise<SecondReading>,
  since = new Date().toISOString(),
): Promise<string[]> {
  const told: string[] = [];
  const reader = { reread: seen } as never;
  const onReread = (_: unknown, { id }: { id: string }) => Promise.resolve(void told.push(id));
  await rereadCardTask({ database: serving, reader, onReread })({ cardId, workspaceId, since }, { job: { attempts: 1, max_attempts: 4 } } as never); // prettier-ignore
  return told;
}

/** What the first reading saw, with other words. */
const seenAs = ({ reading }: ProofCard, from: string, to: string): SecondReading => {
  const lines = reading.lines.map((line) => (line.text.includes(from) ? otherLine(line, line.text.replace(from, to)) : line)) as SecondReading['lines']; // prettier-ignore
  return { lines, baseLetters: lines.map(({ text }) => text) };
};
const otherLine = (line: ProofCard['reading']['lines'][number], text: string) => ({ ...line, text, characters: [...text].map((letter, i) => ({ text: letter, probability: 0.99, alternatives: [], at: (i + 0.5) / text.length })) }); // prettier-ignore

describe('a card read a second time', () => {
  it('comes by itself a moment after the first, and what both agree on is sure', async () => {
    const card = await dueCard();
    expect(card.proposals.length).toBeGreaterThan(4);
    expect(await reread(card.id, () => Promise.resolve(seenAs(card, '—', '—')))).toEqual([card.id]);
    const now = await cardOf(card.id);
    expect(now.rereading).toBe(false);
    expect(now.readingId).toBe(card.readingId);
    expect(now.proposals.map(({ value }) => value)).toEqual(card.proposals.map(({ value }) => value));
    expect(emailOf(now).confidence).toBeGreaterThan(0.9);
  });

  it('is a doubt with both on offer where the two differ, and the value stays', async () => {
    const card = await dueCard();
    const { value } = emailOf(card);
    const other = value.replace(/^./, 'q');
    await reread(card.id, () => Promise.resolve(seenAs(card, value, other)));
    const now = emailOf(await cardOf(card.id));
    expect(now.value).toBe(value);
    expect(now.runnersUp?.[0]).toEqual({ value: other, reason: { code: 'readTheSecondTime' } });
    expect(now.confidence).toBeLessThan(0.8);
  });

  it('has nothing that agrees with it where its picture cannot be opened', async () => {
    const card = await dueCard();
    await reread(card.id, () => Promise.reject(new UnreadablePhoto('damaged', 'Take it again.')));
    const now = await cardOf(card.id);
    expect(now.rereading).toBe(false);
    expect(emailOf(now).confidence).toBeLessThan(emailOf(card).confidence);
  });

  it('is not held against what lies elsewhere by now', async () => {
    const card = await dueCard();
    const told = await reread(card.id, async () => {
      await owner.query('update card set file_id = thumbnail_id where id = $1', [card.id]);
      return { lines: [], baseLetters: [] };
    });
    expect(told).toEqual([]);
    expect((await cardOf(card.id)).proposals).toEqual(card.proposals);
    expect((await cardOf(card.id)).rereading).toBe(true);
    // What nobody asked for is asked for by itself, and done.
    await rereadMissing(serving);
    await readTwice(card.id);
  });

  it('gives way to a photograph that somebody waits for', async () => {
    const card = await dueCard();
    const key = `held:${card.id}`;
    await serving.query(`select graphile_worker.add_job('readPhoto', '{}'::json, job_key := $1, run_at := now() + interval '1 day')`, [key]); // prettier-ignore
    await serving.query(`update graphile_worker._private_jobs set run_at = now(), locked_at = now(), locked_by = 'somebody' where key = $1`, [key]); // prettier-ignore
    const asked = jest.fn();
    expect(await reread(card.id, asked)).toEqual([]);
    expect(asked).not.toHaveBeenCalled();
    expect((await cardOf(card.id)).rereading).toBe(true);
    // But not for ever to what is only being read beside it, as it is where there are many.
    await reread(card.id, asked.mockResolvedValue({ lines: [], baseLetters: [] }), '2026-01-01T00:00:00.000Z');
    expect(asked).toHaveBeenCalledTimes(1);
    await serving.query(`delete from graphile_worker._private_jobs where key = $1`, [key]);
  });
});

describe('text beside the cards of a photograph', () => {
  /** Looked at here, with what is read there. */
  const look = async (photoId: string, lines: ProofCard['reading']['lines']): Promise<number[][] | undefined> => {
    const quad: Quad = [[40, 30], [440, 30], [440, 250], [40, 250]]; // prettier-ignore
    const read = jest.fn((_: Uint8Array, options: unknown) => Promise.resolve({ read: { cards: [{ quad, reading: { width: 400, height: 220, lines } }] }, asked: options })); // prettier-ignore
    const payload = { photoId, workspaceId, since: new Date().toISOString(), beside: JSON.stringify([quad]) };
    await lookBesideTask({ database: serving, reader: { read } as never })(payload, {} as never);
    expect(read.mock.calls[0]?.[1]).toEqual({ outlines: [{ quad, upright: false }] });
    return (await rep.get<PhotoOutlines>(`/photos/${photoId}/outlines`)).body.perhaps[0];
  };
  const isAsked = async (photoId: string) =>
    (await rep.get<Tray>('/tray')).body.missed.some((one) => one.photoId === photoId);

  it('is asked about where it is like a card, until somebody says that there is none, or sets the borders', async () => {
    const card = await dueCard();
    const photoId = card.photoId!;
    expect(await look(photoId, [])).toBeUndefined();
    expect(await isAsked(photoId)).toBe(false);
    const quad = await look(photoId, card.reading.lines);
    expect(quad).toEqual([[40, 30], [440, 30], [440, 250], [40, 250]]); // prettier-ignore
    expect(await isAsked(photoId)).toBe(true);
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    expect((await stranger.send('DELETE', `/photos/${photoId}/perhaps`)).status).toBe(404);
    expect((await rep.send('DELETE', `/photos/${photoId}/perhaps`)).status).toBe(204);
    expect(await isAsked(photoId)).toBe(false);
    await look(photoId, card.reading.lines);
    const { outlines } = (await rep.get<PhotoOutlines>(`/photos/${photoId}/outlines`)).body;
    const kept = outlines.map(({ cardId, quad: of }) => ({ cardId, quad: of, upright: false }));
    expect((await rep.send('PUT', `/photos/${photoId}/outlines`, { outlines: kept })).status).toBe(204);
    expect(await isAsked(photoId)).toBe(false);
  });
});
