import { inTurn } from './inTurn';

const turn = () => new Promise((resolve) => setTimeout(resolve));

describe('work done in turn', () => {
  it('is done piece by piece, in its order, and what was taken back is not', async () => {
    const done: string[] = [];
    inTurn(() => done.push('first'));
    const takeBack = inTurn(() => done.push('never'));
    inTurn(() => done.push('last'));
    takeBack();
    expect(done).toEqual([]);
    await turn();
    expect(done).toEqual(['first']);
    await turn();
    expect(done).toEqual(['first', 'last']);
    inTurn(() => done.push('again'));
    await turn();
    expect(done).toEqual(['first', 'last', 'again']);
  });
});
