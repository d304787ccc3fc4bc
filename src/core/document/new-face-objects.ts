/** New things on a face: layers, irises, lashes, hair colour, retouch, as they are before a creator changes anything. */
import { objectNameFor, placed } from './new-objects';
import type {
  Anchor,
  FaceChoice,
  Hair,
  Iris,
  Lashes,
  Layer,
  Morph,
  ObjectId,
  PictureAsset,
  Retouch,
} from './schema';

/** What a layer is made from. */
export type LayerOf = Partial<
  Pick<
    Layer,
    | 'name'
    | 'region'
    | 'mask'
    | 'softness'
    | 'asset'
    | 'startDelay'
    | 'opacity'
    | 'tint'
    | 'blend'
    | 'finish'
    | 'shine'
    | 'maskedOut'
    | 'coversEyes'
    | 'coversMouth'
    | 'givesWay'
  >
>;

/** A face layer: plain colour on a region, unless `of` says more. A picture lies over the whole face. */
export const newLayer = (id: ObjectId, of: LayerOf, order: number, face: FaceChoice = 1): Layer => {
  const region = of.region ?? 'face';
  const whole = region === 'face';
  return {
    ...placed(id, of.name ?? 'Layer', order, { kind: 'skin', face, spot: [0.5, 0.5] }),
    kind: 'layer',
    region,
    mask: null,
    softness: whole ? 0 : 1,
    asset: null,
    startDelay: 0,
    opacity: 1,
    tint: '#ffffff',
    blend: 'normal',
    finish: 'painted',
    shine: 1,
    maskedBy: null,
    maskedOut: false,
    coversEyes: whole,
    coversMouth: whole,
    givesWay: true,
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

const onFace = (face: FaceChoice): Anchor => ({ kind: 'skin', face, spot: [0.5, 0.5] });

export const newIris = (id: ObjectId, order: number, face: FaceChoice = 1): Iris => ({
  ...placed(id, 'Iris', order, onFace(face)),
  kind: 'iris',
  eyes: 'both',
  asset: null,
  tint: '#2f7f78',
  opacity: 0.85,
  pupil: 0.36,
  glint: 0.6,
});

export const newLashes = (id: ObjectId, order: number, face: FaceChoice = 1): Lashes => ({
  ...placed(id, 'Lashes', order, onFace(face)),
  kind: 'lashes',
  eyes: 'both',
  tint: '#17130f',
  opacity: 0.95,
  length: 1,
  curl: 55,
  density: 1,
  lower: false,
});

export const newHair = (id: ObjectId, order: number, face: FaceChoice = 1): Hair => ({
  ...placed(id, 'Hair colour', order, onFace(face)),
  kind: 'hair',
  tint: '#a0473a',
  opacity: 0.8,
  roots: 0.25,
});

export const newRetouch = (id: ObjectId, order: number, face: FaceChoice = 1): Retouch => ({
  ...placed(id, 'Retouch', order, onFace(face)),
  kind: 'retouch',
  opacity: 1,
  smooth: { on: true, strength: 0.5, detail: 0.35 },
  underEyes: { on: true, amount: 0.35 },
  eyes: { on: true, amount: 0.3 },
  teeth: { on: true, amount: 0.3 },
});

export const newMorph = (id: ObjectId, order: number, face: FaceChoice = 1): Morph => ({
  ...placed(id, 'Face morph', order, onFace(face)),
  kind: 'morph',
  opacity: 1,
  amount: 1,
  sliders: {},
  mesh: null,
  regions: [],
  fade: 0.06,
});
