import { configureStore } from '@reduxjs/toolkit';
import { api, tellSignedIn } from './api';

const acts = api.injectEndpoints({
  endpoints: (build) => ({ act: build.mutation<{ done: true }, void>({ query: () => ({ url: '/act', method: 'POST' }) }) }), // prettier-ignore
});
const makeStore = () =>
  configureStore({ reducer: { [api.reducerPath]: api.reducer }, middleware: (has) => has().concat(api.middleware) });
/** As much of an answer as is looked at. */
const answerOf = (status: number) => {
  const answer = { status, headers: new Map(), text: () => Promise.resolve('{"done":true}'), clone: () => answer };
  return answer as unknown as Response;
};

describe('an act that is refused for want of a session', () => {
  let answers: ((response: Response) => void)[];
  const asked = () => answers.length;
  const until = async (is: () => boolean) => {
    while (!is()) await new Promise((resolve) => setTimeout(resolve));
  };
  beforeEach(() => {
    answers = [];
    globalThis.fetch = () => new Promise((resolve) => answers.push(resolve));
  });
  const begin = () => makeStore().dispatch(acts.endpoints.act.initiate());

  it('is done once whoever did it has signed in again', async () => {
    const act = begin();
    await until(() => asked() === 1);
    answers[0]!(answerOf(401));
    await new Promise((resolve) => setTimeout(resolve));
    expect(asked()).toBe(1);
    tellSignedIn(true);
    await until(() => asked() === 2);
    answers[1]!(answerOf(200));
    expect((await act).data).toEqual({ done: true });
  });

  it('is done also where it is refused only after they have', async () => {
    const act = begin();
    await until(() => asked() === 1);
    tellSignedIn(true);
    answers[0]!(answerOf(401));
    await until(() => asked() === 2);
    answers[1]!(answerOf(200));
    expect((await act).data).toEqual({ done: true });
  });

  it('is not done for somebody else', async () => {
    const act = begin();
    await until(() => asked() === 1);
    tellSignedIn(false);
    answers[0]!(answerOf(401));
    expect((await act).error).toMatchObject({ status: 401 });
    expect(asked()).toBe(1);
  });
});
