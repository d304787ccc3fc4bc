/** Nodes by themselves, outside of any effect: one step after another. For examples of what they do, and for tests. */
import { UNWATCHED, type WatchState } from '../triggers/trigger-kind';
import type { NodeInstant, NodeWorld } from './node-kind';
import { nodeKind, portsOf, type NodeKind } from './nodes';
import { NOTHING, portValue, type PortValue } from './ports';
import { STEP } from '../../units';

/** A world in which nothing is seen, from its middle along -Z. */
export const NOWHERE_WORLD: NodeWorld = {
  camera: { pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] }, fovY: 90, aspect: 1 },
  view: { fovY: 90, aspect: 1 },
  light: null,
  colourAround: () => null,
  taps: [],
  anchors: () => [],
  placesOf: () => [],
  meets: () => null,
  touched: () => null,
};

/** An instant in which nothing happens, and chance is a fixed row of numbers. */
export const instantOf = (step: number, more: Partial<NodeInstant> = {}): NodeInstant => ({
  step,
  time: step * STEP,
  signal: () => NaN,
  watch: (_trigger, state: WatchState = UNWATCHED) => ({ state, fired: false }),
  script: () => null,
  world: NOWHERE_WORLD,
  random: (n = 0) => ((step * 7 + n * 3 + 1) % 10) / 10,
  ...more,
});

/** What comes out of a node in each of some steps, by what goes in; an input that is not named is as usual. */
export const stepped = (
  kind: NodeKind,
  steps: readonly Readonly<Record<string, PortValue>>[],
  {
    set = {},
    at = {},
  }: {
    readonly set?: object;
    /** What differs from an instant in which nothing happens, or what does in a step. */
    readonly at?: Partial<NodeInstant> | ((step: number) => Partial<NodeInstant>);
  } = {},
): (readonly PortValue[])[] => {
  const { run, fresh } = nodeKind(kind);
  const all = { ...fresh, ...set } as never;
  const { inputs } = portsOf({ kind, set: all });
  let state: unknown = run.as === 'memory' ? run.fresh(all) : run.as === 'follows' ? run.fresh : null;
  return steps.map((given, step) => {
    const values = inputs.map(
      ({ name, type, usual }) => given[name] ?? portValue(usual ?? undefined, type) ?? NOTHING[type],
    );
    const instant = instantOf(step, typeof at === 'function' ? at(step) : at);
    if (run.as === 'numbers') return [run.of(...(values as number[]))];
    if (run.as === 'reads') return [run.of(all, instant)];
    if (run.as === 'follows') {
      state = run.of(state as number, ...(values as number[]));
      return [state as number];
    }
    if (run.as === 'values') return run.of(values as never, all, instant);
    const next = run.next(state as never, values as never, all, instant);
    ({ state } = next);
    return next.out;
  });
};
