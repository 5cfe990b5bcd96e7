import type { DestinationFields } from '@dossier/contract';
import { mergeVcards } from '@dossier/core/exchange/files';
import { addressBookQuery, createAccount, createVCard, fetchAddressBooks, updateVCard } from 'tsdav';
import { askOutside, OutsideTrouble, type Reach } from '../../../platform/outside';
import { asVcard } from '../takeOut/writers';
import type { Asked, Place } from './ask';
import type { Load } from './load';
import { NeedsPerson, NotLetIn, TryLater, type Landed } from './outcome';
import { refusal } from './system';

type OutsideAddressBook = Extract<DestinationFields['to'], { kind: 'addressBook' }>;
type Person = Extract<Load, { kind: 'person' }>;

/** An address book with pictures answers with more than other systems do. */
const MOST_BYTES = 20 * 1024 * 1024;
const KEPT_CHARACTERS = 4_000;
/** Every server reads it. */
const VERSION = '3.0';
/** Where a server's address book was found, in this process: by what it was looked for with. */
const found = new Map<string, string>();

/** An address book that is asked by CardDAV (RFC 6352), as one destination has it. */
export class AddressBook {
  last: Asked | undefined;
  private readonly headers: Record<string, string>;
  private readonly place: string;

  constructor(
    { sealing, allowed }: Reach,
    private readonly to: OutsideAddressBook,
    { id, secret }: Pick<Place, 'id' | 'secret'>,
  ) {
    const password = secret ? sealing.open(secret) : '';
    this.headers = { authorization: `Basic ${Buffer.from(`${to.user}:${password}`).toString('base64')}` };
    this.place = `${id} ${secret} ${to.base} ${to.user}`;
    const ask = askOutside(allowed, MOST_BYTES);
    this.fetch = async (input, init = {}) => {
      const url = new URL(input instanceof Request ? input.url : input);
      // Whoever answers could lead elsewhere with our password.
      if (url.origin !== new URL(to.base).origin)
        throw new OutsideTrouble('It leads on to another server. Write the address of that one.');
      const { method = 'GET', body, headers } = init;
      const sent = typeof body === 'string' ? body : undefined;
      this.last = {
        request: `${method} ${url.pathname}${sent ? `\n${sent}` : ''}`.slice(0, KEPT_CHARACTERS),
        status: null,
        answer: null,
      };
      const answer = await ask({
        url: url.href,
        method,
        headers: Object.fromEntries(new Headers(headers)),
        body: sent,
      });
      this.last = { ...this.last, status: answer.status, answer: answer.body.slice(0, KEPT_CHARACTERS) };
      // Who is not let in, or comes too soon, learns that first of all.
      if ([401, 403, 408, 425, 429].includes(answer.status) || answer.status >= 500)
        throw refusal({ givesTokens: false }, answer);
      const isEmpty = [204, 205, 304].includes(answer.status) || method === 'HEAD';
      return new Response(isEmpty ? null : answer.body, {
        status: answer.status,
        headers: plainHeaders(answer.headers),
      });
    };
  }

  private readonly fetch: typeof globalThis.fetch;

  /**
   * Brings somebody into the address book: their card that is there is changed, else one is made under a name that stays.
   * @throws NeedsPerson, TryLater, OutsideTrouble, NotLetIn
   */
  async bring({ person, pictures, known }: Person): Promise<Landed> {
    const ours = asVcard(person, VERSION, pictures);
    const url = await this.book();
    const there = (known && (await this.cardAt(known.ref))) ?? (await this.findBy(url, person.fields.emails));
    const { headers, fetch } = this;
    if (!there) {
      const { kept } = mergeVcards(ours, ours);
      const filename = `${person.id}.vcf`;
      const ref = new URL(filename, url).href;
      // A card under this name that is nobody's yet was made without our hearing of it.
      const own = await this.cardAt(ref);
      if (own) return this.change(own, ours, {});
      this.assertTaken(await createVCard({ addressBook: { url }, filename, vCardString: ours, headers, fetch }));
      return { ref, link: null, theirs: [], sent: kept };
    }
    return this.change(there, ours, known?.ref === there.url ? known.sent : {});
  }

  private async change(
    there: { url: string; etag: string; card: string },
    ours: string,
    sent: Readonly<Record<string, unknown>>,
  ): Promise<Landed> {
    // prettier-ignore
    const { card, theirs, kept, isChanged } = mergeVcards(there.card, ours, sent);
    const { headers, fetch } = this;
    if (isChanged) this.assertTaken(await updateVCard({ vCard: { url: there.url, etag: there.etag, data: card }, headers, fetch })); // prettier-ignore
    return { ref: there.url, link: null, theirs, sent: kept };
  }

  private assertTaken(answer: Response): void {
    if (answer.ok) return;
    if (answer.status === 412) throw new TryLater('Somebody has changed the card there at the same moment.');
    throw new NeedsPerson(`The address book does not take this (${answer.status}).`);
  }

  /** Where the address book is: the address itself, or what the server says of its user. */
  private async book(): Promise<string> {
    const known = found.get(this.place);
    if (known) return known;
    const { headers, fetch } = this;
    const { base: serverUrl, user: username } = this.to;
    const account = { serverUrl, accountType: 'carddav' as const, credentials: { username } };
    const url = await createAccount({ account, headers, fetch })
      .then(async (made) => (await fetchAddressBooks({ account: made, headers, fetch }))[0]?.url)
      .catch((error: unknown) => {
        if (error instanceof OutsideTrouble || error instanceof NotLetIn || error instanceof TryLater) throw error;
        return undefined;
      });
    if (!url) throw new NeedsPerson('No address book is found there: write the address of one.');
    const whole = url.endsWith('/') ? url : `${url}/`;
    found.set(this.place, whole);
    return whole;
  }

  private async cardAt(url: string): Promise<{ url: string; etag: string; card: string } | undefined> {
    const answer = await this.fetch(url, { headers: this.headers });
    if (answer.status === 404 || answer.status === 410) return undefined;
    if (!answer.ok) throw new NeedsPerson(`The address book does not give the card (${answer.status}).`);
    return { url, etag: answer.headers.get('etag') ?? '', card: await answer.text() };
  }

  private async findBy(
    url: string,
    mails: readonly string[],
  ): Promise<{ url: string; etag: string; card: string } | undefined> {
    // prettier-ignore
    for (const mail of mails) {
      const answers = await addressBookQuery({
        url,
        props: { 'd:getetag': {} },
        filters: { 'prop-filter': { _attributes: { name: 'EMAIL' }, 'text-match': { _attributes: { collation: 'i;unicode-casemap', 'match-type': 'equals' }, _text: mail } } }, // prettier-ignore
        depth: '1',
        headers: this.headers,
        fetch: this.fetch,
      });
      const href = answers.find(({ ok, href: at }) => ok && at)?.href;
      const there = href ? await this.cardAt(new URL(href, url).href) : undefined;
      if (there) return there;
    }
    return undefined;
  }
}

function plainHeaders(headers: Record<string, string | string[] | undefined>): Headers {
  const plain = new Headers();
  for (const [name, value] of Object.entries(headers))
    if (value !== undefined) plain.set(name, [value].flat().join(', '));
  return plain;
}
