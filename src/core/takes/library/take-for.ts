/** Which take shows an effect: one with the faces, surfaces and pictures that its objects stick to. */
import { anchorOf, stackOrder, targetOrder } from '../../document/queries';
import type { Anchor, Effect, SurfaceKind } from '../../document/schema';
import { FOREHEAD } from '../../kinds/objects/placed';
import type { Seconds } from '../../units';
import { CLIP_RATE, mostFaces } from '../clip';
import type { Clip } from '../clip-data';
import type { Take } from '../take';
import { FIRST_TAKE, SHIPPED_TAKES } from './index';
import { performanceOf } from './performances';

/** How many people are there at once, at most: some come and go one after the other. */
const mostPeople = ({ spec }: Take): number => {
  const at = (share: number): number =>
    spec.cast.filter(({ present: [from, to] }) => share >= from && share < to).length;
  return Math.max(...Array.from({ length: 24 }, (_, i) => at((i + 0.5) / 24)));
};

/** The same of a creator's own clip: what the trackers found in it. */
const isInClip = (take: Take, clip: Clip, effect: Effect, anchor: Anchor): boolean => {
  switch (anchor.kind) {
    case 'head':
    case 'skin':
      return mostFaces(clip) >= (typeof anchor.face === 'number' ? anchor.face : 1);
    case 'hand':
      return clip.frames.some(({ hands }) => hands.length > 0);
    case 'world':
      return false;
    case 'picture': {
      const n = 1 + targetOrder(effect).findIndex((t) => t.id === anchor.target);
      return clip.frames.some((_, i) => take.frameAt(i / CLIP_RATE).pictures.some(({ id }) => id === n));
    }
    case 'screen':
    case 'backdrop':
      return true;
  }
};

/** Whether the take has what the anchor needs. */
export const hasAnchor = (take: Take, effect: Effect, anchor: Anchor): boolean => {
  if (take.clip) return isInClip(take, take.clip, effect, anchor);
  switch (anchor.kind) {
    case 'head':
    case 'skin':
      return mostPeople(take) >= (typeof anchor.face === 'number' ? anchor.face : 1);
    case 'hand':
      return take.spec.cast.some(({ performance }) => Boolean(performanceOf(performance).hands));
    case 'world':
      return take.sceneAt(0).surfaces.some((s) => s.kind === anchor.surface);
    case 'picture': {
      const n = targetOrder(effect).findIndex((t) => t.id === anchor.target);
      return n >= 0 && take.sceneAt(0).pictures.length > n;
    }
    case 'screen':
    case 'backdrop':
      return true;
  }
};

/** The takes that show most plainly what an anchor does come first. */
const PLAIN = [
  'solo-turn-and-mouth',
  'two-people',
  'gestures',
  'walk-floor',
  'round-table',
  'along-wall',
  'picture-on-table',
];
const inOrder: readonly Take[] = [
  ...PLAIN.map((id) => SHIPPED_TAKES.find((t) => t.id === id)!),
  ...SHIPPED_TAKES.filter((t) => !PLAIN.includes(t.id)),
];

/** A shipped take that has what the anchor needs; null when none has. */
export const takeWith = (effect: Effect, anchor: Anchor): Take | null =>
  inOrder.find((take) => hasAnchor(take, effect, anchor)) ?? null;

/** The shipped take on which most of the effect's objects are seen; the usual one for an effect without any. */
export const takeFor = (effect: Effect): Take => {
  const anchors = stackOrder(effect)
    .filter((o) => o.parent === null)
    .map((o) => anchorOf(effect, o));
  let best = FIRST_TAKE;
  let most = -1;
  for (const take of inOrder) {
    const seen = anchors.filter((a) => hasAnchor(take, effect, a)).length;
    if (seen > most) [best, most] = [take, seen];
    if (seen === anchors.length) break;
  }
  return best;
};

/** A moment after a hand has come up, when it is still. */
const SETTLED: Seconds = 1;
/**
 * Where to begin in a take: at its beginning, but for an effect on hands where one is shown. What nobody sees cannot be placed.
 */
export const openingMoment = (take: Take, effect: Effect): Seconds => {
  const anchors = stackOrder(effect).map((o) => anchorOf(effect, o));
  if (anchors.length === 0 || !anchors.every(({ kind }) => kind === 'hand')) return 0;
  if (take.frameAt(0).hands.length > 0) return 0;
  const shown = take.marks.find((mark) => mark.kind === 'handShown');
  return shown ? Math.min(shown.from + SETTLED, (shown.from + shown.to) / 2) : 0;
};

/** Beside a table or a wall a floor is what they stand on: a take is about them. */
const BY_INTEREST: readonly SurfaceKind[] = ['table', 'wall', 'floor'];
/** What a take shows that things can stick to: a face before anything else, then the effect's printed pictures, then surfaces. */
export const anchorShown = (take: Take, effect: Effect): Anchor => {
  const all: readonly Anchor[] = [
    FOREHEAD,
    ...targetOrder(effect).map(({ id }): Anchor => ({ kind: 'picture', target: id })),
    ...BY_INTEREST.map((surface): Anchor => ({ kind: 'world', surface })),
  ];
  return all.find((anchor) => hasAnchor(take, effect, anchor)) ?? FOREHEAD;
};

/** The camera that looks at the viewer, and the one that looks away. */
export type CameraSide = 'front' | 'back';
/** Which of them a take is of: surfaces and printed pictures lie before the viewer. */
export const sideOf = (take: Take): CameraSide => {
  if (take.clip) return mostFaces(take.clip) > 0 ? 'front' : 'back';
  const { surfaces, pictures } = take.sceneAt(0);
  return surfaces.length + pictures.length > 0 ? 'back' : 'front';
};
/** The shipped take of that camera on which most of the effect is seen. */
export const takeSeenFrom = (effect: Effect, side: CameraSide): Take => {
  const anchors = stackOrder(effect)
    .filter((o) => o.parent === null)
    .map((o) => anchorOf(effect, o));
  const seen = (take: Take): number => anchors.filter((a) => hasAnchor(take, effect, a)).length;
  return inOrder
    .filter((take) => sideOf(take) === side)
    .reduce((best, take) => (seen(take) > seen(best) ? take : best));
};
