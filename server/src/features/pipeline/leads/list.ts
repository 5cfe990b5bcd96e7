import type { Lead, LeadPage, LeadQuery } from '@dossier/contract';
import { lacksOf } from '@dossier/core/pipeline';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { decodeKeyset, encodeKeyset } from '../../../platform/keyset';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { countLeads, leadRows, type LeadRow } from '../queries';

const Place = z.tuple([z.string().max(300), z.uuid()]);

/** A page of leads. */
export const listLeads = (database: DataSource, { workspaceId }: SignedIn, query: LeadQuery): Promise<LeadPage> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const after = query.cursor ? decodeKeyset(query.cursor, Place) : null;
    const rows = await leadRows(manager, workspaceId, query, after, query.limit + 1);
    const last = rows.length > query.limit ? rows[query.limit - 1] : undefined;
    return {
      items: rows.slice(0, query.limit).map(leadOf),
      total: await countLeads(manager, workspaceId, query),
      next: last ? encodeKeyset([last.place, last.id]) : null,
    };
  });

const leadOf = (row: LeadRow): Lead => ({
  id: row.id,
  version: row.version,
  fullName: row.full_name,
  title: row.title ?? '',
  company: row.company_id ? { id: row.company_id, name: row.company ?? '' } : null,
  cardId: row.card_id,
  email: row.email ?? '',
  phone: row.phone ?? '',
  owner: { id: row.owner_id, name: row.owner },
  rating: row.rating,
  status: row.lead_status,
  next: row.next_text === null ? null : { text: row.next_text, dueOn: row.next_on },
  untouchedSince: row.touched_at.toISOString(),
  filedAt: row.created_at.toISOString(),
  lacks: lacksOf({
    givenName: row.given_name,
    familyName: row.family_name,
    company: row.company ?? '',
    email: row.email ?? '',
    phone: row.phone ?? '',
  }),
  closed: row.closed,
  lastNote: (row.note ?? '').slice(0, 400),
});
