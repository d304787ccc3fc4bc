/** The kinds of objects in the Stack: all of them, and what follows from their definitions. */
import type { z } from 'zod';
import type { Anchor } from '../../schema/anchor-schema';
import type { Asset, AssetId } from '../../schema/asset-schema';
import { placedSchema } from '../../schema/placed-schema';
import { namedIn } from '../../schema/references';
import { propertiesIn, type Property } from '../../schema/properties';
import { perObject } from '../../memo';
import { schemaOfKinds, type OfKinds } from '../any-kind';
import { card } from './card';
import { contactShadow } from './contact-shadow';
import { cutout } from './cutout';
import { fill } from './fill';
import { fountain } from './fountain';
import { grade } from './grade';
import { group } from './group';
import { hair } from './hair';
import { iris } from './iris';
import { lashes } from './lashes';
import { layer } from './layer';
import { light } from './light';
import { live } from './live';
import { model } from './model';
import { morph } from './morph';
import type { Assets, ObjectSpec } from './object-kind';
import { MARK } from './mark';
import { occluder } from './occluder';
import { part } from './part';
import { restOn } from './resting';
import { retouch } from './retouch';
import { shadowCatcher } from './shadow-catcher';
import { solid } from './solid';
import { sound } from './sound';
import { text } from './text';

export const OBJECT_KINDS = {
  card,
  live,
  fill,
  layer,
  iris,
  lashes,
  hair,
  retouch,
  morph,
  cutout,
  model,
  part,
  solid,
  text,
  group,
  occluder,
  shadowCatcher,
  contactShadow,
  light,
  grade,
  fountain,
  sound,
} as const;
type Kinds = typeof OBJECT_KINDS;
export type ObjectKind = keyof Kinds;
export type ObjectOf<K extends ObjectKind> = z.infer<Kinds[K]['schema']>;
export type EffectObject = OfKinds<Kinds>;
/** Objects that lie on a face as a whole. */
export type OnFace = {
  [K in ObjectKind]: Kinds[K]['onFace'] extends true ? ObjectOf<K> : never;
}[ObjectKind];

export const objectSchema = schemaOfKinds(OBJECT_KINDS);

/** What a kind is, for whoever does not care which one it is. */
export const kindOf = (object: {
  readonly kind: ObjectKind;
}): ObjectSpec<EffectObject> & { readonly kind: ObjectKind; readonly schema: z.ZodType } =>
  OBJECT_KINDS[object.kind] as never;

/** What lies on the face as a whole, by its layout and its features: it has no place of its own. */
/** Lights have to be on for it. */
export const isLit = (object: EffectObject): boolean => {
  const { drawn } = kindOf(object);
  return drawn === 'solid' || drawn === 'ground';
};
export const isOnFace = (object: EffectObject): object is OnFace => kindOf(object).onFace;
/** Whether a viewer sees the object, or what it does to the picture. */
export const isSeen = (object: EffectObject): boolean => kindOf(object).isSeen;
/** Whether an object is a place only: it has no size, and nothing hides it. */
export const isPlaceOnly = (object: EffectObject): boolean =>
  !isSeen(object) && kindOf(object).bounds(object, { assets: {}, objects: {} }) === MARK;
/** Whether anything may hang in the object. */
export const isHolder = (object: EffectObject): boolean => kindOf(object).holds !== undefined;
/** Whether the one may hang in the other. */
export const mayHangIn = (object: EffectObject, holder: EffectObject): boolean =>
  kindOf(holder).holds?.includes(kindOf(object).isPart ? 'parts' : isOnFace(object) ? 'worn' : 'things') ===
  true;
/** Whether an object may show an asset. */
export const canShow = (object: EffectObject, asset: Asset): boolean =>
  kindOf(object).shows?.includes(asset.kind) === true;

/** Every described property of an object, by its path. */
export const propertiesOf = perObject((object: EffectObject): Readonly<Record<string, Property>> =>
  propertiesIn(kindOf(object).schema, object),
);

/** Those that only its kind has. */
export const ownPropertiesOf = (object: EffectObject): Readonly<Record<string, Property>> =>
  Object.fromEntries(
    Object.entries(propertiesOf(object)).filter(([path]) => !(path.split('.')[0]! in placedSchema)),
  );

/** Assets an object names, each once; `baked` are those whose shape it has taken over. */
const assetsNamed = perObject(
  (object: EffectObject): { readonly shown: AssetId[]; readonly baked: AssetId[] } => ({
    shown: namedIn(kindOf(object).schema, object, 'assets', false) as AssetId[],
    baked: namedIn(kindOf(object).schema, object, 'assets', true) as AssetId[],
  }),
);
/** The assets an object is made of. */
export const assetsOf = (object: EffectObject): readonly AssetId[] => {
  const { shown, baked } = assetsNamed(object);
  return baked.length === 0 ? shown : [...new Set([...shown, ...baked])];
};
/** Those that it needs to be drawn. */
export const assetsNeededBy = (object: EffectObject): readonly AssetId[] => assetsNamed(object).shown;

/** Where an object comes to rest on an anchor. */
export const restingPlace = (
  object: EffectObject,
  anchor: Anchor,
  assets: Assets,
): ReturnType<typeof restOn> => {
  const { rests, ground } = kindOf(object);
  return restOn(anchor, rests, ground?.(object, assets));
};
