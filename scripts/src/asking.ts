export const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

type Body = Record<string, unknown>;
export type Ask = (
  method: string,
  path: string,
  body: () => unknown,
  headers?: Record<string, string>,
) => Promise<Body>;

/** Asks as somebody of the demo until the server has said yes, whatever is killed meanwhile; what was done already is a yes too. */
export function asking(address: string, email: string): Ask {
  let cookie = '';
  const send = async (method: string, path: string, body: unknown, headers: Record<string, string> = {}) => {
    const answer = await fetch(`${address}/api/v1${path}`, {
      method,
      body: body === undefined ? undefined : JSON.stringify(body),
      headers: { cookie, 'content-type': 'application/json', ...headers },
      signal: AbortSignal.timeout(15_000),
    });
    cookie = answer.headers.get('set-cookie')?.split(';')[0] ?? cookie;
    // Half an answer is none.
    const answered = (answer.status === 204 ? {} : await answer.json()) as Body;
    return { status: answer.status, body: answered };
  };
  return async (method, path, body, headers = {}) => {
    for (;;) {
      const answer = await send(method, path, body(), headers).catch(() => undefined);
      if (answer && answer.status < 300) return answer.body;
      if (answer?.status === 401) await send('POST', '/session', { email, password: 'cold-chain' }).catch(() => undefined); // prettier-ignore
      else if (answer && answer.status < 500 && answer.status !== 409) throw new Error(`${method} ${path}: ${answer.status} ${JSON.stringify(answer.body)}`); // prettier-ignore
      if (answer?.status === 409) return answer.body;
      await wait(200 + Math.random() * 400);
    }
  };
}
