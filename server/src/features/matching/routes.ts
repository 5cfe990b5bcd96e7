import { MatchQuery, type Match, type Matches } from '@dossier/contract';
import { emailKey, phoneKey, sharedReach } from '@dossier/core/matching';
import { Router } from 'express';
import { In, type DataSource } from 'typeorm';
import { Workspace } from '../../platform/entities';
import { whoIs, type SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { loadPerson, Reach } from '../people';

/** More people than this under one number means a switchboard; the first few are enough to choose from. */
const MOST_MATCHES = 5;

export function matchingRoutes(database: DataSource): Router {
  return Router().post('/matches', async (request, response) => {
    response.json(await findMatches(database, whoIs(request), MatchQuery.parse(request.body)));
  });
}

/** People of the workspace that share an e-mail address or phone number with a card, those with most in common first. */
function findMatches(database: DataSource, who: SignedIn, query: MatchQuery): Promise<Matches> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const { country } = await manager.findOneByOrFail(Workspace, { id: who.workspaceId });
    const emails = query.emails.map(emailKey).filter(Boolean);
    const phones = query.phones.map((phone) => phoneKey(phone, country)).filter(Boolean);
    const shared = await manager.find(Reach, {
      where: [
        { kind: 'email', key: In(emails) },
        { kind: 'phone', key: In(phones) },
      ],
      select: { personId: true },
      take: 50,
    });
    const ids = [...new Set(shared.map((reach) => reach.personId))].slice(0, MOST_MATCHES);
    const matches: Match[] = [];
    for (const id of ids) {
      const person = await loadPerson(manager, id);
      if (person) matches.push({ person, reasons: sharedReach(person.fields, query, country) });
    }
    return { matches: matches.sort((a, b) => b.reasons.length - a.reasons.length) };
  });
}
