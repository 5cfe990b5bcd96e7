import type { TextCard } from '@dossier/contract';
import type { CardProposal, ProposeOptions, Reading } from '@dossier/core/reading';
import type { DataSource } from 'typeorm';
import { lockId } from '../../platform/lockId';
import { ProblemError } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { knownOccasion } from '../capture';
import { openState } from './cardStates';
import { Card, type CardExpectation } from './entities';
import { expectationsOf } from './expectations';
import { proposing } from './proposing';

const BLANK: Reading = { width: 1, height: 1, lines: [] };

/** What is read of text in place of a picture. A code's own text stands beside its lines, so that it can be seen. */
async function readText(
  { kind, text }: TextCard,
  options: ProposeOptions,
): Promise<{ reading: Reading; proposal: CardProposal }> {
  if (kind === 'blank') return { reading: BLANK, proposal: { fields: [], looseLines: [] } };
  if (kind === 'text') return proposing('text', { text, options });
  const reading: Reading = { ...BLANK, codes: [{ text, quad: [[0, 0], [1, 0], [1, 1], [0, 1]] }] }; // prettier-ignore
  return { reading, proposal: await proposing('fields', { reading, options }) };
}

/**
 * Puts a card without a picture into the tray, proposed from its text; the same id again changes nothing.
 * @param expected of it, in place of what occasion and workspace say
 * @throws ProblemError 422 for text without anything about a person, 409 for an id used elsewhere
 */
export async function keepTextCard(
  database: DataSource,
  who: SignedIn,
  id: string,
  request: TextCard,
  expected: CardExpectation | null = null,
): Promise<void> {
  const options = await inWorkspace(database, who.workspaceId, async (manager) =>
    (await manager.existsBy(Card, { id }))
      ? undefined
      : expectationsOf(manager, who.workspaceId, {
          occasionId: await knownOccasion(manager, request.occasionId),
          expected,
        }),
  );
  if (!options) return;
  const { reading, proposal } = await readText(request, options);
  if (request.kind !== 'blank' && proposal.fields.length === 0)
    throw new ProblemError(
      422,
      'nothing-read',
      'Nothing about a person',
      request.kind === 'code'
        ? 'This code says nothing about a person. Photograph the card instead.'
        : 'There is nothing about a person in this text. Paste the signature with the name and an address.',
    );
  await inWorkspace(database, who.workspaceId, async (manager) => {
    await lockId(manager, id);
    if (await manager.existsBy(Card, { id })) return;
    const card = {
      id,
      workspaceId: who.workspaceId,
      photoId: null,
      occasionId: await knownOccasion(manager, request.occasionId),
      fileId: null,
      thumbnailId: null,
      state: openState(proposal.fields),
      quad: null,
      readingId: id,
      reading,
      proposals: proposal.fields,
      country: proposal.country ?? null,
      expected,
      engine: 'text',
      personId: null,
      frontCardId: null,
      madeBy: who.accountId,
      takenAt: new Date(request.takenAt),
    };
    await manager.insert(Card, card);
    await announce(manager, who.workspaceId, { photoId: id, state: 'changed', progress: null });
  });
}
