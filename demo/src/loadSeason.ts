import type { FilingRequest, PipelineSettings } from '@dossier/contract';
import { emptyPersonFields } from '@dossier/core/people';
import pg from 'pg';
import { v5 as uuidv5 } from 'uuid';
import { drawRegister, type RegisterRow } from './register';
import { randomFrom } from './register/random';
import { drawSeason, seasonOccasions, writeSeason, type SeasonLead } from './season';

const DAY = 86_400_000;
const WORKING_HOURS = 7;

export interface SeasonParts {
  call: (by: string, method: string, path: string, body?: object, headers?: Record<string, string>) => Promise<unknown>;
  idOf: (name: string) => string;
  /** Of the tables' owner: what was is written as it was. */
  ownerUrl: string;
}

const PRODUCTS = ['Insulated doors', 'Rapid doors', 'Dock seals', 'Dock levellers', 'Air curtains', 'Service'];

/** What the team did in the months before: leads of several occasions, and what became of them. */
export async function loadSeason(parts: SeasonParts): Promise<void> {
  const { call, idOf, ownerUrl } = parts;
  const random = randomFrom(25);
  const today = Date.now();
  const { rows } = drawRegister(
    seasonOccasions.reduce((sum, { people }) => sum + people, 0),
    0,
    25,
  );
  const leads: (SeasonLead & { by: string })[] = [];
  let next = 0;
  for (const { id, by, weeksAgo, days, people, cost, yield: chosen, fields } of seasonOccasions) {
    const begins = new Date(today - weeksAgo * 7 * DAY);
    begins.setUTCHours(8, 0, 0, 0);
    const day = (n: number) => new Date(begins.getTime() + n * DAY).toISOString().slice(0, 10);
    const occasionId = idOf(`season ${id}`);
    await call(by, 'PUT', `/occasions/${occasionId}`, { ...fields, startsOn: day(0), endsOn: day(days - 1) });
    await call('maren', 'PUT', `/insight/occasions/${occasionId}/cost`, { cost });
    for (let i = 0; i < people; i++) {
      const row = rows[next++]!;
      const takenAt = new Date(begins.getTime() + random.below(days) * DAY + (1 + random.next() * WORKING_HOURS) * 3_600_000); // prettier-ignore
      const who = random.chance(0.75) ? by : by === 'ottilie' ? 'idris' : 'ottilie';
      const personId = await filed(parts, who, row, occasionId, takenAt, random.chance(0.3));
      if (personId) leads.push({ id: personId, by: who, ownerId: '', companyId: null, occasionId, fullName: `${row.given_name} ${row.family_name}`, company: row.company, email: row.emails.split(';')[0]!, takenAt, yield: chosen }); // prettier-ignore
    }
  }
  if (leads.length > 0) await becameOf(parts, leads, ownerUrl);
}

/** Somebody's card as text, read and filed. @returns whoever it is; nothing where they are filed already */
async function filed(
  { call, idOf }: SeasonParts,
  by: string,
  row: RegisterRow,
  occasionId: string,
  takenAt: Date,
  withSlip: boolean,
): Promise<string | undefined> {
  const cardId = idOf(`season card ${row.id}`);
  // Some are read with a letter wrong.
  const printed = withSlip ? row.family_name.replace(/[aeiou](?=[^aeiou]*$)/, 'c') : row.family_name;
  const text = [`${row.given_name} ${printed}`, row.title, row.company, row.emails.split(';')[0], row.phones.split(';')[0]].filter(Boolean).join('\n'); // prettier-ignore
  await call(by, 'PUT', `/cards/${cardId}/text`, { kind: 'text', text, takenAt: takenAt.toISOString(), occasionId });
  const fields = { ...emptyPersonFields(), givenName: row.given_name, familyName: row.family_name, title: row.title, company: row.company, emails: [row.emails.split(';')[0]!].filter(Boolean), phones: row.phones.split(';')[0] ? [{ value: row.phones.split(';')[0]!, kind: 'work' as const, extension: '' }] : [], country: row.country }; // prettier-ignore
  const request: FilingRequest = { cardId, kind: 'lead', fields, note: '', tags: [], known: null };
  const answer = (await call(by, 'POST', '/people', request, { 'idempotency-key': `season-${row.id}` })) as { personId?: string }; // prettier-ignore
  return answer.personId;
}

async function becameOf({ call, idOf }: SeasonParts, leads: readonly SeasonLead[], ownerUrl: string): Promise<void> {
  const settings = (await call('maren', 'GET', '/pipeline-settings')) as PipelineSettings;
  const month = (n: number) => { const at = new Date(); return new Date(Date.UTC(at.getUTCFullYear(), at.getUTCMonth() + n, 1)).toISOString().slice(0, 7); }; // prettier-ignore
  const wanted = [18_000, 22_000, 26_000, 24_000].map((value, i) => ({ month: month(i), value }));
  const own: PipelineSettings = { ...settings, products: PRODUCTS, goals: wanted, rates: [{ currency: 'NOK', rate: 0.085 }], timeZone: 'Europe/London' }; // prettier-ignore
  await call('maren', 'PUT', '/pipeline-settings', own);
  const owner = new pg.Client({ connectionString: ownerUrl });
  await owner.connect();
  try {
    const ids = leads.map(({ id }) => id);
    const { rows } = await owner.query<{ id: string; workspace_id: string; owner_id: string; company_id: string | null; told: boolean }>(
      `select p.id, p.workspace_id, p.owner_id, e.company_id, exists (select from message m where m.person_id = p.id) or p.kind = 'contact' as told
       from person p left join employment e on e.person_id = p.id and e.ended_at is null where p.id = any($1::uuid[])`,
      [ids],
    ); // prettier-ignore
    const kept = new Map(rows.map((row) => [row.id, row]));
    const { rows: accounts } = await owner.query<{ id: string; email: string; name: string }>('select id, email, name from account where workspace_id = $1', [rows[0]!.workspace_id]); // prettier-ignore
    const known = leads.flatMap((lead) => {
      const row = kept.get(lead.id);
      return row && !row.told ? [{ ...lead, ownerId: row.owner_id, companyId: row.company_id }] : [];
    });
    let nth = 0;
    const season = drawSeason(known, {
      random: randomFrom(26),
      uuid: () => uuidv5(`season row ${nth++}`, idOf('season')),
      now: new Date(),
      team: {
        ...settings,
        statuses: settings.leadStatuses,
        products: PRODUCTS,
        senders: Object.fromEntries(accounts.map(({ id, email, name }) => [id, { address: email, name }])),
      },
    });
    await writeSeason((sql, values) => owner.query(sql, values), rows[0]!.workspace_id, season);
  } finally {
    await owner.end();
  }
}
