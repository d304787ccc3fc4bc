/** What is clicked in a picture, and parts of models: chosen, set apart, put back. */
import { changeObject } from '../../core/edits/object-edits';
import { putBack, setApart } from '../../core/edits/part-edits';
import { modelOf, partsOf } from '../../core/document/part-queries';
import type { EffectObject, ModelAsset, ModelObject, ObjectId, PartFacts } from '../../core/document/schema';
import { reshape } from '../../core/edits/object-edits';
import { transformBox, type Box } from '../../core/maths/box';
import { invertMatrix, multiplyMatrices, transformPoint, translation } from '../../core/maths/matrix';
import { placeOf } from '../../core/placing/places';
import { restMatrix, type Rest } from '../../core/placing/rest';
import { sentence } from '../../core/errors';
import type { Picked } from '../../stage/effect/picking';
import { newObjectId } from '../api/ids';
import { useAssetsStore } from '../stores/assets';
import { useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';
import { usePreparingStore } from '../stores/preparing';
import type { ViewNow } from './drag-session';
import { setPivotAt } from './place-commands';

/**
 * A click on something in a picture: it is selected, or added to the selection; of a model that is selected already, the part is chosen; or
 * the point becomes the pivot that is asked for. `view` says where everything is there.
 */
export const choosePicked = (
  { id, part, point }: Picked,
  event: Pick<MouseEvent, 'ctrlKey' | 'metaKey' | 'shiftKey'>,
  view: Pick<ViewNow, 'program' | 'places'> | null,
): void => {
  const desk = useDeskStore();
  if (desk.pivotFor) {
    const object = useEffectStore().effect.objects[desk.pivotFor];
    const place = object && view ? placeOf(view.program, view.places, object.id) : undefined;
    const into = place && invertMatrix(place.matrix);
    if (object && into) setPivotAt(object, transformPoint(into, point));
    desk.pivotFor = null;
  } else if (event.ctrlKey || event.metaKey || event.shiftKey) desk.toggleSelected(id);
  else if (desk.selection.length === 1 && desk.selected === id) desk.part = part;
  else desk.selected = id;
};

const modelSelected = (): { readonly model: ModelObject; readonly asset: ModelAsset } | null => {
  const { effect } = useEffectStore();
  const id = useDeskStore().selected;
  const model = id ? effect.objects[id] : undefined;
  const asset = model?.kind === 'model' ? effect.assets[model.asset] : undefined;
  return model?.kind === 'model' && asset?.kind === 'model' ? { model, asset } : null;
};

/** The box around the part that was clicked, in the rest space; null for none. */
export const pointedPartBox = (rest: Rest): Box | null => {
  const { part } = useDeskStore();
  const now = modelSelected();
  const facts = part === null ? undefined : now?.asset.tree?.[part];
  if (!now || !facts?.box) return null;
  return transformBox(multiplyMatrices(restMatrix(rest, now.model.id), translation(facts.origin)), facts.box);
};

/** The parts of a model as they are measured: known already, or measured now. */
const measured = async (asset: ModelAsset): Promise<PartFacts[]> => {
  if (asset.tree) return asset.tree;
  const file = await useAssetsStore().bytesOf(asset.files[0]!);
  return (await usePreparingStore().client.inside(file, asset.name)).tree;
};

/** Makes a part of a model an object of its own, and selects it. Gives a sentence where that cannot be. */
export const setPartApart = async (model: ModelObject, index: number): Promise<string | null> => {
  const effectStore = useEffectStore();
  const asset = effectStore.effect.assets[model.asset];
  if (asset?.kind !== 'model') return `${model.name} has no model to take a part of: choose one.`;
  try {
    const tree = await measured(asset);
    const id = newObjectId();
    if (effectStore.edit(setApart(effectStore.effect, model.id, index, id, tree)))
      useDeskStore().selected = id;
    return null;
  } catch (error) {
    return sentence(error);
  }
};

/** The object that a part of a model has become; null for a part that is none. */
export const objectOfPart = (model: ModelObject, index: number): EffectObject | null =>
  partsOf(useEffectStore().effect, model.id).find((o) => o.part === index) ?? null;

/** Shows a part of a model, or hides it, whether it is an object of its own or not. */
export const togglePart = (model: ModelObject, index: number): void => {
  const effectStore = useEffectStore();
  const { effect } = effectStore;
  const own = objectOfPart(model, index);
  if (own) {
    effectStore.edit(changeObject(effect, own.id, { visible: !own.visible }, own.visible ? 'Hide' : 'Show'));
    return;
  }
  const hiddenParts = model.hiddenParts.includes(index)
    ? model.hiddenParts.filter((p) => p !== index)
    : [...model.hiddenParts, index];
  effectStore.edit(reshape(effect, model.id, 'model', { hiddenParts }));
};

/** Parts that are selected become parts of their models again; the model is selected. */
export const putPartsBack = (ids: readonly ObjectId[]): void => {
  const effectStore = useEffectStore();
  const { effect } = effectStore;
  const first = ids.map((id) => effect.objects[id]).find((o) => o !== undefined);
  const model = first ? modelOf(effect, first) : null;
  if (effectStore.edit(putBack(effect, ids)) && model) useDeskStore().selected = model.id;
};
