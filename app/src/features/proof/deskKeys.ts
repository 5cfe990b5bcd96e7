/** Everything that can be done on the desk with the keyboard; the palette lists it. */
export const DESK_KEYS = [
  { act: 'file', key: 'Ctrl Enter', words: 'File, and go on to the next card' },
  { act: 'nextDoubt', key: 'Alt N', words: 'Go to the next doubt' },
  { act: 'settle', key: 'Alt R', words: 'The field is right as it is' },
  { act: 'alternative1', key: 'Alt 1', words: 'Take the first offer at the field' },
  { act: 'alternative2', key: 'Alt 2', words: 'Take the second' },
  { act: 'alternative3', key: 'Alt 3', words: 'Take the third' },
  { act: 'otherCase', key: 'Alt C', words: 'Natural case, or capitals' },
  { act: 'movePart', key: 'Alt M', words: 'Move the part that stands in the wrong field' },
  { act: 'swap', key: 'Alt S', words: 'Swap with the field it is mixed up with' },
  { act: 'putFirst', key: 'Alt T', words: 'Put it before the others of its kind' },
  { act: 'give', key: 'Alt G', words: 'Give the text to another field' },
  { act: 'leaveOut', key: 'Alt O', words: 'Leave the field out, or take it back' },
  { act: 'delete', key: 'Alt Backspace', words: 'Delete the field' },
  { act: 'add', key: 'Alt I', words: 'Add a field' },
  { act: 'loose', key: 'Alt L', words: 'Go to the first loose line' },
  { act: 'pick', key: 'Alt P', words: 'Pick text from the picture, or move it again' },
  { act: 'undo', key: 'Ctrl Z', words: 'Undo' },
  { act: 'redo', key: 'Ctrl Shift Z', words: 'Do it again' },
  { act: 'next', key: 'Alt .', words: 'Skip to the next card' },
  { act: 'previous', key: 'Alt ,', words: 'Back to the card before' },
  { act: 'setAside', key: 'Alt A', words: 'Set the card aside' },
  { act: 'secondLook', key: 'Alt Q', words: 'Ask a colleague for a second look' },
  { act: 'details', key: 'Alt D', words: 'Kind, owner, tags and note before filing' },
  { act: 'saw', key: 'Alt W', words: 'What the machine saw' },
  { act: 'palette', key: 'Alt K', words: 'All keys; also ? outside a text' },
] as const;

export type DeskAct = (typeof DESK_KEYS)[number]['act'];

const CODES: Readonly<Record<string, string>> = { Period: '.', Comma: ',', Enter: 'Enter', Backspace: 'Backspace' };
const NAMES = new Map<string, DeskAct>(DESK_KEYS.map(({ act, key }) => [key, act]));

/** What a key means on the desk; undefined for typing. By place on the keyboard, so that Alt's own signs do not matter. */
export function deskActOf(
  event: Pick<KeyboardEvent, 'code' | 'altKey' | 'ctrlKey' | 'metaKey' | 'shiftKey'>,
): DeskAct | undefined {
  const letter = /^(?:Key|Digit)(.)$/.exec(event.code)?.[1] ?? CODES[event.code];
  const ctrl = event.ctrlKey || event.metaKey;
  if (!letter || (ctrl && event.altKey)) return undefined;
  if (ctrl && letter === 'Y') return 'redo';
  const name = [ctrl && 'Ctrl', event.altKey && 'Alt', event.shiftKey && 'Shift', letter].filter(Boolean).join(' ');
  return NAMES.get(name);
}

export const keyOf = (act: DeskAct): string => DESK_KEYS.find((entry) => entry.act === act)!.key;
