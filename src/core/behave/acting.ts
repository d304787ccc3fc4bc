/** Actions on their objects, at any moment of their course. What each kind does stands in `kinds/actions`. */
import { actionKind, roundLength } from '../kinds/actions/actions';
import type { Carried, World } from '../kinds/actions/action-kind';
import type { Values } from '../kinds/values';
import { eased } from '../maths/curve';
import { positionOf, type Matrix } from '../maths/matrix';
import type { CompiledAction, Program } from '../program/program';
import type { Seconds } from '../units';
import type { Motion } from './parts/writing';

/** Which round an action is in, and whether it is on its way there (or stays there) or back. */
export const progressOf = (
  { action, length: whole }: Pick<CompiledAction, 'action' | 'length'>,
  elapsed: Seconds,
): { round: number; forth: boolean; k: number } => {
  const once = roundLength(action);
  const end = action.thereAndBack ? 0 : 1;
  if (once === 0 || whole === 0) return { round: 0, forth: !action.thereAndBack, k: end };
  if (elapsed + 1e-9 >= whole)
    return { round: Math.round(whole / once) - 1, forth: !action.thereAndBack, k: end };
  const round = Math.floor((elapsed + 1e-9) / once);
  const inRound = Math.max(0, elapsed - round * once);
  const t = inRound / action.duration;
  return {
    round,
    forth: inRound + 1e-9 < action.duration,
    k: t <= 1 ? eased(action.easing, t) : eased(action.easing, 2 - t),
  };
};

/** What an action has to remember when it begins; null for most. */
export const begun = (
  { action, target }: CompiledAction,
  from: Values,
  program: Program,
  world: World,
): Carried | null =>
  actionKind(action.kind).begin?.({ action, object: program.objects[target]!, index: target, from, world }) ??
  null;

/**
 * Brings the values to where the action is `elapsed` seconds after its delay. `from` is what they were when it began. Returns what
 * it carries on.
 */
export const act = (
  compiled: CompiledAction,
  {
    values,
    from,
    carried,
  }: { readonly values: Values; readonly from: Values; readonly carried: Carried | null },
  elapsed: Seconds,
  program: Program,
  world: World,
): Carried | null => {
  const { action, target, amount } = compiled;
  const kind = actionKind(action.kind);
  if (!kind.act) return carried;
  const { round, forth, k } = progressOf(compiled, elapsed);
  const next = kind.act({
    action,
    object: program.objects[target]!,
    index: target,
    values,
    from,
    whole: k,
    k: k * amount,
    // A "by" action that does not come back goes on from where the last round ended.
    rounds: (action.thereAndBack ? 0 : round) * amount,
    round,
    forth,
    amount,
    carried,
    world,
  });
  return next ?? carried;
};

/** How an action lies over the values while it runs, without changing what is beneath; null for those that change it. */
export const overlaid = ({ action, amount, seed }: CompiledAction, elapsed: Seconds): Motion | null =>
  actionKind(action.kind).overlay?.(action, elapsed, amount, seed) ?? null;

/** The world from where everything was drawn from last. */
export const worldOf = (
  program: Program,
  baseOf: (i: number) => Matrix | null,
  placeOf: (i: number) => Matrix | null,
  eye: World['eye'],
  isFlat: (i: number) => boolean,
): World => ({
  base: baseOf,
  positionOf: (id) => {
    const i = program.indexOf.get(id as never);
    const matrix = i === undefined ? null : placeOf(i);
    return matrix && positionOf(matrix);
  },
  eye,
  isFlat,
});
