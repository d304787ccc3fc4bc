import { expect, test } from '@jest/globals';
import { blankEffect } from '../../core/document/defaults';
import { sampleAsset } from '../../core/document/sample';
import { sampleModel } from '../../core/document/sample-assets';
import type { Anchor, PictureAsset } from '../../core/document/schema';
import { headAnchor, onWholeFace } from '../../core/kinds/objects/placed';
import { objectsFor } from './placing';

const effect = blankEffect('Placing');
const square: PictureAsset = { ...sampleAsset(1), width: 512, height: 512 };
const wide: PictureAsset = { ...sampleAsset(2), width: 512, height: 300 };
const made = (asset: Parameters<typeof objectsFor>[1], anchor: Anchor) =>
  objectsFor(effect, asset, { anchor, at: null, scene: null })[0]!;

test('a square picture for the skin as a whole is make-up that leaves eyes and mouth free', () => {
  expect(made(square, onWholeFace(2))).toMatchObject({
    kind: 'layer',
    region: 'face',
    asset: square.id,
    anchor: onWholeFace(2),
    coversEyes: false,
    coversMouth: false,
  });
});

test('any other shape, or a spot of the skin, or the head: a card that sticks there', () => {
  expect(made(wide, onWholeFace(1))).toMatchObject({
    kind: 'card',
    anchor: { kind: 'skin', spot: [0.5, 0.55] },
  });
  const cheek: Anchor = { kind: 'skin', face: 1, spot: [0.3, 0.6] };
  expect(made(square, cheek)).toMatchObject({ kind: 'card', anchor: cheek });
  expect(made(square, headAnchor('chin'))).toMatchObject({ kind: 'card', anchor: headAnchor('forehead') });
});

test('a model for the skin as a whole sticks to the nose', () => {
  expect(made(sampleModel(1), onWholeFace(1))).toMatchObject({
    kind: 'model',
    anchor: { kind: 'skin', spot: [0.5, 0.55] },
  });
});
