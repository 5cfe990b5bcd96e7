import type { Random } from '../register/random';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** A lead as they were filed, and where. */
export interface SeasonLead {
  id: string;
  ownerId: string;
  companyId: string | null;
  occasionId: string;
  fullName: string;
  company: string;
  email: string;
  takenAt: Date;
  /** How well the occasion was chosen, 0–1. */
  yield: number;
}

export interface SeasonTeam {
  /** In their order, with the chance of each. */
  stages: readonly { id: string; name: string }[];
  closeReasons: readonly string[];
  winReasons: readonly string[];
  lossReasons: readonly string[];
  statuses: readonly string[];
  products: readonly string[];
  senders: Readonly<Record<string, { address: string; name: string }>>;
}

type Row = Record<string, unknown>;

/** Rows of tables as they are in the database, by the table. */
export interface Season {
  people: { id: string; filed_at: Date; kind: 'lead' | 'contact'; qualified_at: Date | null; closed: object | null; lead_status: string | null }[]; // prettier-ignore
  message: Row[];
  opportunity: Row[];
  opportunity_person: Row[];
  opportunity_act: Row[];
  task: Row[];
  change_log: Row[];
}

const TITLES = ['insulated doors', 'dock seals', 'rapid door', 'air curtain', 'service contract', 'dock leveller', 'panel doors', 'strip curtains'] as const; // prettier-ignore

interface Draw {
  random: Random;
  uuid: () => string;
  now: Date;
  team: SeasonTeam;
}

/** What became of leads since they were met: written to or not, answered, qualified, closed, won, lost. Nothing happens after now. */
export function drawSeason(leads: readonly SeasonLead[], draw: Draw): Season {
  const season: Season = { people: [], message: [], opportunity: [], opportunity_person: [], opportunity_act: [], task: [], change_log: [] }; // prettier-ignore
  for (const lead of leads) tellOf(lead, season, draw);
  return season;
}

function tellOf(lead: SeasonLead, season: Season, draw: Draw): void {
  const { random, now, team } = draw;
  const within = (from: Date, least: number, most: number) => new Date(from.getTime() + least + random.next() * (most - least)); // prettier-ignore
  const past = (at: Date | undefined) => (at && at.getTime() < now.getTime() ? at : undefined);
  const filed = past(within(lead.takenAt, 0.2 * HOUR, 50 * HOUR)) ?? lead.takenAt;
  const written = random.chance(0.62 + 0.3 * lead.yield) ? past(within(filed, 0.2 * DAY, 9 * DAY)) : undefined;
  const answered = written && random.chance(0.25 + 0.4 * lead.yield) ? past(within(written, 0.3 * DAY, 8 * DAY)) : undefined; // prettier-ignore
  const met = answered ?? written ?? filed;
  const qualified = random.chance((answered ? 0.5 : 0.1) * (0.5 + lead.yield)) ? past(within(met, 2 * DAY, 20 * DAY)) : undefined; // prettier-ignore
  const closed = !qualified && random.chance(0.75 - 0.35 * lead.yield) ? past(within(met, 9 * DAY, 55 * DAY)) : undefined; // prettier-ignore
  if (written) season.message.push(messageOf(lead, 'out', written, draw));
  if (answered) season.message.push(messageOf(lead, 'in', answered, draw));
  const told = (action: string, at: Date, changes: object[] = []) => season.change_log.push({ id: draw.uuid(), person_id: lead.id, actor_id: action === 'answered' ? null : lead.ownerId, action, changes, at }); // prettier-ignore
  if (written) told('wroteTo', written, [{ field: 'message', before: '', after: 'Our talk' }]);
  if (answered) told('answered', answered);
  if (qualified) told('qualified', qualified, [{ field: 'kind', before: 'lead', after: 'contact' }]);
  const reason = random.pickUneven(team.closeReasons);
  if (closed) told('edited', closed, [{ field: 'closed', before: '', after: reason }]);
  season.people.push({
    id: lead.id,
    filed_at: filed,
    kind: qualified ? 'contact' : 'lead',
    qualified_at: qualified ?? null,
    closed: closed ? { at: closed.toISOString(), reason, words: '' } : null,
    lead_status: qualified || closed ? null : random.chance(0.6) ? random.pick(team.statuses) : null,
  });
  if (qualified && random.chance(0.85)) businessOf(lead, qualified, season, draw);
  else if (!closed && random.chance(0.35))
    season.task.push(taskOf(lead, 'Call about the drawings', new Date(now.getTime() + (random.below(24) - 6) * DAY), filed, null, draw)); // prettier-ignore
}

/** A piece of business from its first talk to where it is now. */
function businessOf(lead: SeasonLead, from: Date, season: Season, draw: Draw): void {
  const { random, uuid, now, team } = draw;
  const id = uuid();
  const value = 50 * (16 + random.below(540));
  const product = random.pick(TITLES);
  const row = { opportunity_id: id, actor_id: lead.ownerId, state: 'open', value, currency: 'EUR', changes: [] as object[] }; // prettier-ignore
  let place = 0;
  let since = from;
  season.opportunity_act.push({ ...row, id: uuid(), at: from, kind: 'made', stage_id: team.stages[0]!.id });
  // Some never come far.
  const far = random.chance(0.4) ? random.below(2) : random.next() * (0.5 + lead.yield) * (team.stages.length + 1.5);
  while (place < Math.min(team.stages.length - 1, Math.floor(far))) {
    const at = new Date(since.getTime() + (3 + random.next() * 20) * DAY);
    if (at > now) break;
    const [before, after] = [team.stages[place]!, team.stages[++place]!];
    since = at;
    season.opportunity_act.push({ ...row, id: uuid(), at, kind: 'moved', stage_id: after.id, changes: [{ field: 'stage', before: before.name, after: after.name }] }); // prettier-ignore
  }
  const stage = team.stages[place]!;
  const isOpen = random.chance(0.45);
  // What is still open has moved not long ago, most of it.
  const latest = season.opportunity_act.at(-1)!;
  const ago = new Date(now.getTime() - (2 + random.below(26)) * DAY);
  if (isOpen && latest.kind === 'moved' && ago > since) since = latest.at = ago;
  const over = new Date(since.getTime() + (4 + random.next() * 25) * DAY);
  const state = over > now || isOpen ? 'open' : far > team.stages.length - 1 || random.chance(0.35) ? 'won' : 'lost'; // prettier-ignore
  const reason = state === 'won' ? random.pickUneven(team.winReasons) : random.pickUneven(team.lossReasons);
  if (state !== 'open')
    season.opportunity_act.push({ ...row, id: uuid(), at: over, kind: state, state, stage_id: stage.id, changes: [{ field: 'reason', before: '', after: reason }] }); // prettier-ignore
  season.opportunity.push({
    id, title: `${product[0]!.toUpperCase()}${product.slice(1)}, ${lead.company || lead.fullName}`, company_id: lead.companyId, value, currency: 'EUR',
    expected_on: new Date(now.getTime() + (random.below(100) - 8) * DAY).toISOString().slice(0, 10), chance: null,
    about: team.products.length > 0 ? [random.pick(team.products)] : [], stage_id: stage.id, stage_since: since, state, ended_at: state === 'open' ? null : over,
    end_reason: state === 'open' ? null : reason, end_words: '', owner_id: lead.ownerId, occasion_id: lead.occasionId, made_by: lead.ownerId, made_at: from,
    changed_at: state === 'open' ? since : over, version: 1,
  }); // prettier-ignore
  season.opportunity_person.push({ opportunity_id: id, person_id: lead.id, part: random.pick(['decides', 'decides', 'signs', 'uses']) }); // prettier-ignore
  if (state === 'open' && random.chance(0.6))
    season.task.push(taskOf(lead, 'Send the offer', new Date(now.getTime() + (random.below(20) - 4) * DAY), since, id, draw)); // prettier-ignore
}

function messageOf(lead: SeasonLead, direction: 'in' | 'out', at: Date, { uuid, team }: Draw): Row {
  const id = uuid();
  const sender = team.senders[lead.ownerId] ?? { address: 'office@keldermoss.example', name: 'Kelder & Moss' };
  const [from, to] = direction === 'out' ? [sender.address, lead.email] : [lead.email, sender.address];
  return {
    id, person_id: lead.id, direction, channel: 'email', state: direction === 'out' ? 'sent' : 'received', kind: direction === 'out' ? 'byHand' : 'answer',
    purpose: direction === 'out' ? { kind: 'byHand' } : null, header_id: `<${id}@keldermoss.example>`, refers_to: [], sender: from,
    sender_name: direction === 'out' ? sender.name : lead.fullName, recipient: to, subject: direction === 'out' ? 'Our talk' : 'Re: Our talk',
    body: direction === 'out' ? 'Thank you for stopping. Here is what I promised you.' : 'Thank you. Let us talk about it next week.', language: 'en', own_vcard: false,
    attachment_ids: [], made_by: direction === 'out' ? lead.ownerId : null, made_at: at, at, has_slot: false, attempts: 1, deferrals: 0, read_at: direction === 'in' ? at : null,
  }; // prettier-ignore
}

const taskOf = (lead: SeasonLead, text: string, due: Date, made: Date, opportunityId: string | null, { uuid }: Draw): Row => ({
  id: uuid(), person_id: lead.id, text, due_on: due.toISOString().slice(0, 10), kind: 'task', owner_id: lead.ownerId, opportunity_id: opportunityId,
  made_by: lead.ownerId, made_at: made, version: 1, changed_at: made,
}); // prettier-ignore
