import { expect, test } from '@jest/globals';
import { newLayer } from '../kinds/objects/layer';
import { newSolid } from '../kinds/objects/solid';
import { blankEffect } from './defaults';
import { layerOver } from './layer-order';
import type { FaceChoice, Layer, ObjectId } from './schema';

const layer = (name: string, order: number, face: FaceChoice = 1): Layer => ({
  ...newLayer(`obj_${name}` as ObjectId, { region: 'lips', name }, order),
  anchor: { kind: 'skin', face, spot: [0.5, 0.5] },
});
test('the next one above on the same face, whatever lies between; null on top', () => {
  const [star, lips, blush, other, all] = [
    layer('star', 0),
    layer('lips', 2),
    layer('blush', 4),
    layer('other', 3, 2),
    layer('sheen', 5, 'every'),
  ] as [Layer, Layer, Layer, Layer, Layer];
  const ball = newSolid('obj_ball' as ObjectId, 'sphere', 1);
  const effect = {
    ...blankEffect('Look'),
    objects: Object.fromEntries([star, lips, blush, other, all, ball].map((o) => [o.id, o])),
  };
  expect(layerOver(effect, star)).toBeNull();
  expect(layerOver(effect, lips)?.id).toBe(star.id);
  expect(layerOver(effect, blush)?.id).toBe(lips.id);
  expect(layerOver(effect, other)).toBeNull();
  expect(layerOver(effect, all)?.id).toBe(blush.id);
});
