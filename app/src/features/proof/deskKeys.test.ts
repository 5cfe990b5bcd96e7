import { DESK_KEYS, type DeskAct, deskActOf, keyOf } from './deskKeys';

const pressed = (code: string, held: ('alt' | 'ctrl' | 'meta' | 'shift')[] = []) =>
  deskActOf({
    code,
    altKey: held.includes('alt'),
    ctrlKey: held.includes('ctrl'),
    metaKey: held.includes('meta'),
    shiftKey: held.includes('shift'),
  });

describe('a key on the desk', () => {
  it.each<[string, ('alt' | 'ctrl' | 'meta' | 'shift')[], DeskAct]>([
    ['Enter', ['ctrl'], 'file'],
    ['Enter', ['meta'], 'file'],
    ['KeyN', ['alt'], 'nextDoubt'],
    ['Digit2', ['alt'], 'alternative2'],
    ['Period', ['alt'], 'next'],
    ['KeyZ', ['ctrl'], 'undo'],
    ['KeyZ', ['ctrl', 'shift'], 'redo'],
    ['KeyY', ['ctrl'], 'redo'],
  ])('%s with %p does %s', (code, held, act) => expect(pressed(code, held)).toBe(act));

  it.each<[string, ('alt' | 'ctrl' | 'meta' | 'shift')[]]>([
    ['KeyN', []],
    ['Enter', []],
    // On many keyboards these two together type signs: "@", "€".
    ['KeyQ', ['ctrl', 'alt']],
    ['Digit4', ['alt']],
    ['F5', []],
  ])('%s with %p is left to typing', (code, held) => expect(pressed(code, held)).toBeUndefined());

  it('means one thing, and each thing has one', () => {
    expect(new Set(DESK_KEYS.map(({ key }) => key)).size).toBe(DESK_KEYS.length);
    for (const { act, key } of DESK_KEYS) expect(keyOf(act)).toBe(key);
  });
});
