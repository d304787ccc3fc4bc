import { describe, expect, test } from '@jest/globals';
import { FIRST_TAKE } from '../takes/library';
import type { Effect, ObjectId } from '../document/schema';
import { compile, type Program } from '../program/program';
import { Runtime } from './runtime';
import { CARD, card, cueOf, effectOf } from './testing';

const OTHER = 'obj_other' as ObjectId;
const frame = FIRST_TAKE.frameAt(0);
const cue = cueOf('screenTapped', [[{ kind: 'move', duration: 1, mode: 'by', by: [0.2, 0, 0] }]]);
const effect = effectOf([cue], [card(CARD), card(OTHER)]);
const stepped = (runtime: Runtime, steps: number): Runtime => {
  for (let i = 0; i < steps; i++) runtime.step(frame);
  return runtime;
};
/** Tapped, and half a second on. */
const halfWay = (program: Program): Runtime => {
  const runtime = new Runtime(program);
  runtime.step(frame, { taps: [{ x: 0.5, y: 0.5 }], fingers: [] });
  return stepped(runtime, 30);
};
const changedTo = (changed: Effect): { runtime: Runtime; program: Program } => {
  const before = compile(effect);
  const program = compile(changed);
  const runtime = new Runtime(program);
  runtime.carryOn(before, halfWay(before).save());
  return { runtime, program };
};
const moved = (runtime: Runtime, program: Program, id: ObjectId = CARD): number =>
  runtime.values(program.indexOf.get(id)!).move[0];

describe('a document that is changed while it runs', () => {
  const plain = compile(effect);
  const atHalf = moved(halfWay(plain), plain);

  test('a slider moved: values follow, the cue goes on where it was and comes to its end', () => {
    const { runtime, program } = changedTo({
      ...effect,
      objects: { ...effect.objects, [OTHER]: { ...effect.objects[OTHER]!, move: [0, 0.5, 0] } },
    } as Effect);
    expect(runtime.values(program.indexOf.get(OTHER)!).move).toEqual([0, 0.5, 0]);
    expect(moved(runtime, program)).toBeCloseTo(atHalf, 9);
    expect(atHalf).toBeGreaterThan(0.02);
    expect(moved(stepped(runtime, 60), program)).toBeCloseTo(0.2, 6);
  });
  test('an object that behaviour has moved stays moved; what it has not touched of it follows', () => {
    const { runtime, program } = changedTo({
      ...effect,
      objects: { ...effect.objects, [CARD]: { ...effect.objects[CARD]!, turn: [0, 0, 45] } },
    } as Effect);
    expect(moved(runtime, program)).toBeCloseTo(atHalf, 9);
    expect(runtime.values(program.indexOf.get(CARD)!).turn).toEqual([0, 0, 45]);
  });
  test('an object added, another taken away: the rest goes on', () => {
    const { [OTHER]: _gone, ...rest } = effect.objects;
    const added = 'obj_added' as ObjectId;
    const { runtime, program } = changedTo({
      ...effect,
      objects: { [added]: card(added, { order: -5 }), ...rest },
    } as Effect);
    expect(moved(runtime, program)).toBeCloseTo(atHalf, 9);
    expect(moved(stepped(runtime, 60), program)).toBeCloseTo(0.2, 6);
  });
  test('a cue with other actions begins anew; the object stays where it was brought', () => {
    const other = cueOf('screenTapped', [[{ kind: 'hide' }]], { id: cue.id });
    const { runtime, program } = changedTo({ ...effect, cues: { [cue.id]: other } });
    expect(runtime.isAtWork(0)).toBe(false);
    expect(moved(stepped(runtime, 60), program)).toBeCloseTo(atHalf, 9);
  });
});
