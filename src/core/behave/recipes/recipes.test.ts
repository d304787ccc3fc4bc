import { describe, expect, test } from '@jest/globals';
import { applyEdit } from '../../document/edit';
import { newFountain } from '../../kinds/objects/fountain';
import { newSolid } from '../../kinds/objects/solid';
import { cueSchema, type EffectObject, type ObjectId } from '../../document/schema';
import { isNote, standingReasons } from '../explain';
import { compile } from '../../program/program';
import { Runtime } from '../runtime';
import { CARD, card, effectOf, faceWith, pass, STILL, TAP } from '../testing';
import { addRecipe, cueOfRecipe, findRecipes, recipeName, RECIPES } from './recipes';
import { RESPONSE_HALF_NAMES, responseSuits } from './response-halves';
import { TRIGGER_HALF_NAMES } from './trigger-halves';

const ids = () => {
  let n = 0;
  return (prefix: string): string => `${prefix}_made${n++}`;
};
const fountain: EffectObject = { ...newFountain(CARD, 0, { kind: 'screen', pin: 'centre' }), runs: false };
const solid: EffectObject = newSolid(CARD, 'box', 0, { kind: 'screen', pin: 'centre' });
const suited = (then: (typeof RESPONSE_HALF_NAMES)[number]): EffectObject =>
  responseSuits(then, fountain) ? fountain : responseSuits(then, solid) ? solid : card();
const added = (recipe: Parameters<typeof addRecipe>[1], object: EffectObject) =>
  applyEdit(effectOf([], [object]), addRecipe(effectOf([], [object]), recipe, CARD, ids())).effect;

describe('ready-made cues', () => {
  test('forty at least, each of another name, found by its words from an object it suits', () => {
    expect(RECIPES.length).toBeGreaterThanOrEqual(40);
    expect(new Set(RECIPES.map(recipeName)).size).toBe(RECIPES.length);
    for (const recipe of RECIPES)
      expect(findRecipes(recipeName(recipe), suited(recipe.then))).toContain(recipe);
    expect(findRecipes('bubbles kiss', fountain).map(recipeName)).toEqual(['Burst on a pucker']);
    expect(findRecipes('burst', card())).toEqual([]);
    expect(findRecipes('orbit head', card()).map((r) => r.then)).toEqual(['circle']);
  });
  test.each(TRIGGER_HALF_NAMES.flatMap((when) => RESPONSE_HALF_NAMES.map((then) => [when, then] as const)))(
    'any two halves make a cue of the document: %s, %s',
    (when, then) => {
      const cue = cueOfRecipe({ when, then }, suited(then), 'cue_made' as never, 0, ids());
      expect(cueSchema.safeParse(cue).error).toBeUndefined();
      expect(cue.triggers.length).toBeGreaterThan(0);
    },
  );
  test('as they are added nothing stands against them but what is only worth knowing', () => {
    for (const recipe of RECIPES) {
      // A plain card has no pictures to turn and nothing to play.
      if (recipe.then === 'nextPicture' || recipe.then === 'playOnce') continue;
      const effect = added(recipe, suited(recipe.then));
      const [cue] = Object.values(effect.cues);
      expect(standingReasons(effect, cue!).filter((r) => !isNote(r))).toEqual([]);
    }
  });
  test('show while the mouth is open: hidden at first, and again when it closes', () => {
    const effect = added({ when: 'whileMouthOpen', then: 'show' }, card());
    expect(effect.objects[CARD]!.visible).toBe(false);
    const runtime = new Runtime(compile(effect));
    const seen = [0, 1, 1, 0].map((jawOpen) => {
      runtime.step(faceWith({ jawOpen }));
      return runtime.values(0).visible;
    });
    expect(seen).toEqual([false, true, true, false]);
  });
  test("one recipe's trigger joined to another's response: bursts on a tap on the screen", () => {
    const runtime = new Runtime(compile(added({ when: 'tap', then: 'burst' }, fountain)));
    pass(runtime, 0.5);
    expect(runtime.particlesOf(0)!.count).toBe(0);
    runtime.step(STILL, TAP);
    expect(runtime.particlesOf(0)!.count).toBe(40);
  });
  test('pops in with overshoot: from nothing, beyond its size, to its size', () => {
    const runtime = new Runtime(compile(added({ when: 'start', then: 'popIn' }, card())));
    const sizes = Array.from({ length: 40 }, () => pass(runtime, 1 / 60).scale[0]);
    expect(sizes[0]).toBeLessThan(0.2);
    expect(Math.max(...sizes)).toBeGreaterThan(1.03);
    expect(sizes.at(-1)).toBe(1);
  });
  test('an object that is not there adds nothing', () => {
    const effect = effectOf([]);
    const { forward } = applyEdit(effect, addRecipe(effect, RECIPES[0]!, 'obj_gone' as ObjectId, ids()));
    expect(forward).toEqual([]);
  });
});
