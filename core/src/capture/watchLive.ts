import { sceneChange, type FrameView } from './frameView';
import { distance, type Quad } from './quad';

/**
 * What is said to the person holding the camera, one at a time: what is wrong with the picture (`tooDark`; how often rightly is measured by
 * the bench), and what release by itself waits for.
 */
export type LiveAdvice = 'tooDark' | 'noCard' | 'holdStill' | 'nextCard';

/** What is remembered from frame to frame. */
export interface LiveState {
  /** Border of the last frame that had one, and since when (ms) it has kept still. */
  outline?: Quad;
  stillSince: number;
  /** Since when there has been no border to be seen. */
  lostSince: number;
  /** What was photographed last: released by itself again only when something else is before the camera. */
  taken?: Uint8Array;
  /** Since when something else has been there without a break, by frames that showed it: what no frame showed is not known. */
  otherSince?: number;
  /** Since when frames have shown no card, in the same way. */
  noneSince?: number;
  advice?: LiveAdvice;
  /** Since when the advice has been the one that the frames call for. */
  advisedSince: number;
  /** What the latest frames call for, before it is said. */
  wanted?: LiveAdvice;
}

export const startWatching = (at: number): LiveState => ({ stillSince: at, lostSince: at, advisedSince: at });

/** Corners may wander by this share of the frame between two frames of a still hand. */
const STILL = 0.012;
/** How long card, focus and stillness must be good before release. */
const GOOD_FOR_MS = 550;
/** Advice is given once it has been true so long: a flicker is no reason to speak. */
const ADVISE_AFTER_MS = 500;
const LOST_FOR_MS = 1800;
const DARK = 0.48;
/** A border around less of the frame is most often not the card's. */
const SMALL = 0.16;
/** Print in focus changes by at least so many grey levels over two pixels of the small frame. */
const SHARP = 22;
const OTHER_SCENE = 7;
/** Another card has lain there for so long, or none at all: what a moved hand or a finger does is shorter. */
const OTHER_FOR_MS = 400;
const NONE_FOR_MS = 700;

export interface Watched {
  state: LiveState;
  /** Everything is good, and has been for a moment; whoever releases then says so by `tookPicture`. */
  release: boolean;
}

/**
 * Takes in one frame: follows the border, says what would help, and tells when to release.
 * @param at time of the frame in milliseconds
 */
export function watchFrame(before: LiveState, frame: FrameView, at: number): Watched {
  const { outline } = frame;
  const still = outline && before.outline ? moved(before.outline, outline) < STILL : false;
  const stillSince = still ? before.stillSince : at;
  const lostSince = isCard(frame) ? at : before.lostSince;
  const isOther = outline !== undefined && before.taken !== undefined && sceneChange(before.taken, frame.scene) > OTHER_SCENE; // prettier-ignore
  const otherSince = isOther ? (before.otherSince ?? at) : undefined;
  const noneSince = isCard(frame) ? undefined : (before.noneSince ?? at);
  const fresh =
    !before.taken ||
    (otherSince !== undefined && at - otherSince >= OTHER_FOR_MS) ||
    (noneSince !== undefined && at - noneSince >= NONE_FOR_MS);
  const seesCard = at - lostSince <= LOST_FOR_MS;
  const wanted = adviceOn(frame, { fresh, still, seesCard });
  const advisedSince = wanted === before.wanted ? before.advisedSince : at;
  const said = at - advisedSince >= ADVISE_AFTER_MS ? wanted : before.advice;
  const good = isCard(frame) && fresh && (wanted === undefined || wanted === 'holdStill');
  const release = good && still && frame.sharpness >= SHARP && at - stillSince >= GOOD_FOR_MS;
  const state: LiveState = {
    outline: outline ?? before.outline,
    stillSince,
    lostSince,
    taken: fresh ? undefined : before.taken,
    otherSince,
    noneSince,
    advice: said,
    advisedSince,
    wanted,
  };
  return { state, release };
}

/** The picture was taken back: the same card may be taken again. */
export const tookBack = (state: LiveState, at: number): LiveState => ({ ...startWatching(at), outline: state.outline });

/** A picture was released, by itself or by hand: the same card is not taken again by itself. */
export const tookPicture = (state: LiveState, scene: Uint8Array): LiveState => ({
  ...state,
  taken: scene,
  otherSince: undefined,
  advice: undefined,
});

const isCard = ({ outline, share }: FrameView): boolean => outline !== undefined && share >= SMALL;

export const isTooDark = ({ light }: FrameView): boolean => light < DARK;

function adviceOn(
  frame: FrameView,
  { fresh, still, seesCard }: { fresh: boolean; still: boolean; seesCard: boolean },
): LiveAdvice | undefined {
  if (isTooDark(frame)) return 'tooDark';
  if (!isCard(frame)) return seesCard ? undefined : 'noCard';
  if (!fresh) return 'nextCard';
  return !still || frame.sharpness < SHARP ? 'holdStill' : undefined;
}

/** Largest way of a corner between two borders, as a share of the frame. */
function moved(a: Quad, b: Quad): number {
  return Math.max(...a.map((p, i) => distance(p, b[i]!)));
}
