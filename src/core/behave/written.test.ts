/** Several that write the same thing, all the time: the later one counts, whoever it is; what nobody writes any more is as it is without. */
import { describe, expect, test } from '@jest/globals';
import { overruledBy } from '../document/behaviour-queries';
import { newDrive, newVariable } from '../document/new-cues';
import type { Drive, DriveId, Effect, VariableId } from '../document/schema';
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
    expect(overruledBy(both, early).map(({ id }) => id)).toEqual([late.id]);
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
