import { describe, expect, test } from '@jest/globals';
import { blankEffect } from '../document/defaults';
import { applyEdit, changed } from '../document/edit';
import { applyPatch } from '../document/patch';
import {
  MOST_CUES,
  effectSchema,
  type CueId,
  type Effect,
  type Morph,
  type ObjectId,
} from '../document/schema';
import { newCue } from '../document/new-cues';
import { morphed } from '../face/morph/moves';
import { NEUTRAL_FACE } from '../face/neutral';
import { newMorph } from '../kinds/objects/morph';
import { compile } from '../program/program';
import { restHere, restState } from '../placing/rest';
import { reshaped } from '../placing/reshape';
import { cueToShape, hasShape, keepShape, shapesBeside } from './morph-edits';

const A = 'obj_morphA' as ObjectId;
const B = 'obj_morphB' as ObjectId;
const morph = (id: ObjectId, of: Partial<Morph>): Morph => ({ ...newMorph(id, 0), ...of });
const effectWith = (...morphs: Morph[]): Effect => ({
  ...blankEffect('Shapes'),
  objects: Object.fromEntries(morphs.map((m) => [m.id, m])),
});
/** The first face of the effect at rest, as it is reshaped. */
const faceOf = (effect: Effect): Float32Array => {
  const program = compile(effect);
  return reshaped(program, restState(program), restHere(program)).frame.faces[0]!.landmarks;
};
let count = 0;
const newId = (prefix: string): string => `${prefix}_made${count++}`;

describe('a shape that is kept', () => {
  const before = effectWith(morph(A, { sliders: { chin: 0.8, jaw: -0.4 }, amount: 0.5, order: 3 }));
  const { effect, inverse } = applyEdit(before, keepShape(before, A, B));

  test('is a morph of its own; its sliders begin again, and the face looks as before', () => {
    expect(effect.objects[A]).toMatchObject({ sliders: {}, mesh: null });
    expect(effect.objects[B]).toMatchObject({
      name: 'Shape',
      sliders: { chin: 0.8, jaw: -0.4 },
      amount: 0.5,
    });
    expect(faceOf(effect)).toEqual(faceOf(before));
    expect(faceOf(effect)).not.toEqual(Float32Array.from(NEUTRAL_FACE));
    expect(() => effectSchema.parse(effect)).not.toThrow();
  });
  test('stands just below, beside the others of its face, and is undone in one step', () => {
    expect(shapesBeside(effect, effect.objects[A]!).map((m) => m.id)).toEqual([A, B]);
    expect(applyPatch(effect, inverse)).toEqual(before);
  });
  test('several mix: half of one and half of another are both halves', () => {
    const two = effectWith(
      morph(A, { sliders: { chin: 1 }, amount: 0.5 }),
      morph(B, { sliders: { eyes: 1 }, amount: 0.5, order: 1 }),
    );
    const one = effectWith(morph(A, { sliders: { chin: 0.5, eyes: 0.5 } }));
    faceOf(two).forEach((x, i) => expect(x).toBeCloseTo(faceOf(one)[i]!, 5));
  });
  test('nothing is kept where nothing is shaped', () => {
    const plain = effectWith(morph(A, {}));
    expect(hasShape(plain.objects[A] as Morph)).toBe(false);
    expect(changed(plain, keepShape(plain, A, B))).toBe(plain);
  });
});

describe('a cue to a shape', () => {
  const effect = effectWith(
    morph(A, { name: 'Long chin', sliders: { chin: 1 }, amount: 0 }),
    morph(B, { name: 'Wide eyes', sliders: { eyes: 1 }, order: 1 }),
    { ...newMorph('obj_other' as ObjectId, 2, 2), name: 'On another face' },
  );
  const cue = 'cue_toShape' as CueId;
  const after = changed(effect, cueToShape(effect, A, cue, newId));

  test('brings it to its full strength and the others of the face to none', () => {
    expect(after.cues[cue]!.name).toBe('To Long chin');
    expect(after.cues[cue]!.beats[0]!.actions).toMatchObject([
      { kind: 'number', property: 'amount', targets: [A], mode: 'to', value: 1 },
      { kind: 'number', property: 'amount', targets: [B], mode: 'to', value: 0 },
    ]);
    expect(() => effectSchema.parse(after)).not.toThrow();
  });
  test('begins from the face without it, as the shape that it was; what is empty is no shape to go out of', () => {
    const strong = effectWith(
      morph(A, { sliders: { chin: 1 }, amount: 0.6 }),
      morph(B, { amount: 1, order: 1 }),
    );
    const cued = changed(strong, cueToShape(strong, A, cue, newId));
    expect(cued.objects[A]).toMatchObject({ amount: 0 });
    expect(cued.cues[cue]!.beats[0]!.actions).toMatchObject([{ targets: [A], value: 0.6 }]);
    expect(cued.cues[cue]!.beats[0]!.actions).toHaveLength(1);
  });
  test('a shape that a cue takes the face out of is there before', () => {
    const back = changed(after, cueToShape(after, B, 'cue_back' as CueId, newId));
    expect(back.objects[B]).toMatchObject({ amount: 1 });
  });
  test('gets a name of its own, and none is added to a full sheet', () => {
    const again = changed(after, cueToShape(after, A, 'cue_again' as CueId, newId));
    expect(again.cues['cue_again' as CueId]!.name).toBe('To Long chin 2');
    const cues = Object.fromEntries(
      Array.from({ length: MOST_CUES }, (_, i) => {
        const id = `cue_full${1000 + i}` as CueId;
        return [id, newCue(id, 'screenTapped', i, [])];
      }),
    );
    const full = { ...effect, cues };
    expect(() => changed(full, cueToShape(full, A, cue, newId))).toThrow(/Delete some first/);
  });
});

test('a mirror of what a slider does is what it does the other way', () => {
  const [to, back] = [1, -1].map((amount) => faceOf(effectWith(morph(A, { sliders: { chin: 1 }, amount }))));
  const own = morphed(Float32Array.from(NEUTRAL_FACE), new Float32Array(468 * 3));
  to!.forEach((x, i) => expect(x - own[i]!).toBeCloseTo(own[i]! - back![i]!, 5));
});
