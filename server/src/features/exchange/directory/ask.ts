import type { KnownFirm, KnownPerson, WhoItIs } from '@dossier/core/exchange/directory';
import { writable } from '@dossier/core/text';
import { z } from 'zod';
import { askOutside, OutsideTrouble, type OutsideAnswer, type Reach } from '../../../platform/outside';

/** Which directory is asked, and what lets us in there; sealed. */
export interface DirectoryPlace {
  address: string;
  key: string | null;
}

/** It lets us in no more: asking further is of no use before somebody has looked at the key. */
export class NotLetIn extends OutsideTrouble {}

const MOST_ANSWER_BYTES = 256 * 1024;
const MOST_PORTRAIT_BYTES = 8 * 1024 * 1024;
/** So often what goes wrong for a moment is asked again, and so long after. */
const TRIES = 3;
const PAUSE_MS = 400;
const LONGEST_WAIT_MS = 4_000;
const MOST_RESULTS = 20;
const MOST_ADDRESSES = 3;

/** What stands in an answer is anybody's: too long is cut, what is no text is none. */
const text = (most: number) => z.unknown().transform((value) => (typeof value === 'string' || typeof value === 'number' ? writable(String(value)).trim().slice(0, most) : '')); // prettier-ignore
const texts = (most: number) => z.array(text(most)).catch([]).transform((all) => all.filter(Boolean).slice(0, 6)); // prettier-ignore

const PeopleFound = z.object({
  results: z.array(z.object({ key: text(200), name: text(200), house: text(240), mails: texts(254), role: text(240), lines: texts(60), elsewhere: texts(500), face: text(500) })).max(MOST_RESULTS), // prettier-ignore
});
const HousesFound = z.object({
  results: z.array(z.object({ key: text(200), name: text(240), sites: texts(254), trade: text(240), heads: text(60), since: text(20), line: text(60), seat: text(300), elsewhere: texts(500) })).max(MOST_RESULTS), // prettier-ignore
});

/** Asks a directory, patiently: what goes wrong for a moment is asked again a few times. */
export class Directory {
  private readonly ask;
  private readonly askForPicture;
  private readonly key: string;

  /** @throws OutsideTrouble when its key cannot be read any more */
  constructor(
    private readonly place: DirectoryPlace,
    { sealing, allowed }: Pick<Reach, 'sealing' | 'allowed'>,
  ) {
    this.ask = askOutside(allowed, MOST_ANSWER_BYTES);
    this.askForPicture = askOutside(allowed, MOST_PORTRAIT_BYTES);
    try {
      this.key = place.key ? sealing.open(place.key) : '';
    } catch {
      throw new NotLetIn('Its key cannot be read any more: give it anew.');
    }
  }

  /** As the directory is called wherever something is from there. */
  get name(): string {
    return new URL(this.place.address).host;
  }

  /** @throws OutsideTrouble */
  async people({ fullName, company, emails }: WhoItIs): Promise<KnownPerson[]> {
    const query = new URLSearchParams([
      ...emails.slice(0, MOST_ADDRESSES).map((email): [string, string] => ['mail', email]),
      ['name', fullName],
      ['house', company],
    ]);
    const { results } = await this.found(`/people?${query}`, PeopleFound);
    return results.map(({ key, name, house, mails, role, lines, elsewhere, face }) => ({ ref: key, fullName: name, company: house, emails: mails, title: role, phones: lines, pages: elsewhere, portrait: face })); // prettier-ignore
  }

  /** @throws OutsideTrouble */
  async firms({ name, domains }: { name: string; domains: readonly string[] }): Promise<KnownFirm[]> {
    const query = new URLSearchParams([...domains.slice(0, MOST_ADDRESSES).map((domain): [string, string] => ['site', domain]), ['name', name]]); // prettier-ignore
    const { results } = await this.found(`/houses?${query}`, HousesFound);
    return results.map(({ key, name: called, sites, trade, heads, since, line, seat, elsewhere }) => ({ ref: key, name: called, domains: sites, industry: trade, size: heads, founded: since, phone: line, address: seat, pages: elsewhere })); // prettier-ignore
  }

  /** A portrait of the directory's own. @param path as it gave it @throws OutsideTrouble */
  async portrait(path: string): Promise<Buffer> {
    const url = new URL(path, this.base());
    // The key is shown to nobody else.
    if (url.origin !== new URL(this.place.address).origin)
      throw new OutsideTrouble('The portrait lies somewhere else.');
    return (await this.patiently(url.href, this.askForPicture)).bytes;
  }

  private base = (): string => this.place.address.replace(/\/*$/, '/');

  private async found<T extends z.ZodType>(path: string, shape: T): Promise<z.infer<T>> {
    const answer = await this.patiently(new URL(path.slice(1), this.base()).href, this.ask);
    const parsed = shape.safeParse(parsedJson(answer.body));
    if (!parsed.success) throw new OutsideTrouble('It answers with something that cannot be read.');
    return parsed.data;
  }

  private async patiently(url: string, ask: ReturnType<typeof askOutside>): Promise<OutsideAnswer> {
    for (let tries = 1; ; tries++) {
      const trouble = await ask({ url, method: 'GET', headers: { accept: 'application/json, image/*', ...(this.key && { 'x-directory-key': this.key }) } }).then(troubleOf, (error: unknown) => error as Error); // prettier-ignore
      if (!(trouble instanceof Error)) return trouble;
      if (!(trouble instanceof OutsideTrouble) || trouble instanceof NotLetIn || tries === TRIES) throw trouble;
      const wait = trouble instanceof Busy ? trouble.waitMs : PAUSE_MS * tries;
      await new Promise((resolve) => setTimeout(resolve, Math.min(wait, LONGEST_WAIT_MS)));
    }
  }
}

class Busy extends OutsideTrouble {
  constructor(readonly waitMs: number) {
    super('It has too much to do just now.');
  }
}

function troubleOf(answer: OutsideAnswer): OutsideAnswer | OutsideTrouble {
  const { status, headers } = answer;
  if (status === 200) return answer;
  if (status === 401 || status === 403) return new NotLetIn('It does not let us in: look at the key.');
  if (status === 429) return new Busy((Number(headers['retry-after']) || 1) * 1000);
  return new OutsideTrouble(`It answers with ${status}.`);
}

function parsedJson(body: string): unknown {
  try {
    return JSON.parse(body);
  } catch {
    return undefined;
  }
}
