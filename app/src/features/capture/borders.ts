import type { OutlinesChange, PhotoOutlines } from '@dossier/contract';
import {
  complaintAboutOutline,
  emptiestPlace,
  joinOutlines,
  moveCorner,
  moveOutline,
  newOutline,
  sameOutline,
  splitOutline,
  turnOutline,
  type Point,
  type Quad,
} from '@dossier/core/capture';

/** A border on the screen. */
export interface Border {
  key: string;
  cardId: string | null;
  quad: Quad;
  upright: boolean;
  /** Whose card it is, as far as that was read. */
  name: string | null;
  /** A filed card's border stays as it is. */
  fixed: boolean;
  /** Nobody has set it: there is text on no card that is like a card's. */
  perhaps?: boolean;
}

export interface Borders {
  size: Point;
  list: readonly Border[];
  selected: string | null;
  /** Earlier lists, the latest last, to go back to. */
  past: readonly (readonly Border[])[];
  nextKey: number;
}

export type BorderAct =
  | { kind: 'select'; key: string | null }
  /** A drag or key press begins: what follows is one step back. */
  | { kind: 'begin' }
  | { kind: 'corner'; corner: number; to: Point }
  | { kind: 'move'; by: Point }
  | { kind: 'add' }
  | { kind: 'turn' }
  | { kind: 'split' }
  | { kind: 'join'; other: string }
  | { kind: 'remove' }
  | { kind: 'undo' };

export function bordersOf({ width, height, outlines }: PhotoOutlines): Borders {
  const list = outlines
    .filter((outline) => outline.quad !== null)
    .map(({ cardId, quad, name, filed }) => ({ key: cardId, cardId, quad: quad!, upright: false, name, fixed: filed }));
  return { size: [width ?? 1, height ?? 1], list, selected: null, past: [], nextKey: 0 };
}

/** With borders around what may be cards that were missed, the first of them chosen. */
export const withMissed = (borders: Borders, perhaps: PhotoOutlines['perhaps']): Borders => {
  const missed = perhaps.map((quad, i): Border => ({ key: `perhaps-${i}`, cardId: null, quad: quad as Quad, upright: false, name: null, fixed: false, perhaps: true })); // prettier-ignore
  return { ...borders, list: [...borders.list, ...missed], selected: missed[0]?.key ?? borders.selected };
};

export const selectedBorder = ({ list, selected }: Borders): Border | undefined =>
  list.find((border) => border.key === selected);

/** One act of a person on the borders. */
export function changeBorders(state: Borders, act: BorderAct): Borders {
  const border = selectedBorder(state);
  switch (act.kind) {
    case 'select':
      return { ...state, selected: act.key };
    case 'begin':
      return { ...state, past: [...state.past, state.list] };
    case 'undo': {
      const before = state.past.at(-1);
      if (!before) return state;
      const selected = before.some((b) => b.key === state.selected) ? state.selected : null;
      return { ...state, list: before, past: state.past.slice(0, -1), selected };
    }
    case 'add': {
      const quads = state.list.map((b) => b.quad);
      const made = newOutline(emptiestPlace(quads, state.size), quads, state.size);
      const added: Border = { ...made, key: `new-${state.nextKey}`, cardId: null, name: null, fixed: false };
      return withList(state, [...state.list, added], added.key);
    }
  }
  if (!border || border.fixed) return state;
  const replaced = (change: Partial<Border>) => state.list.map((b) => (b.key === border.key ? { ...b, ...change } : b));
  switch (act.kind) {
    case 'corner':
      return { ...state, list: replaced({ quad: moveCorner(border.quad, act.corner, act.to, state.size) }) };
    case 'move':
      return { ...state, list: replaced({ quad: moveOutline(border.quad, act.by, state.size) }) };
    case 'turn':
      return withList(state, replaced(turnOutline(border)));
    case 'split': {
      const [one, other] = splitOutline(border);
      const added: Border = { ...border, ...other, key: `new-${state.nextKey}`, cardId: null, name: null };
      return withList(state, [...replaced(one), added]);
    }
    case 'join': {
      const other = state.list.find((b) => b.key === act.other);
      if (!other || other.fixed) return state;
      const joined = replaced(joinOutlines(border, other)).filter((b) => b.key !== other.key);
      return withList(state, joined);
    }
    case 'remove':
      return withList(
        state,
        state.list.filter((b) => b.key !== border.key),
        null,
      );
  }
}

function withList(state: Borders, list: readonly Border[], selected = state.selected): Borders {
  return { ...state, list, selected, past: [...state.past, state.list], nextKey: state.nextKey + 1 };
}

/** How many cards will be read anew. */
export const toBeRead = ({ list }: Borders, before: Borders): number =>
  list.filter((b) => !before.list.some((was) => was.cardId === b.cardId && sameOutline(was.quad, b.quad))).length;

export const isChanged = (now: Borders, before: Borders): boolean =>
  now.list.length !== before.list.length || toBeRead(now, before) > 0;

/** Borders along which no card can be cut out, by key, with what is wrong. */
export const complaintsAbout = ({ list }: Borders): Map<string, string> =>
  new Map(
    list.flatMap(({ key, quad }) => {
      const complaint = complaintAboutOutline(quad);
      return complaint ? [[key, complaint] as const] : [];
    }),
  );

export const changeOf = ({ list }: Borders): OutlinesChange => ({
  outlines: list.map(({ cardId, quad, upright }) => ({
    cardId,
    quad: quad.map(([x, y]) => [x, y]) as OutlinesChange['outlines'][number]['quad'],
    upright,
  })),
});
