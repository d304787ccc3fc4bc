/** Morphs and cutouts of faces by command. */
import { addObject, edit } from '../../core/document/edits';
import { faceObj } from '../../core/assets/models/face-obj';
import { newCutout } from '../../core/document/new-cutout';
import { newMorph } from '../../core/document/new-face-objects';
import { anchorOf, orderOnTop, stackOrder } from '../../core/document/queries';
import type { AssetId, FaceChoice, Morph, ObjectId } from '../../core/document/schema';
import type { CutoutPart } from '../../core/face/cutout-parts';
import { newObjectId } from '../api/ids';
import { useAssetsStore } from '../stores/assets';
import { useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';
import { usePreparingStore } from '../stores/preparing';
import { saveFile } from './save-file';
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
  const document = useEffectStore();
  const name = morphsOn(face).length === 0 ? 'Face morph' : `Face morph ${morphsOn(face).length + 1}`;
  const object = {
    ...newMorph(newObjectId(), orderOnTop(document.effect), face),
    name,
    scene: sceneNow(),
  };
  if (document.edit(addObject(object))) useDeskStore().selected = object.id;
};

/** Puts a part of the face where it is on the face, to be taken elsewhere from there. */
export const addCutout = (part: CutoutPart, face: FaceChoice): void => {
  const document = useEffectStore();
  const made = newCutout(newObjectId(), part, orderOnTop(document.effect));
  const object = {
    ...made,
    anchor: 'face' in made.anchor ? { ...made.anchor, face } : made.anchor,
    face: typeof face === 'number' ? face : 1,
    scene: sceneNow(),
  };
  if (document.edit(addObject(object))) useDeskStore().selected = object.id;
};

const changeMorph = (id: ObjectId, label: string, mesh: Morph['mesh']): void => {
  useEffectStore().edit(
    edit(label, (d) => {
      const object = d.objects[id];
      if (object?.kind === 'morph') object.mesh = mesh;
    }),
  );
};

/**
 * Measures a sculpted mesh and lets the morph take its shape. Throws sentences when it is no face, and `Cancelled`; the morph
 * then stays as it was.
 */
export const sculptBy = async (id: ObjectId, assetId: AssetId, signal?: AbortSignal): Promise<void> => {
  const document = useEffectStore();
  const asset = document.effect.assets[assetId];
  if (asset?.kind !== 'model') return;
  const [file] = asset.files;
  const bytes = await useAssetsStore().bytesOf(file!);
  const fitted = await usePreparingStore().client.fitFace(bytes, asset.name, signal ? { signal } : {});
  const mesh = { asset: assetId, file: file!.sha256, ...fitted };
  changeMorph(id, `Sculpt ${document.effect.objects[id]?.name ?? 'morph'} by ${asset.name}`, mesh);
};

export const takeMeshOff = (id: ObjectId): void => {
  const name = useEffectStore().effect.objects[id]?.name ?? 'morph';
  changeMorph(id, `Take the mesh off ${name}`, null);
};

/** Gives the creator the neutral face to sculpt. */
export const giveFaceToSculpt = (): void =>
  saveFile(new Blob([faceObj()], { type: 'model/obj' }), 'face-to-sculpt.obj');
