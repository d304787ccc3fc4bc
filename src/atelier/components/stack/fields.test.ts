/**
 * The Stack's fields of every kind of object, gone through as a creator would.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, describe, expect, test } from '@jest/globals';
import { computed, defineComponent, h } from 'vue';
import { CUTOUT_PARTS } from '../../../core/face/cutout-parts';
import { blankEffect } from '../../../core/document/defaults';
import { newCutout } from '../../../core/kinds/objects/cutout';
import { newCard } from '../../../core/kinds/objects/card';
import { newFill } from '../../../core/kinds/objects/fill';
import { newFountain } from '../../../core/kinds/objects/fountain';
import { newGroup } from '../../../core/kinds/objects/group';
import { newHair } from '../../../core/kinds/objects/hair';
import { newIris } from '../../../core/kinds/objects/iris';
import { newLashes } from '../../../core/kinds/objects/lashes';
import { newLayer } from '../../../core/kinds/objects/layer';
import { newLight } from '../../../core/kinds/objects/light';
import { newModel } from '../../../core/kinds/objects/model';
import { newMorph } from '../../../core/kinds/objects/morph';
import { newOccluder } from '../../../core/kinds/objects/occluder';
import { FOREHEAD } from '../../../core/kinds/objects/placed';
import { newPart } from '../../../core/kinds/objects/part';
import { newRetouch } from '../../../core/kinds/objects/retouch';
import { newShadowCatcher } from '../../../core/kinds/objects/shadow-catcher';
import { newSound } from '../../../core/kinds/objects/sound';
import { newSolid } from '../../../core/kinds/objects/solid';
import { newText } from '../../../core/kinds/objects/text';
import { sampleModel, sampleSequence } from '../../../core/document/sample-assets';
import { sampleAsset } from '../../../core/document/sample';
import { type Asset, type Effect, type EffectObject, type ObjectId } from '../../../core/document/schema';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { mounted, openEffect, proveFields } from '../testing';
import BehaveFields from './BehaveFields.vue';
import PlaceFields from './PlaceFields.vue';
import StyleFields from './StyleFields.vue';

const ID = 'obj_first' as ObjectId;
const [picture, model, sequence] = [sampleAsset(1), sampleModel(2), sampleSequence(3)];
const ASSETS: readonly Asset[] = [picture, sampleAsset(4), model, sequence];

/** The model that a part is of. */
const SHELL = newModel('obj_shell' as ObjectId, model, 1);
/** One of each kind, as it is made. */
const OBJECTS: Readonly<Record<string, EffectObject>> = {
  'a card': newCard(ID, picture, 0),
  'a card that runs': newCard(ID, sequence, 0),
  'a model': newModel(ID, model, 0),
  'a part': newPart(ID, SHELL, 1, model.tree!, 0),
  'a group': newGroup(ID, 'Group', 0),
  'an occluder': newOccluder(ID, 0),
  'a sound': newSound(ID, null, 0, FOREHEAD),
  'a text': newText(ID, 'Low tide tonight', 0, FOREHEAD),
  'a shadow catcher': newShadowCatcher(ID, 0, FOREHEAD),
  'a fill': newFill(ID, 0, { kind: 'screen', pin: 'centre' }),
  'a fountain': newFountain(ID, 0, FOREHEAD),
  'a cutout': newCutout(ID, CUTOUT_PARTS[0]!, 0, FOREHEAD),
  'a layer': newLayer(ID, { region: 'lips' }, 0),
  'an iris': newIris(ID, 0),
  lashes: newLashes(ID, 0),
  hair: newHair(ID, 0),
  retouch: newRetouch(ID, 0),
  'a morph': newMorph(ID, 0),
  // All shapes have the same fields, but that flat ones have no depth.
  ...Object.fromEntries(
    (['box', 'plane'] as const).map((shape) => [`a solid ${shape}`, newSolid(ID, shape, 0, FOREHEAD)]),
  ),
  ...Object.fromEntries(
    (['ambient', 'directional', 'point', 'surroundings'] as const).map((kind) => [
      `a light, ${kind}`,
      newLight(ID, kind, 0, FOREHEAD),
    ]),
  ),
};

const withObject = (object: EffectObject): Effect => {
  const effect = blankEffect('Fields');
  return {
    ...effect,
    assets: { ...effect.assets, ...Object.fromEntries(ASSETS.map((a) => [a.id, a])) },
    objects: { ...effect.objects, [ID]: object, ...(object.kind === 'part' ? { [SHELL.id]: SHELL } : {}) },
  };
};
/** The fields follow the document, as they do in the Stack. */
const fieldsOf = (fields: typeof PlaceFields) =>
  defineComponent(() => {
    const object = computed(() => useEffectStore().effect.objects[ID]!);
    return () => h(fields as never, { object: object.value });
  });

afterEach(() => useEffectStore().close());

describe.each(Object.entries(OBJECTS))('of %s', (_name, object) => {
  test.each([
    ['Place', PlaceFields],
    ['Style', StyleFields],
    ['Behave', BehaveFields],
  ] as const)('in %s: what is set is kept, shown, valid, and undone in one step', async (stage, fields) => {
    openEffect(withObject(object));
    useDeskStore().selected = ID;
    const asked = await proveFields(() => mounted(fieldsOf(fields as never)));
    const all = [...asked.numbers, ...asked.choices, ...asked.colours];
    expect(all.filter((name) => !name)).toEqual([]);
    expect(all.filter((name, i) => all.indexOf(name) !== i)).toEqual([]);
    if (stage === 'Place' && object.kind === 'sound')
      expect(all.filter((name) => /size|width/i.test(name))).toEqual([]);
    if (stage === 'Place' && object.kind === 'card')
      expect(asked.numbers).toEqual(
        expect.arrayContaining([expect.stringMatching(/Move x, cm$/), expect.stringMatching(/Width, cm$/)]),
      );
  });
});
