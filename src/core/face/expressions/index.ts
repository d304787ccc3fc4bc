/**
 * What each expression does to the face: a displacement of the shell's points at full strength.
 * Displacements add up; the fit in `fit.ts` reads some of them back from landmarks.
 */
import type { Expressions } from '../../tracking/track-frame';
import type { ExpressionName } from '../../tracking/expression-names';
import { BROW_AND_CHEEK_EXPRESSIONS } from './brows-and-cheeks';
import { EYE_EXPRESSIONS } from './eyes';
import type { Displacement } from './field';
import { JAW_EXPRESSIONS } from './jaw';
import { MOUTH_EXPRESSIONS } from './mouth';

export type { Displacement } from './field';

const MAKERS = {
  ...JAW_EXPRESSIONS,
  ...MOUTH_EXPRESSIONS,
  ...EYE_EXPRESSIONS,
  ...BROW_AND_CHEEK_EXPRESSIONS,
} satisfies Partial<Record<ExpressionName, () => Displacement>>;

/** Expressions that move the skin: all 52 but the four sideways gazes, which turn the eyeballs alone. */
export type MovableExpression = keyof typeof MAKERS;
export const MOVABLE = Object.keys(MAKERS) as readonly MovableExpression[];
/** Whether an expression moves the skin, and not the eyeballs alone. */
export const isMovable = (name: ExpressionName): name is MovableExpression => name in MAKERS;

const made = new Map<MovableExpression, Displacement>();
/** What an expression does at full strength; solved on first use (some milliseconds), then kept. */
export const displacementOf = (name: MovableExpression): Displacement => {
  let found = made.get(name);
  if (!found) made.set(name, (found = MAKERS[name]()));
  return found;
};

/**
 * The strengths that are put on the face: some expressions give way to others, so that lids and lips do not
 * cross. Everything else adds up.
 */
export const combined = (e: Expressions): Expressions => {
  const out: Expressions = { ...e };
  for (const side of ['Left', 'Right'] as const) {
    const open = 1 - (e[`eyeBlink${side}`] ?? 0);
    for (const name of ['eyeSquint', 'eyeWide', 'eyeLookDown', 'eyeLookUp'] as const) {
      const key: ExpressionName = `${name}${side}`;
      if (e[key]) out[key] = e[key] * open;
    }
  }
  const jaw = e.jawOpen ?? 0;
  // Shut lips take back what the jaw did, and no more; lips on an open jaw are already apart.
  if (e.mouthClose) out.mouthClose = Math.min(e.mouthClose, jaw);
  for (const name of ['mouthRollLower', 'mouthRollUpper', 'mouthShrugLower', 'mouthShrugUpper'] as const)
    if (e[name]) out[name] = e[name] * (1 - 0.5 * (e.mouthFunnel ?? 0));
  return out;
};
