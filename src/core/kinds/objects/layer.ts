/** A face layer: colour or a picture on the skin, by the face layout. */
import { z } from 'zod';
import type { FaceChoice } from '../../schema/anchor-schema';
import { assetIdSchema, type PictureAsset } from '../../schema/asset-schema';
import { materialIdSchema } from '../../schema/material-schema';
import { blendSchema, startDelay, type ObjectId } from '../../schema/placed-schema';
import { choice, colour, number, share, yesNo } from '../../schema/properties';
import { FACE_REGIONS } from '../../face/region-names';
import type { Finish } from './finish';
import { defineObject } from './object-kind';
import { LEFT_OUT_AS_ADDED, leftOut, onFace } from './on-face';
import { objectNameFor, onWholeFace, placed } from './placed';

export const FINISH_WORDS: Readonly<Record<Finish, string>> = {
  painted: 'As painted',
  matte: 'Matte',
  satin: 'Satin',
  gloss: 'Gloss',
  metallic: 'Metallic',
  shimmer: 'Shimmer',
};

export const layer = defineObject({
  kind: 'layer',
  fields: {
    region: z.enum(FACE_REGIONS),
    /** A painted mask instead of the region's own: light where the layer is, by its grey and its transparency. */
    mask: assetIdSchema.nullable(),
    /** Factor on the softness that the region's edge usually has; 0 is hard. */
    softness: number({ name: 'Soft edge', low: 0, high: 4, unit: 'percent', driven: true }),
    /** Picture, sequence or video over the whole layout; null is plain colour, the tint. */
    asset: assetIdSchema.nullable(),
    /** With one, it has its colour, its relief and its shine; the picture lies on it where it has no base picture of its own. */
    material: materialIdSchema.nullable(),
    startDelay,
    opacity: share('Opacity'),
    tint: colour('Tint'),
    blend: blendSchema,
    finish: choice('Finish', FINISH_WORDS),
    shine: share('Strength of the finish', { short: 'Strength' }),
    /** It goes over the eyes, over the inside of the mouth; else it leaves them out. */
    coversEyes: yesNo('Over the eyes', { help: 'Off, it leaves the eyes out as they open and close' }),
    coversMouth: yesNo('Over the mouth', { help: 'Off, it leaves the inside of the mouth out' }),
    ...leftOut,
  },
  ...onFace,
  shows: ['picture', 'sequence', 'video'],
  isShowing: true,
  rests: 'inSkin',
});
export type Layer = z.infer<typeof layer.schema>;

/** What a layer is made from. */
export type LayerOf = Partial<
  Omit<z.infer<z.ZodObject<(typeof layer)['fields']>>, 'maskedBy'> & Pick<Layer, 'name'>
>;

/** A face layer: plain colour on a region, unless `of` says more. A picture lies over the whole face. */
export const newLayer = (id: ObjectId, of: LayerOf, order: number, face: FaceChoice = 1): Layer => {
  const region = of.region ?? 'face';
  const whole = region === 'face';
  return {
    ...placed(id, of.name ?? 'Layer', order, onWholeFace(face)),
    kind: 'layer',
    region,
    mask: null,
    softness: whole ? 0 : 1,
    asset: null,
    material: null,
    startDelay: 0,
    opacity: 1,
    tint: '#ffffff',
    blend: 'normal',
    finish: 'painted',
    shine: 1,
    ...LEFT_OUT_AS_ADDED,
    coversEyes: false,
    coversMouth: false,
    ...of,
  };
};

/** A picture over the whole face, by the face layout. */
export const newPictureLayer = (
  id: ObjectId,
  asset: Pick<PictureAsset, 'id' | 'name'>,
  order: number,
  face: FaceChoice = 1,
): Layer => newLayer(id, { asset: asset.id, name: objectNameFor(asset, 'Layer') }, order, face);
