import { useEffect, useRef, useState } from 'react';
import { fetchFile, NotFetched, saveFile } from './fetchFile';

export type Fetching =
  | { kind: 'idle' }
  | { kind: 'running'; bytes: number; headers?: Headers }
  | { kind: 'done'; bytes: number; name: string; headers: Headers }
  | { kind: 'failed'; words: string };

/** A file that is made while somebody waits for it; whoever goes away stops it. */
export function useFetchedFile(path: string) {
  const [state, setState] = useState<Fetching>({ kind: 'idle' });
  const running = useRef<AbortController>(undefined);
  useEffect(() => () => running.current?.abort(), []);
  const begin = async (body: unknown) => {
    const run = (running.current = new AbortController());
    setState({ kind: 'running', bytes: 0 });
    try {
      const fetched = await fetchFile(
        path,
        body,
        (bytes, headers) => setState({ kind: 'running', bytes, headers }),
        run.signal,
      );
      saveFile(fetched);
      setState({ kind: 'done', bytes: fetched.file.size, name: fetched.name, headers: fetched.headers });
    } catch (error) {
      if (run.signal.aborted) return;
      setState({ kind: 'failed', words: error instanceof NotFetched ? error.message : 'The file could not be kept. Is there room on this device?' }); // prettier-ignore
    }
  };
  const stop = () => {
    running.current?.abort();
    setState({ kind: 'idle' });
  };
  return { state, begin, stop };
}
