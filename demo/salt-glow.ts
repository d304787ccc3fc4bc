/** Salt Glow: a make-up look from Low Tide Nights. Skin as after a day by the sea, salt on lids and cheeks. */
import { blankEffect } from '../src/core/document/defaults';
import { newLashes } from '../src/core/kinds/objects/lashes';
import { newLayer, newPictureLayer, type LayerOf } from '../src/core/kinds/objects/layer';
import { newRetouch } from '../src/core/kinds/objects/retouch';
import type { Effect, EffectObject, Layer, ObjectId, PictureAsset } from '../src/core/document/schema';
import { KIT } from '../src/core/makeup/kit';

export interface SaltAssets {
  readonly crystals: PictureAsset;
  readonly freckles: PictureAsset;
  readonly icon: PictureAsset;
}

const id = (name: string): ObjectId => `obj_salt-${name}` as ObjectId;

export const saltGlow = (assets: SaltAssets): Effect => {
  const { crystals, freckles, icon } = assets;
  /** A piece of the kit in other colours. */
  const piece = (key: string, change: LayerOf): Layer =>
    newLayer(id(key), { ...KIT.find((p) => p.id === key)!.layer, ...change }, 0);
  /** A picture of the stock over the whole face, eyes and mouth left out. */
  const strewn = (key: string, asset: PictureAsset, change: Partial<Layer>): Layer => ({
    ...newPictureLayer(id(key), asset, 0),
    ...change,
  });
  const objects: readonly EffectObject[] = [
    { ...newLashes(id('lashes'), 0), length: 0.9, density: 0.9, opacity: 0.85 },
    piece('lipGloss', { tint: '#c0655a', opacity: 0.42, shine: 0.7 }),
    piece('liner', { tint: '#2a4a55', opacity: 0.7 }),
    strewn('crystals', crystals, {
      name: 'Salt crystals',
      tint: '#f4fbff',
      opacity: 0.5,
      blend: 'screen',
      finish: 'shimmer',
    }),
    piece('shimmer', { name: 'Salt on the lids', tint: '#9fc4c4', opacity: 0.55 }),
    piece('crease', { tint: '#3f6f72', opacity: 0.34 }),
    piece('brows', { opacity: 0.22 }),
    piece('highlight', { tint: '#e9f2f4', opacity: 0.14 }),
    piece('bridge', { tint: '#fff1df', opacity: 0.08 }),
    strewn('freckles', freckles, { name: 'Freckles', tint: '#7a4a32', opacity: 0.32, blend: 'multiply' }),
    piece('blush', { tint: '#d27a62', opacity: 0.24 }),
    piece('sun', { tint: '#b8744c', opacity: 0.12 }),
    {
      ...newRetouch(id('retouch'), 0),
      smooth: { on: true, strength: 0.35, detail: 0.5 },
      underEyes: { on: true, amount: 0.3 },
      eyes: { on: true, amount: 0.2 },
      teeth: { on: true, amount: 0.2 },
    },
  ];
  return {
    ...blankEffect('Salt Glow'),
    objects: Object.fromEntries(objects.map((o, order) => [o.id, { ...o, order }])),
    assets: { [crystals.id]: crystals, [freckles.id]: freckles, [icon.id]: icon },
    listing: {
      summary: 'Skin as after a day by the sea, with salt on lids and cheeks. A look from Low Tide Nights.',
      tags: ['make-up', 'glow', 'low tide nights'],
      icon: icon.id,
    },
  };
};
