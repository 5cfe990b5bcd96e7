import { deviceStore, type StoredDraft } from './deviceStore';

/**
 * Drafts that are on their way into the device store. A page that closes ends what has not been written yet; then they
 * are put beside it, in storage that is written at once.
 */
const onTheirWay = new Map<string, StoredDraft>();

const keyOf = (cardId: string): string => `dossier.draft.${cardId}`;

/** @throws Error when the device has no room for it; it is tried once more as the page closes */
export async function writeDraft(draft: Omit<StoredDraft, 'keptAt'>): Promise<void> {
  const stored = { ...draft, keptAt: Date.now() };
  onTheirWay.set(stored.cardId, stored);
  await (await deviceStore()).put('drafts', stored);
  if (onTheirWay.get(stored.cardId) === stored) onTheirWay.delete(stored.cardId);
}

/** The newest that was kept of a card. */
export async function readDraft(cardId: string): Promise<StoredDraft | undefined> {
  const left = leftAtClosing(cardId);
  const store = await deviceStore();
  const stored = await store.get('drafts', cardId).catch(() => undefined);
  if (!left || (stored?.keptAt ?? 0) > (left.keptAt ?? 0)) return stored;
  await store.put('drafts', left).then(
    () => localStorage.removeItem(keyOf(cardId)),
    () => undefined,
  );
  return left;
}

/** The card is filed: its draft has done its work. */
export async function forgetDraft(cardId: string): Promise<void> {
  onTheirWay.delete(cardId);
  try {
    localStorage.removeItem(keyOf(cardId));
  } catch {
    // Storage that may not be used holds nothing either.
  }
  await (await deviceStore()).delete('drafts', cardId);
}

function leftAtClosing(cardId: string): StoredDraft | undefined {
  try {
    const kept = localStorage.getItem(keyOf(cardId));
    return kept === null ? undefined : (JSON.parse(kept) as StoredDraft);
  } catch {
    return undefined;
  }
}

globalThis.addEventListener?.('pagehide', () => {
  for (const [cardId, draft] of onTheirWay)
    try {
      localStorage.setItem(keyOf(cardId), JSON.stringify(draft));
    } catch {
      // No room there either: what the server has is all that is left.
    }
});
