import { agreeOnCode, Broken, giveParcel, NONCE_BYTES, takeParcel, type BrokenWhy, type Parcel, type Side } from '@dossier/core/exchange/betweenDevices'; // prettier-ignore
import { useCallback, useEffect, useRef, useState } from 'react';
import type { KeptParcel } from '@/lib/deviceStore';
import { DeviceParcels, digest, TakenElsewhere, wholeItem } from './parcels';
import { NoWay, Peer } from './peer';

/** How far two devices are with each other, from the first code shown to the last byte kept. */
export type Meeting =
  | { step: 'preparing' }
  /** The giver shows its text and reads the answer. */
  | { step: 'showing'; text: string; complaint?: string }
  /** The taker reads the giver's text. */
  | { step: 'reading'; complaint?: string }
  /** The taker shows its answer. */
  | { step: 'answering'; text: string }
  | { step: 'finding' }
  /** Both see the same code; the giver says so. */
  | { step: 'comparing'; code: string; other: string }
  | { step: 'moving'; code: string; other: string; parcel: Parcel; bytes: number }
  | { step: 'done'; other: string; parcel: Parcel }
  | { step: 'broken'; words: string };

const BROKEN: Record<BrokenWhy, string> = {
  gone: 'The connection has ended. What has come is kept: connect again, and it goes on from there.',
  stopped: 'The other device has stopped it. What has come is kept.',
  misspoken: 'The other side does not speak as Dossier does. Is it another version? Bring both up to date, and try again.', // prettier-ignore
  damaged: 'What came was not what was sent, twice. Connect again, and it is sent once more.',
  tooMuch: 'This is more than one device gives another at once. Give less at a time.',
};

const wordsOf = (error: unknown): string => {
  if (error instanceof Broken) return BROKEN[error.why];
  if (error instanceof NoWay) return error.message;
  if (error instanceof TakenElsewhere)
    return 'The same is being taken in another tab of this browser. Let that one come to its end.';
  return error instanceof DOMException && error.name === 'QuotaExceededError'
    ? 'There is no more room on this device. Make some, and connect again: it goes on from there.'
    : 'It could not be kept on this device. Connect again, and it goes on from there.';
};

interface Options {
  accountId: string;
  /** Who is at this device, in words for the other one. */
  from: string;
  /** What is given; nothing for the side that takes. */
  give?: KeptParcel;
  onChange: () => void;
}

/** One meeting with another device; a new one begins with `again`. */
export function useMeeting({ accountId, from, give, onChange }: Options) {
  const [meeting, setMeeting] = useState<Meeting>({ step: 'preparing' });
  const [attempt, setAttempt] = useState(0);
  const peer = useRef<Peer>(undefined);
  const same = useRef<() => void>(undefined);
  const told = useRef(onChange);
  useEffect(() => {
    told.current = onChange;
  });
  const side: Side = give ? 'giver' : 'taker';

  useEffect(() => {
    const own = (peer.current = new Peer(side));
    let gone = false;
    const say = (next: Meeting) => gone || setMeeting(next);
    if (give) {
      say({ step: 'preparing' });
      own.offer().then((text) => say({ step: 'showing', text }), (error: unknown) => say({ step: 'broken', words: wordsOf(error) })); // prettier-ignore
    } else say({ step: 'reading' });
    return () => {
      gone = true;
      own.close();
    };
  }, [attempt, give, side]);

  const meet = useCallback(async () => {
    const own = peer.current!;
    const say = (next: Meeting) => peer.current === own && setMeeting(next);
    try {
      const { channel, ends } = await own.opened();
      const nonce = crypto.getRandomValues(new Uint8Array(NONCE_BYTES));
      const { code, other } = await agreeOnCode(side, channel, { ends, from, nonce, digest });
      say({ step: 'comparing', code, other });
      if (give) {
        // Nothing leaves before somebody has seen that it is the same code. A way that ends meanwhile is noticed.
        await Promise.race([new Promise<void>((resolve) => (same.current = resolve)), own.ended.then(() => { throw new Broken('gone'); })]); // prettier-ignore
        const moving = (bytes: number) => say({ step: 'moving', code, other, parcel: give, bytes });
        moving(0);
        const files = await Promise.all(give.items.map((_, index) => wholeItem(give.key, index)));
        await giveParcel(channel, give, async (index, begin, end) => new Uint8Array(await files[index]!.slice(begin, end).arrayBuffer()), moving); // prettier-ignore
        say({ step: 'done', other, parcel: give });
      } else {
        const store = new DeviceParcels(accountId, other);
        const moving = (parcel: Parcel, bytes: number) => say({ step: 'moving', code, other, parcel, bytes });
        const parcel = await takeParcel(channel, store, moving).finally(() => store.end());
        say({ step: 'done', other, parcel });
      }
    } catch (error) {
      say({ step: 'broken', words: wordsOf(error) });
    } finally {
      // What is said last is still on its way out.
      setTimeout(() => own.close(), 1_000);
      told.current();
    }
  }, [accountId, from, give, side]);

  /** What was read or pasted of the other side. */
  const hear = useCallback(
    async (text: string) => {
      const own = peer.current!;
      try {
        if (give) {
          await own.accept(text);
          setMeeting({ step: 'finding' });
        } else setMeeting({ step: 'answering', text: await own.answer(text) });
      } catch (error) {
        setMeeting((now) => (now.step === 'showing' || now.step === 'reading' ? { ...now, complaint: wordsOf(error) } : now)); // prettier-ignore
        return;
      }
      void meet();
    },
    [give, meet],
  );

  return {
    meeting,
    hear,
    itIsTheSame: () => same.current?.(),
    stop: () => peer.current?.stop(),
    again: () => setAttempt((n) => n + 1),
  };
}
