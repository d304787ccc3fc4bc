/** Brings what lies on the screen clear of notch and buttons, and onto the screen: as large as there is room, moved no farther than it must be. */
import type { EffectObject } from '../document/schema';
import { SCREEN_HEIGHT } from '../placing/anchors';
import { wayClear, type Cover } from './covered';
import type { HeldScreen, Rect } from './screens';

/** CSS pixels left beside what just fits. */
const BESIDE = 8;
/** And between it and what it lay under. */
const APART = 4;

const larger = (cover: Cover): Cover => ({
  ...cover,
  left: cover.left - APART,
  top: cover.top - APART,
  width: cover.width + 2 * APART,
  height: cover.height + 2 * APART,
});

/** Where it goes and how large it is then; null where there is no room for it. `rect` is where it lies now, in CSS pixels. */
export const mended = (
  { move, scale }: Pick<EffectObject, 'move' | 'scale'>,
  rect: Rect,
  covers: readonly Cover[],
  screen: HeldScreen,
): Pick<EffectObject, 'move' | 'scale'> | null => {
  const { left: safeLeft, right: safeRight } = screen.safe;
  const room = screen.width - safeLeft - safeRight - 2 * BESIDE;
  const factor = Math.min(1, room / rect.width);
  const [wide, high] = [rect.width * factor, rect.height * factor];
  const middle = rect.left + rect.width / 2;
  const left = Math.min(
    Math.max(middle - wide / 2, safeLeft + BESIDE),
    screen.width - safeRight - BESIDE - wide,
  );
  const now: Rect = { left, top: rect.top + (rect.height - high) / 2, width: wide, height: high };
  const isLow = now.top + high > screen.height - screen.safe.bottom;
  const isHigh = now.top < screen.safe.top;
  const down = wayClear(now, covers.map(larger), screen, isLow || isHigh);
  if (down === null) return null;
  const across = left + wide / 2 - middle;
  const metres = SCREEN_HEIGHT / screen.height;
  const round = (x: number): number => Number(x.toFixed(4));
  return {
    move: [round(move[0] + across * metres), round(move[1] - down * metres), move[2]],
    scale: [scale[0] * factor, scale[1] * factor, scale[2]],
  };
};
