/** What is offered for a picture that landed on the skin. */
import { beforeEach, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { blankEffect, newPicture } from '../../core/document/defaults';
import { newCard } from '../../core/kinds/objects/card';
import { newPictureLayer } from '../../core/kinds/objects/layer';
import { onWholeFace } from '../../core/kinds/objects/placed';
import type { Anchor, AssetId, EffectObject, ObjectId } from '../../core/document/schema';
import { blankRecord, pretendBrowser } from '../stores/testing';

pretendBrowser();
const { useEffectStore } = await import('../stores/effect');
const { skinChoice } = await import('./skin-choice');

const file = { sha256: '1'.padStart(64, '0'), mime: 'image/png' as const, bytes: 9 };
const KELP = newPicture('asset_kelp' as AssetId, 'kelp.png', file, 100, 100);
const ID = 'obj_kelp' as ObjectId;
const begin = (object: EffectObject): void =>
  void useEffectStore().begin(
    blankRecord({ ...blankEffect(''), assets: { [KELP.id]: KELP }, objects: { [ID]: object } }),
  );
const card = (anchor: Anchor): EffectObject => newCard(ID, KELP, 0, anchor);
const now = (): EffectObject => useEffectStore().effect.objects[ID]!;
beforeEach(() => void setActivePinia(createPinia()));

test('make-up over the whole face may be a card on a spot instead, and back', () => {
  begin(newPictureLayer(ID, KELP, 0, 2));
  const choice = skinChoice(KELP.id)!;
  expect(choice.is).toBe('kelp lies over the whole face, as make-up.');
  choice.become();
  expect(now()).toMatchObject({ kind: 'card', anchor: { kind: 'skin', face: 2 } });
  const back = skinChoice(KELP.id)!;
  expect(back.is).toBe('kelp sticks to a spot of the skin.');
  back.become();
  expect(now()).toMatchObject({ kind: 'layer', asset: KELP.id, anchor: { face: 2 } });
  useEffectStore().undo();
  expect(now().kind).toBe('card');
});
test('nothing is asked about what does not lie on skin, or stands nowhere', () => {
  begin(card({ kind: 'screen', pin: 'centre' }));
  expect(skinChoice(KELP.id)).toBeNull();
  expect(skinChoice('asset_other' as AssetId)).toBeNull();
  begin(card(onWholeFace(1)));
  expect(skinChoice(KELP.id)).not.toBeNull();
  // One that stands elsewhere as well, and comes first, hides it not.
  const other = 'obj_also' as ObjectId;
  const first = { ...newCard(other, KELP, -1, { kind: 'screen', pin: 'centre' }), name: 'also' };
  void useEffectStore().begin(
    blankRecord({
      ...blankEffect(''),
      assets: { [KELP.id]: KELP },
      objects: { [other]: first, [ID]: card(onWholeFace(1)) },
    }),
  );
  expect(skinChoice(KELP.id)?.is).toMatch(/^kelp sticks/);
});
