import { describe, expect, test } from '@jest/globals';
import { applyEdit } from '../../document/edit';
import { newFountain } from '../../kinds/objects/fountain';
import { newSolid } from '../../kinds/objects/solid';
import { newTarget } from '../../document/defaults';
import {
  cueSchema,
  type Anchor,
  type EffectObject,
  type ObjectId,
  type TargetId,
} from '../../document/schema';
import { isNote, standingReasons } from '../explain';
import { compile } from '../../program/program';
import { Runtime } from '../runtime';
import { CARD, card, effectOf, faceWith, pass, STILL, TAP } from '../testing';
import { addRecipe, cueOfRecipe, findRecipes, recipeName, RECIPES } from './recipes';
import { RESPONSE_HALF_NAMES, responseSuits } from './response-halves';
import { TRIGGER_HALF_NAMES, TRIGGER_HALVES } from './trigger-halves';

const ids = () => {
  let n = 0;
  return (prefix: string): string => `${prefix}_made${n++}`;
};
const fountain: EffectObject = { ...newFountain(CARD, 0, { kind: 'screen', pin: 'centre' }), runs: false };
const solid: EffectObject = newSolid(CARD, 'box', 0, { kind: 'screen', pin: 'centre' });
const suited = (then: (typeof RESPONSE_HALF_NAMES)[number]): EffectObject =>
  responseSuits(then, fountain) ? fountain : responseSuits(then, solid) ? solid : card();
const TIDE = newTarget('target_tide' as TargetId, 'Tide card', 0, null);
const ON_CARD: Anchor = { kind: 'picture', target: TIDE.id };
const added = (recipe: Parameters<typeof addRecipe>[1], object: EffectObject) => {
  const before = { ...effectOf([], [object]), targets: { [TIDE.id]: TIDE } };
  return applyEdit(before, addRecipe(before, recipe, [CARD], ids())).effect;
};

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
      const about = TRIGGER_HALVES[recipe.when].when.some((t) => t === 'pictureFound');
      const effect = added(recipe, about ? { ...suited(recipe.then), anchor: ON_CARD } : suited(recipe.then));
      const [cue] = Object.values(effect.cues);
      expect(standingReasons(effect, cue!).filter((r) => !isNote(r))).toEqual([]);
    }
  });
  test('found by what a creator calls them', () => {
    const first = (text: string) => recipeName(findRecipes(text, card())[0]!);
    expect(first('hide')).toBe('Hide on a tap on it');
    expect(first('printed picture is found')).toBe('Show while the printed picture is seen');
    expect(first('floor is found')).toBe('Pop in with overshoot when the floor is found');
  });
  test('about what the object sticks to: its printed picture, its surface', () => {
    const cueOf = (when: 'pictureFound' | 'surfaceFound', anchor: Anchor) =>
      cueOfRecipe({ when, then: 'show' }, { ...card(), anchor }, 'cue_made' as never, 0, ids()).triggers[0];
    expect(cueOf('pictureFound', ON_CARD)).toEqual({ kind: 'picture', target: TIDE.id, when: 'found' });
    expect(cueOf('surfaceFound', { kind: 'world', surface: 'table' })).toMatchObject({ surface: 'table' });
  });
  test('a flat badge turns like a wheel, a solid about its upright axis', () => {
    const by = (object: EffectObject) =>
      cueOfRecipe({ when: 'start', then: 'spin' }, object, 'cue_made' as never, 0, ids()).beats[0]!
        .actions[0];
    expect(by(card())).toMatchObject({ kind: 'turn', by: [0, 0, 360], repeat: 0 });
    expect(by(solid)).toMatchObject({ kind: 'turn', by: [0, 360, 0], repeat: 0 });
  });
  test('the cue is called after what sets it off, also when that is changed', () => {
    const effect = added({ when: 'tap', then: 'hide' }, card());
    expect(Object.values(effect.cues)[0]!.name).toBe('');
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
  test('a sequence that is turned by taps stands until it is tapped', () => {
    const before = effectOf([], [card()]);
    const { effect } = applyEdit(
      before,
      addRecipe(before, { when: 'tap', then: 'nextPicture' }, [CARD], ids()),
    );
    expect(effect.objects[CARD]).toMatchObject({ runs: false });
  });
  test('one cue for several: a tap on any of them hides all', () => {
    const other = 'obj_other' as ObjectId;
    const before = effectOf([], [card(), card(other)]);
    const { effect } = applyEdit(
      before,
      addRecipe(before, { when: 'tapIt', then: 'hide' }, [CARD, other], ids()),
    );
    const [cue, ...more] = Object.values(effect.cues);
    expect(more).toEqual([]);
    expect(cue!.triggers.map((t) => 'object' in t && t.object)).toEqual([CARD, other]);
    expect(cue!.beats[0]!.actions[0]!.targets).toEqual([CARD, other]);
  });
  test('an object that is not there adds nothing', () => {
    const effect = effectOf([]);
    const { forward } = applyEdit(effect, addRecipe(effect, RECIPES[0]!, ['obj_gone' as ObjectId], ids()));
    expect(forward).toEqual([]);
  });
});
