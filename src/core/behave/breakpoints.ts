/** Where a take is to stop: at the step in which something comes out of a node. */
import { STEP, type Seconds } from '../units';
import type { Player } from './player';
import type { PortPlace } from './port-place';
import { stepAt } from './recorded';

/** An output: of events it stops when one passes, of yes and no when it comes true. */
export type Breakpoint = PortPlace;

/** The first of them that is reached after `from`, up to `to`; null for none. From null on it begins with the first step. */
export const firstBreakpoint = (
  player: Player,
  all: readonly Breakpoint[],
  from: Seconds | null,
  to: Seconds,
): { readonly breakpoint: Breakpoint; readonly time: Seconds } | null => {
  const areOn = (step: number): boolean[] => {
    const runtime = player.at(step * STEP);
    return all.map(({ circuit, node, port }) => runtime.nodeValue(circuit, node, port) === 1);
  };
  const first = from === null ? 0 : stepAt(from) + 1;
  let before = first === 0 ? all.map(() => false) : areOn(first - 1);
  for (let step = first; step <= stepAt(to); step++) {
    const now = areOn(step);
    const hit = all.find((_, i) => now[i] === true && before[i] === false);
    if (hit) return { breakpoint: hit, time: step * STEP };
    before = now;
  }
  return null;
};
