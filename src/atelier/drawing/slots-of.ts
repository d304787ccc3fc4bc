/** The materials that models came with: the slots in which they can wear others. */
import { modelAssetBehind } from '../../core/document/part-queries';
import type { EffectObject } from '../../core/document/schema';
import type { ModelMaterialName } from '../../stage/effect/model-store';
import { useAssetsStore } from '../stores/assets';
import { useEffectStore } from '../stores/effect';

/** Those that a model, or a part of it, came with; empty for everything else, and while it is on its way. */
export const slotsOf = (object: EffectObject): ModelMaterialName[] => {
  const { effect } = useEffectStore();
  const asset = modelAssetBehind(effect, object);
  const part = object.kind === 'part' ? (object.part ?? undefined) : undefined;
  return asset ? useAssetsStore().stores.models.materialsOf(asset, part) : [];
};
