/** Outputs of nodes at which the take stops while it plays. They are of this visit, not of the effect. */
import { shallowRef } from 'vue';
import { firstBreakpoint, type Breakpoint } from '../../core/behave/breakpoints';
import type { Player } from '../../core/behave/player';
import { isSamePort } from '../../core/behave/port-place';
import { STEP, type Seconds } from '../../core/units';

export const useTakeStops = (player: () => Player) => {
  const breakpoints = shallowRef<readonly Breakpoint[]>([]);
  /** The one at which it stopped. */
  const stoppedBy = shallowRef<Breakpoint | null>(null);
  const toggleBreakpoint = (one: Breakpoint): void => {
    const others = breakpoints.value.filter((other) => !isSamePort(other, one));
    breakpoints.value = others.length === breakpoints.value.length ? [...others, one] : others;
  };
  const clear = (): void => {
    breakpoints.value = [];
    stoppedBy.value = null;
  };
  /** Where it stops on its way from a moment to one that may lie behind its end, in the next round; null for nowhere. */
  const stopBetween = (from: Seconds, to: Seconds): Seconds | null => {
    if (breakpoints.value.length === 0) return null;
    const { duration } = player().take;
    const hit =
      firstBreakpoint(player(), breakpoints.value, from, Math.min(to, duration - STEP)) ??
      (to >= duration ? firstBreakpoint(player(), breakpoints.value, null, to % duration) : null);
    if (!hit) return null;
    stoppedBy.value = hit.breakpoint;
    return hit.time;
  };
  return { breakpoints, stoppedBy, toggleBreakpoint, clear, stopBetween };
};
