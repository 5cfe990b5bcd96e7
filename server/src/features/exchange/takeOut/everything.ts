import { displayName } from '@dossier/core/people';
import type { Response } from 'express';
import type { DataSource } from 'typeorm';
import { notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { fileName } from '../fileName';
import { recordOfPerson } from '../queries';
import { cardsBy } from './pictures';
import { Gone, sinkOf, ZipSink } from './sink';
import { loadTaken } from './takenPeople';
import { asVcard } from './writers';

/** See docs/people-json.md. */
export const EVERYTHING_FORMAT = { format: 'dossier-everything', version: 1 } as const;

const ABOUT = `What is kept about one person in Dossier.

everything.json   every value, with notes, tasks, permissions, jobs, messages, business, what was read on each card, and every change: who, when, from what to what
person.vcf        the person as an address book takes it
pictures          the cards, front and back
`;

/** Sends everything that is kept about one person, in a form that they can read and other programs too. @throws ProblemError 404 */
export function takeOutEverything(
  database: DataSource,
  { workspaceId }: SignedIn,
  id: string,
  response: Response,
): Promise<void> {
  return inSnapshot(database, workspaceId, async (manager) => {
    const [person] = await loadTaken(manager, workspaceId, [id]);
    if (!person) throw notFound('This person');
    const name = fileName(displayName(person.fields));
    const cards = (await cardsBy(manager, workspaceId, [id], { withReading: true, withPictures: true, onlyLatest: false })).get(id) ?? []; // prettier-ignore
    const record = await recordOfPerson(manager, workspaceId, id);
    response
      .set('Content-Disposition', `attachment; filename="${name}.zip"`)
      .set('Cache-Control', 'no-store')
      .type('application/zip');
    const zip = new ZipSink(sinkOf(response));
    const pictureOf = (i: number) => `pictures/${i + 1} ${cards[i]!.side}.jpg`;
    try {
      await zip.add('about.txt', ABOUT);
      await zip.file('everything.json', (sink) =>
        sink.write(
          `${JSON.stringify(
            {
              ...EVERYTHING_FORMAT,
              person,
              ...record,
              cards: cards.map(({ id: cardId, side, front_id: frontId, taken_at: takenAt, occasion, reading, picture }, i) => ({ id: cardId, side, frontId, takenAt, occasion, reading, ...(picture && { picture: pictureOf(i) }) })), // prettier-ignore
            },
            null,
            1,
          )}\n`,
        ),
      );
      await zip.add('person.vcf', asVcard(person, '4.0', []));
      for (const [i, { picture }] of cards.entries()) if (picture) await zip.add(pictureOf(i), picture);
      await zip.end();
      response.end();
    } catch (error) {
      if (!(error instanceof Gone)) throw error;
    }
  });
}
