import type { ProofCard } from '@dossier/contract';
import { Client, demoPhoto, personFields } from './client';

jest.setTimeout(180_000);

/** Two cards in the tray: one to be the front, one its back. */
async function pair(who: Client): Promise<[string, string]> {
  const [front] = await who.photograph(demoPhoto('skerry'));
  const [back] = await who.photograph(demoPhoto('kestrel'));
  return [front!.id, back!.id];
}

const emails = ({ proposals }: ProofCard) => proposals.filter((p) => p.field === 'email').map((p) => p.value);
const trayIds = async (who: Client) => (await who.tray()).map((item) => item.id);

describe('the back of a card', () => {
  let rep: Client;
  beforeAll(async () => {
    rep = await Client.signedIn('maren@keldermoss.example');
  });

  it('is proposed with the front as one, leaves the tray, and can be taken off again', async () => {
    const [front, back] = await pair(rep);
    const alone = (await rep.card(front)).body;
    expect((await rep.send('PUT', `/cards/${front}/back`, { cardId: back })).status).toBe(204);
    const joined = (await rep.card(front)).body;
    expect(joined.back?.cardId).toBe(back);
    expect(emails(joined)).toHaveLength(2);
    expect(joined.proposals.find((p) => p.value === emails(joined)[1])!.sources[0]!.side).toBe('back');
    expect((await rep.card(back)).body).toMatchObject({ state: 'attached', frontCardId: front });
    expect(await trayIds(rep)).not.toContain(back);

    expect((await rep.send('DELETE', `/cards/${front}/back`)).status).toBe(204);
    expect(emails((await rep.card(front)).body)).toEqual(emails(alone));
    expect(await trayIds(rep)).toContain(back);
  });

  it('can be joined twice by the same request, and not to two cards or to itself', async () => {
    const [front, back] = await pair(rep);
    const join = (on: string, cardId: string) => rep.send<{ code: string }>('PUT', `/cards/${on}/back`, { cardId });
    const answers = await Promise.all([join(front, back), join(front, back)]);
    expect(answers.map((a) => a.status)).toEqual([204, 204]);
    expect((await join(front, front)).body.code).toBe('own-back');
    const [other] = await rep.photograph(demoPhoto('skerry'));
    expect((await join(other!.id, back)).status).toBe(409);
    expect((await join(front, other!.id)).body.code).toBe('has-back');
  });

  it('is filed with its front', async () => {
    const [front, back] = await pair(rep);
    await rep.send('PUT', `/cards/${front}/back`, { cardId: back });
    expect((await rep.file({ cardId: back, fields: personFields({ familyName: 'Kestrel' }) })).body.code).toBe(
      'is-a-back',
    );
    const filed = await rep.file({ cardId: front, fields: personFields({ familyName: 'Skerritt' }) });
    expect(filed.status).toBe(201);
    const { body } = await rep.card(back);
    expect(body).toMatchObject({ state: 'filed', personId: filed.body.personId });
  });

  it('is nobody else’s to join', async () => {
    const [front, back] = await pair(rep);
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    expect((await stranger.send('PUT', `/cards/${front}/back`, { cardId: back })).status).toBe(404);
  });
});
