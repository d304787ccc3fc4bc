/** Morphs and cutouts of faces by command. */
import type { Draft } from 'immer';
import { addedOn, thingsUnder } from '../../core/edits/cutout-edits';
import { cueToShape, keepShape } from '../../core/edits/morph-edits';
import { addObject } from '../../core/edits/object-edits';
import { asFaceShape } from '../../core/edits/become';
import { edit } from '../../core/document/edit';
import { faceObj } from '../../core/assets/models/face-obj';
import { newCutout } from '../../core/kinds/objects/cutout';
import { newMorph } from '../../core/kinds/objects/morph';
import { anchorOf, orderOnTop, stackOrder } from '../../core/document/queries';
import type {
  Asset,
  AssetId,
  EffectObject,
  FaceChoice,
  ModelAsset,
  Morph,
  ObjectId,
} from '../../core/document/schema';
import { IconiaError } from '../../core/errors';
import type { CutoutPart } from '../../core/face/cutout-parts';
import { newAssetId, newCueId, newId, newObjectId } from '../api/ids';
import { keepDraft } from '../intake/keep-draft';
import { useAssetsStore } from '../stores/assets';
import { useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';
import { useImportsStore } from '../stores/imports';
import { usePreparingStore } from '../stores/preparing';
import { saveFile } from '../../stage/save-file';
import { sceneNow } from './place-commands';

/** The morphs of a face, the topmost first. */
export const morphsOn = (face: FaceChoice): Morph[] => {
  const { effect } = useEffectStore();
  return stackOrder(effect).filter((o): o is Morph => {
    const anchor = anchorOf(effect, o);
    return o.kind === 'morph' && 'face' in anchor && anchor.face === face;
  });
};

/** Puts another morph on the face and selects it. */
export const addMorph = (face: FaceChoice): void => {
  const effectStore = useEffectStore();
  const name = morphsOn(face).length === 0 ? 'Face morph' : `Face morph ${morphsOn(face).length + 1}`;
  const object = {
    ...newMorph(newObjectId(), orderOnTop(effectStore.effect), face),
    name,
    scene: sceneNow(),
  };
  if (effectStore.edit(addObject(object))) useDeskStore().selected = object.id;
};

/** What sliders and mesh make becomes a shape of its own; the sliders begin again at 0, and the face looks as before. */
export const keepShapeOf = (id: ObjectId): void => {
  const effectStore = useEffectStore();
  effectStore.edit(keepShape(effectStore.effect, id, newObjectId()));
};

/** Adds a cue that brings the face to a shape; it is the one that Behave opens. Whether there was room. */
export const addCueToShape = (id: ObjectId): boolean => {
  const effectStore = useEffectStore();
  const desk = useDeskStore();
  const cue = newCueId();
  if (!effectStore.edit(cueToShape(effectStore.effect, id, cue, newId))) return false;
  Object.assign(desk.behave, { section: 'cues', cue, action: null, fresh: cue });
  return true;
};

/** Cards and models that a cutout of the face may be laid on. */
export const cutoutThings = (face: FaceChoice): EffectObject[] => {
  const made = newCutout('obj_asked' as ObjectId, 'mouth', 0);
  const anchor = 'face' in made.anchor ? { ...made.anchor, face } : made.anchor;
  return thingsUnder(useEffectStore().effect, { ...made, anchor });
};

/**
 * Puts a part of the face where it is on the face, to be taken elsewhere from there; laid on what is selected, or on `onto`, where those
 * hold it.
 */
export const addCutout = (part: CutoutPart, face: FaceChoice, onto: ObjectId | null = null): void => {
  const effectStore = useEffectStore();
  const made = newCutout(newObjectId(), part, orderOnTop(effectStore.effect));
  const object = {
    ...made,
    anchor: 'face' in made.anchor ? { ...made.anchor, face } : made.anchor,
    face: typeof face === 'number' ? face : 1,
    scene: sceneNow(),
  };
  const desk = useDeskStore();
  const things = thingsUnder(effectStore.effect, object);
  const under = [desk.selected, onto].find((id) => things.some((o) => o.id === id)) ?? null;
  const placed = under ? addedOn(effectStore.effect, object, under) : object;
  if (effectStore.edit(addObject(placed))) Object.assign(desk.style, { cutOnto: under });
  if (effectStore.effect.objects[object.id]) desk.selected = object.id;
};

/** Gives the morph a shape, and the effect the model it comes from where that is new. One undo step. */
const changeMorph = (id: ObjectId, label: string, mesh: Morph['mesh'], model: Asset | null = null): void => {
  useEffectStore().edit(
    edit(label, (d) => {
      const object = d.objects[id];
      if (object?.kind !== 'morph') return;
      if (model) d.assets[model.id] = model as Draft<Asset>;
      object.mesh = mesh;
    }),
  );
};
const labelFor = (id: ObjectId, model: string): string =>
  `Sculpt ${useEffectStore().effect.objects[id]?.name ?? 'morph'} by ${model}`;

/** How far a model moves the landmarks of a face. */
const measured = async (asset: ModelAsset, signal?: AbortSignal): Promise<NonNullable<Morph['mesh']>> => {
  const [file] = asset.files;
  const bytes = await useAssetsStore().bytesOf(file!);
  const fitted = await usePreparingStore().client.fitFace(bytes, asset.name, { signal });
  return { asset: asset.id, file: file!.sha256, ...fitted };
};

/**
 * Measures a sculpted mesh and lets the morph take its shape. Throws sentences when it is no face, and `Cancelled`; the morph
 * then stays as it was.
 */
export const sculptBy = async (id: ObjectId, assetId: AssetId, signal?: AbortSignal): Promise<void> => {
  const asset = useEffectStore().effect.assets[assetId];
  if (asset?.kind === 'model') changeMorph(id, labelFor(id, asset.name), await measured(asset, signal));
};

/** A model that is placed becomes the shape of the face that it sticks to. Throws as `sculptBy` does; the model then stays. */
export const becomeFaceShape = async (id: ObjectId, signal?: AbortSignal): Promise<void> => {
  const effectStore = useEffectStore();
  const object = effectStore.effect.objects[id];
  const asset = object?.kind === 'model' ? effectStore.effect.assets[object.asset] : undefined;
  if (asset?.kind !== 'model') return;
  const mesh = await measured(asset, signal);
  effectStore.edit(asFaceShape(effectStore.effect, id, mesh));
};

/** The same with a file that is brought in for it, without being placed. What is no face does not come in. */
export const sculptByFile = async (id: ObjectId, file: File, signal?: AbortSignal): Promise<void> => {
  const { read } = await useImportsStore().readOne({ path: file.name, file, handle: null }, signal);
  const [draft] = read.drafts;
  if (draft?.facts.kind !== 'model')
    throw new IconiaError(
      'morph.no-model',
      `${file.name} is no model. Bring in a GLB, glTF, OBJ, STL or FBX file.`,
    );
  const { bytes, mime } = draft.files[0]!;
  // The worker takes what it is given; the draft is still needed.
  const fitted = await usePreparingStore().client.fitFace({ bytes: bytes.slice(), mime }, draft.name, {
    signal,
  });
  const asset = await keepDraft(draft, newAssetId(), { signal });
  const mesh = { asset: asset.id, file: asset.files[0]!.sha256, ...fitted };
  changeMorph(id, labelFor(id, asset.name), mesh, asset);
};

export const takeMeshOff = (id: ObjectId): void => {
  const name = useEffectStore().effect.objects[id]?.name ?? 'morph';
  changeMorph(id, `Take the mesh off ${name}`, null);
};

/** Gives the creator the neutral face to sculpt. */
export const giveFaceToSculpt = (): void =>
  saveFile(new Blob([faceObj()], { type: 'model/obj' }), 'face-to-sculpt.obj');
