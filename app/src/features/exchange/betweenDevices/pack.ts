import type { ChosenPeople, ProofCard, TrayItem } from '@dossier/contract';
import { v7 as uuidv7 } from 'uuid';
import { keptBytes, type WaitingPhoto } from '@/features/capture';
import { counted } from '@/lib/counted';
import type { KeptParcel } from '@/lib/deviceStore';
import { API } from '@/lib/api';
import { fetchFile, NotFetched } from '@/lib/fetchFile';
import { cardPicture } from '@/ui';
import { keepToGive, type NewItem } from './parcels';

const GONE = 'Some of it is no longer there. Look at the list again, and choose once more.';

async function fetched(address: string): Promise<Response> {
  const response = await fetch(address).catch(() => {
    throw new NotFetched('Dossier cannot be reached. What is given is fetched first; then it can be given without it.');
  });
  if (!response.ok) throw new NotFetched(response.status === 404 ? GONE : 'It could not be fetched. Try again in a moment.'); // prettier-ignore
  return response;
}

/** People with everything about them and the pictures of their cards, made ready to be given. @throws NotFetched, with words for the screen */
export async function packPeople(accountId: string, who: ChosenPeople): Promise<KeptParcel> {
  const how = { who, format: 'json', pictures: 'inside' };
  const { file, headers } = await fetchFile('/people/export', how, () => undefined, new AbortController().signal);
  const count = Number(headers.get('dossier-people') ?? 0);
  return keepToGive(accountId, uuidv7(), [{ name: counted(count, 'person', 'people'), kind: 'people', count, bytes: file }]); // prettier-ignore
}

/** Cards of the tray, or photographs of which no card is known yet, made ready to be given. @throws NotFetched, with words for the screen */
export async function packCards(accountId: string, items: readonly TrayItem[]): Promise<KeptParcel> {
  const things: NewItem[] = [];
  for (const item of items) things.push(await thingOf(item));
  return keepToGive(accountId, uuidv7(), things);
}

async function thingOf({ id, kind, name, company, picture }: TrayItem): Promise<NewItem> {
  const called = { name: name ?? company ?? 'A card', count: 1 };
  if (kind === 'photo')
    return { ...called, kind: 'picture', bytes: await (await fetched(`${API}/photos/${id}/picture?size=full`)).blob() };
  if (picture) return { ...called, kind: 'picture', bytes: await (await fetched(cardPicture(id))).blob() };
  const { reading } = (await (await fetched(`${API}/cards/${id}`)).json()) as ProofCard;
  const text = reading.lines.map((line) => line.text).join('\n') || (reading.codes ?? []).map((code) => code.text).join('\n'); // prettier-ignore
  return { ...called, kind: 'text', bytes: new Blob([text], { type: 'text/plain' }) };
}

/** Photographs that wait on this device: they need no server to be given. */
export async function packWaiting(accountId: string, photos: readonly WaitingPhoto[]): Promise<KeptParcel> {
  const things: NewItem[] = [];
  for (const { id, name } of photos) {
    const bytes = await keptBytes(id);
    if (bytes) things.push({ name: name || 'A photograph', kind: 'picture', count: 1, bytes });
  }
  if (things.length === 0) throw new NotFetched('They have been sent meanwhile. They are in the tray.');
  return keepToGive(accountId, uuidv7(), things);
}
