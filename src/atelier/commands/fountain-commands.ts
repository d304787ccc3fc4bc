/** Points on the surface of a model, for fountains that are born on it. */
import { IconiaError } from '../../core/errors';
import { MOST_POINTS, packPoints } from '../../core/fountain/packed-points';
import { surfacePoints } from '../../core/fountain/surface-points';
import type { AssetId } from '../../core/document/schema';
import { useAssetsStore } from '../stores/assets';
import { useEffectStore } from '../stores/effect';
import { trianglesOfModel } from '../../stage/effect/model-triangles';

/** Packed as the document holds them. Throws `IconiaError` when the model is gone or has no surface. */
export const samplePoints = async (id: AssetId): Promise<string> => {
  const asset = useEffectStore().effect.assets[id];
  if (asset?.kind !== 'model')
    throw new IconiaError('fountain.no-model', 'The model is not there any more. Choose another one.');
  const { models } = useAssetsStore().stores;
  await models.load(asset);
  const model = models.get(asset);
  const points = model ? surfacePoints(trianglesOfModel(model.scene), MOST_POINTS) : new Float32Array();
  if (points.length === 0)
    throw new IconiaError(
      'fountain.no-surface',
      `${asset.name} has no surface that particles could be born on. Choose another model, or a simple shape.`,
    );
  return packPoints(points);
};
