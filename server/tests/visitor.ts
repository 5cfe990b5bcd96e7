import { createHmac } from 'node:crypto';
import { Sql } from './sql';

/** Somebody without an account at the public page of a card, as a browser would send it. */
export class Visitor {
  readonly origin = process.env.DOSSIER_TEST_ADDRESS!.replace('/api/v1', '');

  constructor(readonly path: string) {}

  async look(headers: Record<string, string> = {}, path = this.path) {
    const response = await fetch(this.origin + path, { headers: { 'accept-language': 'en', ...headers } });
    return { status: response.status, text: await response.text(), headers: response.headers };
  }

  async vcard(): Promise<string> {
    return (await this.look({}, `${this.path}/card.vcf`)).text;
  }

  /** A form that the page gives out, as if somebody had taken so long over it. @param seconds since it was given out */
  async form(seconds = 10, path = this.path): Promise<string> {
    const { text } = await this.look({}, path);
    const [id] = /name="form" value="([^"]+)"/.exec(text)?.[1]?.split('.') ?? [];
    if (!id) throw new Error('There is no form on this page.');
    const owner = Sql.ofOwner();
    const [row] = await owner.query<{ secret: Buffer }[]>('select secret from card_page where key = $1', [this.path.split('/')[2]]); // prettier-ignore
    await owner.destroy();
    const said = `${id}.${Date.now() - seconds * 1000}`;
    return `${said}.${createHmac('sha256', row!.secret).update(said).digest('base64url')}`;
  }

  async send(fields: Record<string, string>, path = this.path) {
    const response = await fetch(this.origin + path, {
      method: 'POST',
      headers: { 'content-type': 'application/x-www-form-urlencoded', 'accept-language': 'en' },
      body: new URLSearchParams(fields).toString(),
    });
    return { status: response.status, text: await response.text() };
  }

  /** Fills the form in and sends it. */
  async leave(fields: Record<string, string>) {
    return this.send({ ...fields, form: await this.form() });
  }
}
