/** Several that write the same thing, all the time: the later one counts, whoever it is; what nobody writes any more is as it is without. */
import { describe, expect, test } from '@jest/globals';
import { nodeOverruledBy, overruledBy } from '../document/behaviour-queries';
import { newCircuit } from '../document/new-circuit';
import { newBehaviourNode, type BehaviourNode } from '../kinds/nodes/nodes';
import { standingReasons } from './explain';
import { newDrive, newVariable } from '../document/new-cues';
import type { CircuitId, Drive, DriveId, Effect, NodeId, VariableId } from '../document/schema';
import { compile, type Program } from '../program/program';
import { Runtime, type Snapshot } from './runtime';
import { CARD, card, cueOf, effectOf, pass, STILL, type Told } from './testing';

/** Time, carried to a range from its first second on. */
const drive = (name: string, order: number, to: Drive['to'], value: number): Drive => {
  const plain = newDrive(`drive_${name}` as DriveId, order, { kind: 'time' }, to);
  return { ...plain, remap: { ...plain.remap, to: [value, value] } };
};
const drivenBy = (drives: readonly Drive[], more: Partial<Effect> = {}): Effect =>
  effectOf([], [card()], {
    drives: Object.fromEntries(drives.map((d) => [d.id, d])) as Effect['drives'],
    ...more,
  });
const size: Drive['to'] = { kind: 'number', objects: [CARD], property: 'opacity' };
const early = drive('early', 1, size, 0.2);
const late = drive('late', 2, size, 0.7);
const opacity = (effect: Effect): number => {
  const runtime = new Runtime(compile(effect));
  runtime.step(STILL);
  return runtime.values(0).opacity;
};

describe('two drives of one number', () => {
  test('the later one counts, in whatever order the document holds them', () => {
    expect(opacity(drivenBy([early, late]))).toBe(0.7);
    expect(opacity(drivenBy([late, early]))).toBe(0.7);
  });
  test('the earlier one counts when the later one is off, and is told that it does not when it is on', () => {
    const off = { ...late, enabled: false };
    expect(opacity(drivenBy([early, off]))).toBe(0.2);
    const both = drivenBy([early, late]);
    expect(overruledBy(both, early)).toEqual([{ by: 'drive', drive: late }]);
    expect(overruledBy(both, late)).toEqual([]);
    expect(overruledBy(drivenBy([early, off]), early)).toEqual([]);
    // One that is off writes nothing, so nothing counts instead of it.
    expect(overruledBy(drivenBy([{ ...early, enabled: false }, late]), { ...early, enabled: false })).toEqual(
      [],
    );
  });
  test('of another number of the same object nothing is overruled', () => {
    const other = drive('other', 3, { ...size, property: 'moveX' } as Drive['to'], 1);
    expect(overruledBy(drivenBy([early, other]), early)).toEqual([]);
  });
});

describe('circuits among the writers', () => {
  const node = (id: string, more: Parameters<typeof newBehaviourNode>[3] = {}) =>
    newBehaviourNode(id as NodeId, 'write', [0, 0], { set: { to: size }, ...more });
  const withNodes = (nodes: readonly BehaviourNode[], drives: readonly Drive[], on = true): Effect =>
    drivenBy(drives, {
      circuits: {
        circuit_main: {
          ...newCircuit('circuit_main' as CircuitId, 'Main', 0),
          enabled: on,
          nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
        },
      } as unknown as Effect['circuits'],
    });
  const [first, second] = [node('node_first'), node('node_second')];
  const overruledIn = (effect: Effect, one: BehaviourNode) =>
    nodeOverruledBy(effect, one, Object.values(effect.circuits)[0]!.nodes);
  const names = (by: ReturnType<typeof overruledBy>) =>
    by.map((w) => (w.by === 'node' ? w.node.id : w.drive.id));

  test('a node counts instead of a drive, and of the nodes before it', () => {
    const effect = withNodes([first, second], [early]);
    expect(names(overruledBy(effect, early))).toEqual([second.id]);
    expect(names(overruledIn(effect, first))).toEqual([second.id]);
    expect(overruledIn(effect, second)).toEqual([]);
  });
  test('not while it is asked whether it may, is off, or its circuit is', () => {
    const asked = node('node_second', { inputs: { while: { node: first.id, port: 'yes' } } });
    const never = node('node_second', { values: { while: 0 } });
    for (const other of [asked, never, { ...second, off: true }]) {
      expect(overruledIn(withNodes([first, other], []), first)).toEqual([]);
      expect(names(overruledBy(withNodes([other], [early]), early))).toEqual([]);
    }
    expect(overruledBy(withNodes([first], [early], false), early)).toEqual([]);
  });
  test('an object that comes by a wire from where it was chosen is known: the other writer of its number is told', () => {
    const chosen = (object: string | null, more: object = {}) =>
      newBehaviourNode('node_chosen' as NodeId, 'theObject', [0, 0], { set: { object }, ...more });
    const wired = (property: string) =>
      newBehaviourNode('node_wired' as NodeId, 'writeOf', [0, 0], {
        set: { property },
        inputs: { object: { node: 'node_chosen' as NodeId, port: 'object' } },
      });
    const told = (...nodes: readonly BehaviourNode[]) => names(overruledIn(withNodes(nodes, []), nodes[1]!));
    expect(told(chosen(CARD), wired('opacity'), second)).toEqual([second.id]);
    expect(told(chosen(CARD), first, wired('opacity'))).toEqual(['node_wired']);
    expect(told(chosen(CARD), wired('size'), second)).toEqual([]);
    expect(told(chosen(null), wired('opacity'), second)).toEqual([]);
    expect(told({ ...chosen(CARD), off: true }, wired('opacity'), second)).toEqual([]);
  });
  test('what a circuit may show is not said to stay hidden, and what it starts is not said to be started by nothing', () => {
    const shows = node('node_show', { set: { to: { ...size, property: 'visible' } } });
    const cue = { ...cueOf('screenTapped', [[{ kind: 'move' } as Told]]), triggers: [] };
    const starts = newBehaviourNode('node_start' as NodeId, 'cue', [0, 0], {
      set: { do: 'start', cue: cue.id },
    });
    const hidden = (nodes: readonly BehaviourNode[]): Effect => ({
      ...withNodes(nodes, []),
      objects: { [CARD]: card(CARD, { visible: false }) } as Effect['objects'],
      cues: { [cue.id]: cue },
    });
    const codes = (effect: Effect) => standingReasons(effect, cue).map(({ code }) => code);
    expect(codes(hidden([]))).toEqual(expect.arrayContaining(['no-triggers', 'target-hidden']));
    const now = codes(hidden([shows, starts]));
    expect(now).not.toContain('no-triggers');
    expect(now).not.toContain('target-hidden');
  });
});

const ring = cueOf('effectStarts', [
  [{ kind: 'turn', duration: 4, by: [0, 0, 90], mode: 'by', easing: 'steady' } as Told],
]);
const length: Drive['to'] = { kind: 'duration', cue: ring.id, action: ring.beats[0]!.actions[0]!.id };
const turning = (...drives: Drive[]): Effect =>
  ({ ...drivenBy(drives), cues: { [ring.id]: ring } }) as Effect;
const turned = (runtime: Runtime): number => runtime.values(0).turn[2];

describe('how long an action takes', () => {
  const quick = drive('quick', 1, length, 1);
  test('is what was written, from the step after on', () => {
    const [plain, fast] = [turning(), turning(quick)].map((effect) => new Runtime(compile(effect)));
    for (const runtime of [plain!, fast!]) pass(runtime, 0.5);
    expect(turned(plain!)).toBeCloseTo(11.25, 0);
    expect(turned(fast!)).toBeGreaterThan(40);
  });
  test('restored at any step it goes on identically', () => {
    const program = compile(turning(quick));
    const straight = new Runtime(program);
    const saved: Snapshot[] = [];
    const values: number[] = [];
    for (let n = 0; n < 40; n++) {
      saved.push(straight.save());
      straight.step(STILL);
      values.push(turned(straight));
    }
    for (const at of [0, 1, 2, 17]) {
      const again = new Runtime(program);
      again.restore(saved[at]!);
      for (let n = at; n < 40; n++) {
        again.step(STILL);
        expect(turned(again)).toBe(values[n]!);
      }
    }
  });
  test('is its own again as soon as the drive is taken off, while it runs', () => {
    const before: Program = compile(turning(quick));
    const runtime = new Runtime(before);
    pass(runtime, 0.25);
    const without = new Runtime(compile(turning()));
    without.carryOn(before, runtime.save());
    // The time of a step is set at the end of the one before.
    without.step(STILL);
    const at = turned(without);
    without.step(STILL);
    // 90 degrees in 4 s: not in one.
    expect(turned(without) - at).toBeCloseTo(90 / 4 / 60, 3);
  });
});

test('a variable keeps what was last written into it', () => {
  const variable = newVariable('variable_tide' as VariableId, 'Tide', 3);
  const to: Drive['to'] = { kind: 'variable', variable: variable.id };
  const effect = drivenBy([drive('low', 1, to, 1), drive('high', 2, to, 9)], {
    variables: { [variable.id]: variable } as Effect['variables'],
  });
  const before = compile(effect);
  const runtime = new Runtime(before);
  runtime.step(STILL);
  expect(runtime.variable(variable.id)).toBe(9);
  const after = compile({ ...effect, drives: {} });
  const without = new Runtime(after);
  without.carryOn(before, runtime.save());
  without.step(STILL);
  expect(without.variable(variable.id)).toBe(9);
});
