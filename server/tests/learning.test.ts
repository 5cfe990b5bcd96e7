import type { Reason } from '@dossier/core/reading';
import type { LearnedList } from '@dossier/contract';
import { Client, demoPhoto, personFields } from './client';

jest.setTimeout(180_000);

/** Files the first card of a photograph as somebody of a firm spelled so, and gives its id. */
async function fileAs(who: Client, company: string): Promise<void> {
  const [item] = await who.photograph(demoPhoto('skerry'));
  const fields = personFields({ familyName: 'Skerritt', company, emails: ['t.skerritt@skerryfish.example'] });
  expect((await who.file({ cardId: item!.id, fields })).status).toBe(201);
}

async function proposedCompany(who: Client): Promise<{ value: string; reasons: readonly Reason[] }> {
  const [item] = await who.photograph(demoPhoto('skerry'));
  const { body } = await who.card(item!.id);
  await who.send('PATCH', '/cards', { cardIds: [item!.id], state: 'discarded' });
  return body.proposals.find((p) => p.field === 'company')!;
}

const facts = async (who: Client) => (await who.get<LearnedList>('/learned')).body.items;

describe('what a workspace files', () => {
  let rep: Client;
  let manager: Client;
  let stranger: Client;
  beforeAll(async () => {
    rep = await Client.signedIn('idris@keldermoss.example');
    manager = await Client.signedIn('maren@keldermoss.example');
    stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
  });

  it('is how the next card of the firm is spelled, until a person revokes it', async () => {
    await fileAs(rep, 'Skerry Fish Auction Ltd');
    const learned = await proposedCompany(rep);
    expect(learned.value).toBe('Skerry Fish Auction Ltd');
    expect(learned.reasons).toContainEqual({ code: 'writtenSoHere' });

    const fact = (await facts(rep)).find((f) => f.kind === 'company' && f.domain === 'skerryfish.example')!;
    expect(fact).toMatchObject({ text: 'Skerry Fish Auction Ltd', revoked: false });
    expect((await manager.send('PATCH', `/learned/${fact.id}`, { revoked: true })).status).toBe(204);
    expect((await facts(rep)).find((f) => f.id === fact.id)!.revoked).toBe(true);
    expect((await proposedCompany(rep)).value).toBe('Skerry Fish Auctions Ltd');
  });

  it('stays revoked when it is filed once more', async () => {
    await fileAs(rep, 'Skerry Fish Auction Ltd');
    expect((await proposedCompany(rep)).value).toBe('Skerry Fish Auctions Ltd');
  });

  it('is no firm’s number when one person’s card is filed twice, and is once two people have it', async () => {
    const phones = [{ value: '+441632960733', kind: 'work' as const, extension: '' }];
    const fields = (familyName: string) =>
      personFields({ familyName, company: 'Brine Works', phones, emails: [`${familyName.toLowerCase()}@brine-works.example`] }); // prettier-ignore
    const times = async () =>
      (await facts(rep)).find((f) => f.kind === 'phone' && f.domain === 'brine-works.example')?.times;
    const personId = await rep.filed(fields('Tern'));
    const { version } = await rep.person(personId);
    const again = await rep.file({
      cardId: await rep.typedCard(),
      fields: fields('Tern'),
      known: { personId, version },
    });
    expect(again.status).toBe(200);
    expect(await times()).toBe(1);
    await rep.filed(fields('Heron'));
    expect(await times()).toBe(2);
  });

  it('is nobody else’s', async () => {
    expect(await facts(stranger)).toEqual([]);
    const [fact] = await facts(rep);
    expect((await stranger.send('PATCH', `/learned/${fact!.id}`, { revoked: true })).status).toBe(404);
    expect((await proposedCompany(stranger)).value).toBe('Skerry Fish Auctions Ltd');
  });
});

describe('what a workspace expects of its cards', () => {
  it('can be set, and is refused in plain words when it is no country or language', async () => {
    const rep = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    const session = async () =>
      (await rep.get<{ workspace: { country: string; languages: string[] } }>('/session')).body.workspace;
    const before = await session();
    expect((await rep.send('PUT', '/reading-settings', { country: 'pl', languages: ['pl', 'cs'] })).status).toBe(204);
    expect(await session()).toMatchObject({ country: 'PL', languages: ['pl', 'cs'] });
    const refused = await rep.send<{ detail: string }>('PUT', '/reading-settings', {
      country: 'Poland',
      languages: [],
    });
    expect(refused.status).toBe(400);
    expect(
      (await rep.send('PUT', '/reading-settings', { country: before.country, languages: before.languages })).status,
    ).toBe(204);
  });
});
