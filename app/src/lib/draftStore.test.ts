import { deviceStore } from './deviceStore';
import { forgetDraft, readDraft, writeDraft } from './draftStore';

const draft = (note: string, cardId = 'card') => ({ cardId, accountId: 'ottilie', draft: { fields: [] }, note });
const besides = () => Object.keys(localStorage).filter((key) => key.startsWith('dossier.draft'));
/** The page closes before the device has written anything. */
const close = () => window.dispatchEvent(new Event('pagehide'));

beforeEach(async () => {
  localStorage.clear();
  await (await deviceStore()).clear('drafts');
});

describe('drafts kept on the device', () => {
  it('are there again, the latest of them', async () => {
    await writeDraft(draft('One'));
    await writeDraft(draft('Two'));
    expect(await readDraft('card')).toMatchObject({ note: 'Two', accountId: 'ottilie' });
    expect(await readDraft('another')).toBeUndefined();
    close();
    expect(besides()).toEqual([]);
  });

  it('whose writing the page did not live to see are found beside, and moved to where the rest is', async () => {
    await writeDraft(draft('Before'));
    const writing = writeDraft(draft('The last letters'));
    close();
    expect(besides()).toEqual(['dossier.draft.card']);
    await (await deviceStore()).put('drafts', { ...draft('Before'), keptAt: 1 });
    expect(await readDraft('card')).toMatchObject({ note: 'The last letters' });
    expect(besides()).toEqual([]);
    expect((await (await deviceStore()).get('drafts', 'card'))?.note).toBe('The last letters');
    await writing;
  });

  it('beside which a newer one was written since stay as that is', async () => {
    localStorage.setItem('dossier.draft.card', JSON.stringify({ ...draft('Long ago'), keptAt: 1 }));
    await writeDraft(draft('Since'));
    expect(await readDraft('card')).toMatchObject({ note: 'Since' });
    localStorage.setItem('dossier.draft.card', 'nothing that can be read');
    expect(await readDraft('card')).toMatchObject({ note: 'Since' });
  });

  it('are forgotten wherever they are', async () => {
    await writeDraft(draft('Filed by now'));
    localStorage.setItem('dossier.draft.card', JSON.stringify({ ...draft('Filed by now'), keptAt: Date.now() + 1000 }));
    await forgetDraft('card');
    expect(await readDraft('card')).toBeUndefined();
    close();
    expect(besides()).toEqual([]);
  });

  it('that the device has no room for are tried once more as the page closes', async () => {
    const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    await expect(writeDraft(draft('No room'))).rejects.toThrow('full');
    put.mockRestore();
    close();
    expect(await readDraft('card')).toMatchObject({ note: 'No room' });
  });
});
