import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { createStore } from '@/store';

/** Renders something in the application's own store; for tests. */
export function renderInStore(children: ReactNode) {
  const store = createStore();
  return { store, ...render(<Provider store={store}>{children}</Provider>) };
}

/** Answers of a server that is not there: the first whose path fits, by method and path. */
export function answerWith(answers: Record<string, { status?: number; body?: unknown }>): jest.Mock {
  const fetched = jest.fn((input: Request | string) => {
    const request = typeof input === 'string' ? { method: 'GET', url: input } : input;
    const key = Object.keys(answers).find((k) => {
      const [method, path] = k.split(' ') as [string, string];
      return method === request.method && request.url.includes(path);
    });
    const { status = 200, body = {} } = (key && answers[key]) || { status: 404 };
    const text = JSON.stringify(body);
    const response = {
      ok: status < 300,
      status,
      headers: new Map([['content-type', 'application/json']]),
      text: () => Promise.resolve(text),
      json: () => Promise.resolve(body),
      clone: () => response,
    };
    return Promise.resolve(response);
  });
  globalThis.fetch = fetched as unknown as typeof fetch;
  return fetched;
}
