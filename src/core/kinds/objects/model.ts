/** A model with its materials; one of its clips may play. */
import { z } from 'zod';
import type { Anchor } from '../../schema/anchor-schema';
import { assetIdSchema, type Asset, type ModelAsset } from '../../schema/asset-schema';
import { materialIdSchema } from '../../schema/material-schema';
import { blendSchema, startDelay, type ObjectId } from '../../schema/placed-schema';
import { share } from '../../schema/properties';
import { text } from '../../schema/values-schema';
import type { Box } from '../../maths/box';
import { defineObject } from './object-kind';
import { headAnchor, objectNameFor, placed } from './placed';
import { restOn, type Ground } from './resting';
import type { FeaturePoint } from '../../face/feature-points';
import { WORN_ON, type WornAs } from '../../schema/worn-as';

/** The box around a model; null for what is none, or is not there. */
export const modelBox = (asset: Asset | undefined): Box | null =>
  asset?.kind === 'model' ? { low: asset.low, high: asset.high } : null;

/** How a model is worn: as it was fitted, or else as its shape tells; null for what is like nothing that is worn. */
export const wornAs = ({ prep, likely }: Pick<ModelAsset, 'prep' | 'likely'>): WornAs | null =>
  prep?.size.kind === 'head' ? prep.size.as : likely;

/** The point of a head that a model sticks to: where what is worn like that belongs; a crown, when nobody can say. */
export const wornPoint = (asset: Pick<ModelAsset, 'prep' | 'likely'>): FeaturePoint =>
  WORN_ON[wornAs(asset) ?? 'crown'];

/** What of a model matters for where it rests. */
const groundOf = (asset: ModelAsset): Ground => ({
  base: asset.low[1],
  worn: wornAs(asset),
  box: { low: asset.low, high: asset.high },
});

/** Materials instead of the model's own: by the number of that material in the model, or `all` for every other one. */
export const slotMaterials = z
  .record(z.string().regex(/^(all|\d{1,4})$/), materialIdSchema)
  .refine((slots) => Object.keys(slots).length <= 1000, 'At most 1000 materials.');

export const model = defineObject({
  kind: 'model',
  fields: {
    asset: assetIdSchema,
    opacity: share('Opacity'),
    blend: blendSchema,
    /** Name of the clip that plays again and again; null keeps it at rest. */
    clip: text(200).nullable(),
    startDelay,
    materials: slotMaterials,
    /** Parts that are not shown, by their place in the part tree. */
    hiddenParts: z.array(z.number().int().min(0).max(100_000)).max(2000),
  },
  isSeen: true,
  drawn: 'solid',
  drawnBy: ['models', 'surfaces'],
  isTouched: true,
  onFace: false,
  shows: ['model'],
  isShowing: true,
  holds: ['things', 'parts'],
  rests: 'model',
  ground: ({ asset }, assets) => {
    const of = assets[asset];
    return of?.kind === 'model' ? groundOf(of) : {};
  },
  bounds: ({ asset }, { assets }) => modelBox(assets[asset]),
});
export type ModelObject = z.infer<typeof model.schema>;

/**
 * A model whose origin rests where models rest on the anchor: a head piece on the crown; glasses and masks with their front on the face. Its
 * first clip plays.
 */
export const newModel = (
  id: ObjectId,
  asset: ModelAsset,
  order: number,
  anchor: Anchor = headAnchor('crown'),
): ModelObject => ({
  ...placed(id, objectNameFor(asset, 'Model'), order, anchor),
  kind: 'model',
  materials: {},
  ...restOn(anchor, model.rests, groundOf(asset)),
  depthWrite: true,
  asset: asset.id,
  opacity: 1,
  blend: 'normal',
  clip: asset.clips[0]?.name ?? null,
  startDelay: 0,
  hiddenParts: [],
});
