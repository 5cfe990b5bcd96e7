import type { EntityManager } from 'typeorm';

/** A worker that is killed costs a job one of these; the tries to send are counted elsewhere. */
const ATTEMPTS = 25;
/** So many are on their way from one team at a time. */
const LANES = 4;

/** Puts messages that wait into the queue. @param ids these alone; all of the team's without */
export async function queueWaiting(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[] | null = null,
): Promise<number> {
  const [row] = await manager.query<[{ begun: number }]>(
    `select count(graphile_worker.add_job('sendMessage', payload := json_build_object('messageId', m.id, 'workspaceId', $1::text),
       job_key := 'mail:' || m.id, max_attempts := ${ATTEMPTS}, run_at := greatest(m.next_at, now()),
       queue_name := 'mail:' || $1::text || ':' || ('x' || right(m.id::text, 1))::bit(4)::int % ${LANES}))::int as begun
     from (select id, next_at from message where workspace_id = $1 and state = 'waiting' and channel = 'email' and ($2::uuid[] is null or id = any($2::uuid[]))
       order by made_at, id) m`,
    [workspaceId, ids],
  );
  return row.begun;
}

/** Takes the next moment in which a team's server may be given something. @returns milliseconds until then */
export async function takeMailSlot(manager: EntityManager, workspaceId: string): Promise<number> {
  const [rows] = await manager.query<[{ wait: number }[]]>(
    `update mail_settings set next_slot_at = greatest(now(), next_slot_at) + make_interval(secs => 60.0 / per_minute)
     where workspace_id = $1
     returning extract(epoch from next_slot_at - make_interval(secs => 60.0 / per_minute) - now())::float * 1000 as wait`,
    [workspaceId],
  );
  return Math.max(0, rows[0]?.wait ?? 0);
}

/** Between tries of a mail server that takes nothing: half as long as that lasts already, within these. */
const [SHORTEST_PAUSE, LONGEST_PAUSE] = [3, 600];

/**
 * A team's mail server takes nothing: until its next try nobody gives it anything, and no message spends a try of its own on it.
 * @returns when that is
 */
export async function restMail(manager: EntityManager, workspaceId: string, trouble: string): Promise<Date> {
  const [rows] = await manager.query<[{ next: Date }[]]>(
    `update mail_settings set out_trouble = $2, trouble_since = coalesce(trouble_since, now()),
       next_slot_at = greatest(next_slot_at, now() + make_interval(secs => least(${LONGEST_PAUSE}, greatest(${SHORTEST_PAUSE},
         extract(epoch from now() - coalesce(trouble_since, now())) / 2))))
     where workspace_id = $1 returning next_slot_at as next`,
    [workspaceId, trouble],
  );
  return rows[0]?.next ?? new Date(Date.now() + LONGEST_PAUSE * 1000);
}

/** How many of a team's messages are on their way, and how many perhaps went. */
export async function mailStanding(
  manager: EntityManager,
  workspaceId: string,
): Promise<{ waiting: number; uncertain: number }> {
  const [row] = await manager.query<[{ waiting: number; uncertain: number }]>(
    `select count(*) filter (where state in ('waiting', 'sending', 'handing') and channel = 'email')::int as waiting,
       count(*) filter (where state = 'uncertain')::int as uncertain
     from message where workspace_id = $1 and state in ('waiting', 'sending', 'handing', 'uncertain')`,
    [workspaceId],
  );
  return row;
}

/** Whose message it is that one of these ids names; the latest written of them. */
export async function writtenWith(
  manager: EntityManager,
  workspaceId: string,
  headerIds: readonly string[],
): Promise<{ id: string; person_id: string } | undefined> {
  const [row] = await manager.query<{ id: string; person_id: string }[]>(
    `select id, person_id from message where workspace_id = $1 and direction = 'out' and header_id = any($2::text[]) and person_id is not null
     order by array_position($2::text[], header_id) limit 1`,
    [workspaceId, headerIds],
  );
  return row;
}

/** Who has an address; of several whoever was written to last. */
export async function personAt(
  manager: EntityManager,
  workspaceId: string,
  address: string,
): Promise<string | undefined> {
  const [row] = await manager.query<{ person_id: string }[]>(
    `select c.person_id from contact_point c join person p on p.workspace_id = $1 and p.id = c.person_id and p.deleted_at is null
     where c.workspace_id = $1 and c.kind = 'email' and lower(c.value) = $2
     order by (select max(m.at) from message m where m.workspace_id = $1 and m.person_id = c.person_id and m.direction = 'out') desc nulls last, p.id limit 1`,
    [workspaceId, address],
  );
  return row?.person_id;
}

/** Workspaces that a mail may be for: they wrote what it answers, or have the address it came to. */
export async function workspacesOfMail(
  manager: EntityManager,
  headerIds: readonly string[],
  addresses: readonly string[],
): Promise<string[]> {
  const rows = await manager.query<{ id: string }[]>(`select * from workspaces_of_mail($1::text[], $2::text[]) as found(id)`, [headerIds, addresses]); // prettier-ignore
  return rows.map(({ id }) => id);
}

/** The message that a way to withdraw was given with. */
export async function messageWithKey(
  manager: EntityManager,
  key: string,
): Promise<{ id: string; workspace_id: string } | undefined> {
  const [row] = await manager.query<{ id: string; workspace_id: string }[]>(`select * from message_with_key($1)`, [
    key,
  ]);
  return row;
}

/** Removes files of the team's that are older than so many days and go along with no message and no version of a template. @returns how many */
export async function deleteUnusedAttachments(
  manager: EntityManager,
  workspaceId: string,
  days: number,
): Promise<number> {
  const [, removed] = await manager.query<[unknown, number]>(
    `delete from stored_file where workspace_id = $1 and id in (
       select a.file_id from attachment a where a.workspace_id = $1 and a.person_id is null and a.made_at < now() - make_interval(days => $2)
         and not exists (select from template_version t where t.workspace_id = $1 and a.id = any(t.attachment_ids))
         and not exists (select from message m where m.workspace_id = $1 and a.id = any(m.attachment_ids)))`,
    [workspaceId, days],
  );
  return removed;
}
