/** Placing by command: new objects, transforms that are copied, aligned, spread, fitted. */
import { boxOf } from '../../core/placing/bounds';
import { transformBox, union } from '../../core/maths/box';
import { aligned, distributed, type Axis, type Edge } from '../../core/placing/arrange';
import { moveForPivot, sameSurroundings } from '../../core/placing/keep-pose';
import { localMatrix, type Placed } from '../../core/placing/local';
import { restMatrix, restOf } from '../../core/placing/rest';
import type { Spread } from '../../core/placing/spread';
import { invertMatrix, multiplyMatrices } from '../../core/maths/matrix';
import { addObject, changeObject, changeObjects, type Common } from '../../core/edits/object-edits';
import { FOREHEAD, onSpot } from '../../core/kinds/objects/placed';
import { newContactShadow } from '../../core/kinds/objects/contact-shadow';
import { newFill } from '../../core/kinds/objects/fill';
import { newFountain } from '../../core/kinds/objects/fountain';
import { newGroup } from '../../core/kinds/objects/group';
import { newLight } from '../../core/kinds/objects/light';
import { newLive } from '../../core/kinds/objects/live';
import { newHandOccluder, newOccluder, newPeopleOccluder } from '../../core/kinds/objects/occluder';
import { newShadowCatcher } from '../../core/kinds/objects/shadow-catcher';
import { newSolid } from '../../core/kinds/objects/solid';
import { newSound } from '../../core/kinds/objects/sound';
import { newText } from '../../core/kinds/objects/text';
import { newPictureLayer } from '../../core/kinds/objects/layer';
import {
  anchorOf,
  orderAtBottom,
  orderOnTop,
  targetOrder,
  withDescendants,
} from '../../core/document/queries';
import { restingPlace } from '../../core/kinds/objects/objects';
import { bringIn } from '../../core/edits/asset-edits';
import { landingAnchor } from '../../core/edits/landing';
import { addTarget } from '../../core/edits/scene-edits';
import type { Vec3 } from '../../core/maths/vec3';
import { anchorShown } from '../../core/takes/library/take-for';
import {
  CAMERA_PARTS,
  SOLID_SHAPES,
  type Anchor,
  type Asset,
  type AssetId,
  type CameraPart,
  type ContactShadow,
  type Effect,
  type EffectObject,
  type FaceChoice,
  type LightKind,
  type ObjectId,
  type PictureAsset,
  type SolidShape,
  type TargetId,
} from '../../core/document/schema';
import { spreadObject } from '../../core/edits/copy-edits';
import { outermostOf } from '../../core/edits/stack-edits';
import { newId, newObjectId, newTargetId } from '../api/ids';
import { objectsForAll, type Destination } from '../intake/placing';
import { usePlaybackStore } from '../stores/playback';
import { useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';
import { madeGrade } from './grade-commands';
import { selectedObjects } from './object-commands';

/** Where new things go: see `landingAnchor`; in the scene that is worked on. */
export const destination = (
  named: Anchor | null = null,
  at: Vec3 | null = null,
  selected: ObjectId | null = useDeskStore().selected,
): Destination => {
  const { effect } = useEffectStore();
  const playback = usePlaybackStore();
  const shown = playback.source === 'camera' ? FOREHEAD : anchorShown(playback.take, effect);
  return { anchor: landingAnchor(effect, { named, selected, shown }), at, scene: sceneNow() };
};

/**
 * Puts assets into the Stack and selects the topmost of what shows them; those that are new come in with it, in one step.
 * Gives what was made.
 */
export const placeAssets = (
  assets: readonly Asset[],
  {
    to = destination(),
    fresh = [],
    label,
  }: { to?: Destination; fresh?: readonly Asset[]; label?: string } = {},
): EffectObject[] => {
  const effectStore = useEffectStore();
  const objects = objectsForAll(effectStore.effect, assets, to);
  const words = assets.length === 1 ? assets[0]!.name : `${assets.length} assets`;
  effectStore.edit(bringIn(label ?? `Place ${words}`, fresh, objects));
  const top = objects.findLast((o) => o.kind !== 'occluder');
  if (top) useDeskStore().selected = top.id;
  return objects;
};
/** The scene that is worked on; null with no scenes. */
export const sceneNow = () => {
  const { effect } = useEffectStore();
  const { scene } = useDeskStore();
  return scene !== null && effect.scenes[scene] ? scene : effect.openingScene;
};

export const NEW_KINDS = [
  'group',
  'text',
  ...SOLID_SHAPES,
  'headOccluder',
  'handOccluder',
  'peopleOccluder',
  'shadowCatcher',
  'contactShadow',
  'ambient',
  'directional',
  'point',
  'surroundings',
  'grade',
  'fountain',
  'sound',
  'fill',
  ...CAMERA_PARTS,
] as const;
export type NewKind = (typeof NEW_KINDS)[number];

/** How many cards show this part of the camera picture behind the people. */
const copiesOf = (effect: Effect, part: CameraPart): number =>
  Object.values(effect.objects).filter(
    (o) => o.kind === 'live' && o.part === part && anchorOf(effect, o).kind === 'backdrop',
  ).length;

/** What a new contact shadow follows: the selected thing, if it has a size and stands on the same. The shadow reaches beyond its foot. */
const shadowed = (anchor: Anchor): Partial<ContactShadow> => {
  const { effect } = useEffectStore();
  const object = selectedObjects().at(-1);
  const box = object ? boxOf(effect, object) : null;
  if (!object || !box || !sameSurroundings(anchorOf(effect, object), anchor)) return {};
  const wide = (axis: 0 | 2): number =>
    Math.max(0.02, 1.3 * (box.high[axis] - box.low[axis]) * Math.abs(object.scale[axis]));
  // A flat card stands on a line: its shadow is still an oval.
  return { below: object.id, extent: [wide(0), Math.max(wide(2), 0.35 * wide(0))] };
};

const FLOOR: Anchor = { kind: 'world', surface: 'floor' };

const made = (kind: NewKind, anchor: Anchor): EffectObject => {
  const { effect } = useEffectStore();
  const [id, order] = [newObjectId(), orderOnTop(effect)];
  switch (kind) {
    case 'group':
      return newGroup(id, 'Group', order, anchor);
    case 'text':
      return newText(id, 'Low tide tonight', order, anchor);
    case 'headOccluder':
      return newOccluder(id, orderAtBottom(effect), faceOf(anchor));
    case 'handOccluder':
      return newHandOccluder(id, orderAtBottom(effect));
    case 'peopleOccluder': {
      const inRoom = anchor.kind === 'world' || anchor.kind === 'picture';
      return newPeopleOccluder(id, orderAtBottom(effect), inRoom ? anchor : FLOOR);
    }
    case 'shadowCatcher':
      return newShadowCatcher(id, order, anchor);
    case 'contactShadow':
      // Below what is selected, where that stands on the same.
      return { ...newContactShadow(id, order, anchor), ...shadowed(anchor) };
    case 'ambient':
    case 'directional':
    case 'point':
    case 'surroundings':
      return newLight(id, kind as LightKind, order, anchor);
    case 'fill':
      return newFill(id, order, anchor);
    case 'whole':
    case 'person':
    case 'background':
    case 'face':
      return newLive(id, kind as CameraPart, order, anchor, copiesOf(effect, kind));
    case 'fountain':
      return newFountain(id, order, anchor);
    case 'sound':
      return newSound(id, null, order, anchor);
    case 'grade':
      return madeGrade(id, order);
    default:
      return newSolid(id, kind as SolidShape, order, anchor);
  }
};

/** Adds a new object and selects it. Without an anchor it goes beside what is selected. */
export const addNew = (kind: NewKind, anchor: Anchor = destination().anchor): void => {
  const effectStore = useEffectStore();
  const object = { ...made(kind, onSpot(anchor)), scene: sceneNow() };
  if (effectStore.edit(addObject(object))) useDeskStore().selected = object.id;
};

/** The face an anchor is of; face 1 for what is on none. */
const faceOf = (anchor: Anchor): FaceChoice => ('face' in anchor ? anchor.face : 1);

/** A picture over the whole face. */
export const addLayer = (asset: PictureAsset, on: Anchor = destination().anchor): void => {
  const effectStore = useEffectStore();
  const layer = {
    ...newPictureLayer(newObjectId(), asset, orderOnTop(effectStore.effect), faceOf(on)),
    scene: sceneNow(),
  };
  if (effectStore.edit(addObject(layer))) useDeskStore().selected = layer.id;
};

/** Adds a printed picture; gives its id. */
export const addPrintedPicture = (asset: AssetId | null = null): TargetId => {
  const effectStore = useEffectStore();
  const id = newTargetId();
  const n = targetOrder(effectStore.effect).length + 1;
  const name = asset ? (effectStore.effect.assets[asset]?.name.replace(/\.[^.]+$/, '') ?? '') : '';
  effectStore.edit(addTarget(effectStore.effect, id, name || `Picture ${n}`, asset));
  return id;
};

const triple = (v: readonly number[]): [number, number, number] => [v[0]!, v[1]!, v[2]!];

/** The transform that was copied; all of it, and where the pivot is. */
let copiedPlace: (Placed & { readonly pivot: EffectObject['pivot'] }) | null = null;
export const copyPlace = (): void => {
  const object = selectedObjects().at(-1);
  if (object)
    copiedPlace = { move: object.move, turn: object.turn, scale: object.scale, pivot: object.pivot };
};
export const hasCopiedPlace = (): boolean => copiedPlace !== null;
export const pastePlace = (): void => {
  const effectStore = useEffectStore();
  if (!copiedPlace) return;
  const { move, turn, scale, pivot } = copiedPlace;
  const changes = new Map<ObjectId, Common>(
    selectedObjects()
      .filter((o) => !o.locked)
      .map((o) => [
        o.id,
        { move: triple(move), turn: triple(turn), scale: triple(scale), pivot: triple(pivot) },
      ]),
  );
  if (changes.size > 0) effectStore.edit(changeObjects(effectStore.effect, changes, 'Paste the place of'));
};

/** Back to where a new object of its kind lies. */
export const resetPlace = (): void => {
  const effectStore = useEffectStore();
  const changes = new Map<ObjectId, Common>();
  for (const object of selectedObjects()) {
    const rest =
      object.parent !== null
        ? { move: triple([0, 0, 0]), turn: triple([0, 0, 0]) }
        : restingPlace(object, anchorOf(effectStore.effect, object), effectStore.effect.assets);
    changes.set(object.id, { ...rest, scale: triple([1, 1, 1]), pivot: triple([0, 0, 0]) });
  }
  if (changes.size > 0) effectStore.edit(changeObjects(effectStore.effect, changes, 'Reset'));
};

/** Puts the pivot into the middle, at the base or the top of an object, or back to its origin; nothing moves. */
export const setPivot = (object: EffectObject, to: 'origin' | 'middle' | 'base' | 'top'): void => {
  const effectStore = useEffectStore();
  const { effect } = effectStore;
  const box = object.kind === 'group' ? groupBox(object) : boxOf(effect, object);
  let pivot = triple([0, 0, 0]);
  if (to !== 'origin') {
    if (!box) return;
    const middle = box.low.map((x, k) => (x + box.high[k]!) / 2);
    pivot = triple([
      middle[0]!,
      to === 'middle' ? middle[1]! : to === 'base' ? box.low[1] : box.high[1],
      middle[2]!,
    ]);
  }
  setPivotAt(object, pivot);
};

/** Puts the pivot to a point of the object's own space; nothing moves. */
export const setPivotAt = (object: EffectObject, pivot: Vec3): void => {
  const effectStore = useEffectStore();
  const move = triple(moveForPivot(object, pivot));
  effectStore.edit(
    changeObject(effectStore.effect, object.id, { pivot: triple(pivot), move }, 'Set the pivot of'),
  );
};

/** The box around what hangs in a group, in the group's own space. */
const groupBox = (group: EffectObject) => {
  const { effect } = useEffectStore();
  const rest = restOf(effect);
  const into = invertMatrix(restMatrix(rest, group.id));
  if (!into) return null;
  return union(
    withDescendants(effect, group.id).flatMap((o) => {
      const box = o.id === group.id ? null : boxOf(effect, o);
      return box ? [transformBox(multiplyMatrices(into, restMatrix(rest, o.id)), box)] : [];
    }),
  );
};

/** Boxes of what is selected, in the space each hangs in; what has no size is left out. */
const selectedBoxes = () => {
  const { effect } = useEffectStore();
  return outermostOf(effect, useDeskStore().selection).flatMap((object) => {
    if (object.locked) return [];
    const box = object.kind === 'group' ? groupBox(object) : boxOf(effect, object);
    return box ? [{ object, box: transformBox(localMatrix(object, object.pivot), box) }] : [];
  });
};
const shiftEach = (
  shifts: (boxes: ReturnType<typeof selectedBoxes>) => number[],
  axis: Axis,
  label: string,
): void => {
  const effectStore = useEffectStore();
  const boxes = selectedBoxes();
  const by = shifts(boxes);
  const changes = new Map<ObjectId, Common>(
    boxes.map(({ object }, i) => [
      object.id,
      { move: triple(object.move.map((x, k) => (k === axis ? x + by[i]! : x))) },
    ]),
  );
  if (changes.size > 0) effectStore.edit(changeObjects(effectStore.effect, changes, label));
};
export const alignSelected = (axis: Axis, edge: Edge): void =>
  shiftEach(
    (boxes) =>
      aligned(
        boxes.map((b) => b.box),
        axis,
        edge,
      ),
    axis,
    'Align',
  );
export const distributeSelected = (axis: Axis): void =>
  shiftEach(
    (boxes) =>
      distributed(
        boxes.map((b) => b.box),
        axis,
      ),
    axis,
    'Distribute',
  );

/** Spreads the object that was selected last, and selects the group of its copies. False when nothing came of it. */
export const spreadSelected = (spread: Spread): boolean => {
  const effectStore = useEffectStore();
  const desk = useDeskStore();
  const object = selectedObjects().at(-1);
  if (!object) return false;
  const group = newObjectId();
  if (!effectStore.edit(spreadObject(effectStore.effect, object.id, spread, newId, group))) return false;
  desk.selected = group;
  return true;
};

/** Lays a card flat on its printed picture, as wide as it. */
export const fitToTarget = (object: EffectObject): void => {
  const effectStore = useEffectStore();
  const anchor = anchorOf(effectStore.effect, object);
  const target = anchor.kind === 'picture' ? effectStore.effect.targets[anchor.target] : undefined;
  const box = boxOf(effectStore.effect, object);
  if (!target || !box) return;
  const wide = box.high[0] - box.low[0];
  const k = wide > 0 ? target.width / wide : 1;
  effectStore.edit(
    changeObject(
      effectStore.effect,
      object.id,
      {
        move: triple([0, 0, object.move[2] > 0 ? object.move[2] : 0.001]),
        turn: object.kind === 'card' || object.kind === 'text' ? triple([0, 0, 0]) : triple(object.turn),
        scale: triple([k, k, k]),
        pivot: triple([0, 0, 0]),
      },
      'Fit to the picture',
    ),
  );
};
