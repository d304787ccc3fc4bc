import { describe, expect, test } from '@jest/globals';
import { compile } from '../program/program';
import { blankEffect } from '../document/defaults';
import { newMorph } from '../kinds/objects/morph';
import { newCard } from '../kinds/objects/card';
import { newGroup } from '../kinds/objects/group';
import { sampleAsset } from '../document/sample';
import { headAnchor } from '../kinds/objects/placed';
import type { Effect, EffectObject, ObjectId } from '../document/schema';
import { sliderMoves } from '../face/morph/moves';
import { pointAt } from '../maths/vec3';
import { placesOf } from './places';
import { reshaped } from './reshape';
import { restHere, restState } from './rest';

const id = (name: string) => `obj_${name}` as ObjectId;
const effectOf = (...objects: EffectObject[]): Effect => ({
  ...blankEffect('Morph'),
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
});
const chin = { ...newMorph(id('chin'), 0), sliders: { chin: 1 } as const };
/** How far the chin of the first face has gone, as a share of all that the slider does. */
const gone = (...objects: EffectObject[]): number => {
  const program = compile(effectOf(...objects));
  const here = restHere(program);
  const visible = (i: number): boolean => program.objects[i]!.visible;
  const rest = restState(program);
  const state = { ...rest, values: (i: number) => ({ ...rest.values(i), visible: visible(i) }) };
  const after = reshaped(program, state, here).frame.faces[0]!;
  const before = here.frame.faces[0]!;
  return (
    (pointAt(after.landmarks, 152)[1] - pointAt(before.landmarks, 152)[1]) / sliderMoves('chin')[3 * 152 + 1]!
  );
};

describe('faces that morphs reshape', () => {
  test('by amount and strength, several added up', () => {
    expect(gone(chin)).toBeCloseTo(1, 1);
    expect(gone({ ...chin, amount: -1 }) / gone(chin)).toBeCloseTo(-1, 4);
    expect(gone({ ...chin, amount: 2, opacity: 0.25 }) / gone(chin)).toBeCloseTo(0.5, 4);
    expect(gone(chin, { ...chin, id: id('more'), order: 1, amount: 0.5 }) / gone(chin)).toBeCloseTo(1.5, 4);
  });

  test('not by hidden ones, nor those of another face, nor those in a group that is hidden or has faded', () => {
    expect(gone({ ...chin, visible: false })).toBeCloseTo(0, 9);
    expect(gone({ ...chin, anchor: { kind: 'skin', face: 2, spot: [0.5, 0.5] } })).toBeCloseTo(0, 9);
    const group = newGroup(id('group'), 'Group', 0, chin.anchor);
    const inside = { ...chin, parent: group.id };
    expect(gone({ ...group, visible: false }, inside)).toBeCloseTo(0, 9);
    expect(gone({ ...group, opacity: 0.5 }, inside) / gone(chin)).toBeCloseTo(0.5, 4);
  });

  test('keep their own landmarks beside the new ones; without morphs nothing is copied', () => {
    const program = compile(effectOf(chin));
    const here = restHere(program);
    const after = reshaped(program, restState(program), here).frame.faces[0]!;
    expect(after.unmorphed).toBe(here.frame.faces[0]!.landmarks);
    const plain = compile(effectOf({ ...chin, sliders: {} }));
    expect(reshaped(plain, restState(plain), here)).toBe(here);
  });

  test('carry what sticks to them, which does not grow with the face', () => {
    const asset = sampleAsset(1);
    const card = { ...newCard(id('card'), asset, 0, headAnchor('chin')), anchor: headAnchor('chin') };
    const at = (...objects: EffectObject[]) => {
      const program = compile(effectOf(card, ...objects));
      const state = restState(program);
      const places = placesOf(program, state, reshaped(program, state, restHere(program)));
      return places[program.indexOf.get(card.id)!]!.places[0]!.matrix;
    };
    const [plain, moved] = [at(), at(chin)];
    expect(moved[13]! - plain[13]!).toBeLessThan(-0.003);
    const wide = at({ ...chin, sliders: { width: 1 } });
    expect(wide[0]).toBeCloseTo(plain[0]!, 6);
  });
});
