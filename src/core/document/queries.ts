/** Questions about a document that more than one screen asks. */
import { assetsNeededBy, assetsOf, isHolder, kindOf, mayHangIn } from '../kinds/objects/objects';
import { cutText } from '../text';
import { materialIdsOf } from './material-queries';
import { assetsNamedBy } from './named-in';
import { perDocument } from '../memo';
import type {
  Anchor,
  Asset,
  AssetId,
  Card,
  Cue,
  Effect,
  EffectObject,
  EffectScene,
  FaceChoice,
  FileRef,
  Iris,
  Layer,
  ModelObject,
  ObjectId,
  Occluder,
  SceneId,
  Target,
} from './schema';

const before = <T extends { order: number; id: string }>(a: T, b: T): number =>
  a.order - b.order || (a.id < b.id ? -1 : 1);
/** What a map of a document holds, in its order. */
export const inOrder = <T extends { order: number; id: string }>(map: Readonly<Record<string, T>>): T[] =>
  Object.values(map).sort(before);

/**
 * The group, or whatever else holds things, that an object really hangs in. A parent that is gone, cannot hold it, or hangs in the object
 * itself counts as none, so that no document can hide objects from the Stack.
 */
export const parentOf = (effect: Effect, object: EffectObject): EffectObject | null => {
  const parent = object.parent === null ? undefined : effect.objects[object.parent];
  if (!parent || !mayHangIn(object, parent)) return null;
  const met = new Set<ObjectId>([object.id]);
  for (
    let up: EffectObject | undefined = parent;
    up;
    up = up.parent ? effect.objects[up.parent] : undefined
  ) {
    if (met.has(up.id)) return null;
    met.add(up.id);
  }
  return parent;
};

/** By what each object hangs in; `null` holds what hangs in nothing. Each list as the Stack shows it. */
export const stackTree = perDocument(
  (effect: Effect): ReadonlyMap<ObjectId | null, readonly EffectObject[]> => {
    const tree = new Map<ObjectId | null, EffectObject[]>([[null, []]]);
    for (const object of Object.values(effect.objects)) {
      const key = parentOf(effect, object)?.id ?? null;
      const list = tree.get(key);
      if (list) list.push(object);
      else tree.set(key, [object]);
    }
    for (const list of tree.values()) list.sort(before);
    return tree;
  },
);

/** Objects as the Stack shows them, what covers first; each group is followed by what it holds. */
export const stackOrder = (effect: Effect): EffectObject[] => [...flatStack(effect)];

const flatStack = perDocument((effect: Effect): readonly EffectObject[] => {
  const tree = stackTree(effect);
  const flat: EffectObject[] = [];
  const walk = (parent: ObjectId | null): void => {
    for (const object of tree.get(parent) ?? []) {
      flat.push(object);
      if (isHolder(object)) walk(object.id);
    }
  };
  walk(null);
  return flat;
});

/**
 * Objects as they cover each other, the topmost first: as the Stack shows them, but what hangs in a thing that is seen itself lies over that
 * thing.
 */
export const coveringOrder = perDocument((effect: Effect): readonly EffectObject[] => {
  const tree = stackTree(effect);
  const order: EffectObject[] = [];
  const walk = (parent: ObjectId | null): void => {
    for (const object of tree.get(parent) ?? []) {
      const { isSeen } = kindOf(object);
      if (!isSeen) order.push(object);
      if (isHolder(object)) walk(object.id);
      if (isSeen) order.push(object);
    }
  };
  walk(null);
  return order;
});

/** The object and all that hangs in it, itself first. */
export const withDescendants = (effect: Effect, id: ObjectId): EffectObject[] => {
  const tree = stackTree(effect);
  const first = effect.objects[id];
  const found: EffectObject[] = first ? [first] : [];
  for (let i = 0; i < found.length; i++) found.push(...(tree.get(found[i]!.id) ?? []));
  return found;
};

/** The group of groups that the object hangs in, or itself. */
export const outermost = (effect: Effect, object: EffectObject): EffectObject => {
  let top = object;
  for (let up = parentOf(effect, top); up; up = parentOf(effect, up)) top = up;
  return top;
};

/** What the object sticks to: its outermost group decides. */
export const anchorOf = (effect: Effect, object: EffectObject): Anchor => outermost(effect, object).anchor;

/** Whether the object hides what is behind the head of this face. */
export const isHeadOccluder = (object: EffectObject, face: FaceChoice): object is Occluder =>
  object.kind === 'occluder' &&
  object.asset === null &&
  object.anchor.kind === 'head' &&
  (object.anchor.face === face || object.anchor.face === 'every');

/** Scenes in their order. */
export const sceneOrder = (effect: Effect): EffectScene[] => inOrder(effect.scenes);

/** The first is the picture the tracker calls 1. */
export const targetOrder = (effect: Effect): Target[] => inOrder(effect.targets);

/** The scene the object is part of; null is part of all. Its outermost group decides. */
export const sceneOf = (effect: Effect, object: EffectObject): SceneId | null => {
  const { scene } = outermost(effect, object);
  return scene !== null && effect.scenes[scene] ? scene : null;
};

/** Cues as the cue sheet shows them. */
export const cueOrder = (effect: Effect): Cue[] => inOrder(effect.cues);

/** An order number above everything that stands in the Stack now. */
export const orderOnTop = (effect: Effect): number =>
  Object.values(effect.objects).reduce((least, o) => Math.min(least, o.order), 1) - 1;

/** The order of what comes below everything. */
export const orderAtBottom = (effect: Effect): number =>
  Object.values(effect.objects).reduce((most, o) => Math.max(most, o.order), 0) + 1;

/** An order number between two. Never -0, which JSON does not know. */
export const orderBetween = (a: number, b: number): number => (a + b) / 2 + 0;

/** Cues that act on the object. */
export const cuesActingOn = (effect: Effect, id: ObjectId): Cue[] =>
  cueOrder(effect).filter((cue) =>
    cue.beats.some((beat) => beat.actions.some((a) => a.targets.includes(id))),
  );

/** Those that are there to show an asset. */
export const isShowing = (object: EffectObject): object is Card | ModelObject | Layer | Iris =>
  kindOf(object).isShowing === true;

/** Assets an object is made of that are not there any more. What has taken over a shape does without. */
export const lostAssetsOf = (effect: Effect, object: EffectObject): AssetId[] =>
  assetsNeededBy(object).filter((id) => !effect.assets[id]);

/** Assets that can be made lighter or mended, and left as they were. */
export const isPreparable = (asset: Asset): boolean => 'prep' in asset;

/** Assets the effect really uses: shown by an object or in a material it wears, brought by a circuit, printed, or the icon. */
export const usedAssets = (effect: Effect): AssetId[] => assetsIn(effect, true);

/** Those that a viewer's device needs: what has taken over the shape of a mesh does without it. */
export const neededAssets = (effect: Effect): AssetId[] => assetsIn(effect, false);

const assetsIn = (effect: Effect, baked: boolean): AssetId[] => {
  const used = new Set<AssetId>();
  for (const o of Object.values(effect.objects)) {
    for (const asset of baked ? assetsOf(o) : assetsNeededBy(o)) used.add(asset);
    for (const id of materialIdsOf(o)) {
      const material = effect.materials[id];
      if (material) for (const asset of assetsNamedBy('materials', material)) used.add(asset);
    }
  }
  for (const map of ['looks', 'targets', 'controls', 'circuits', 'compounds'] as const)
    for (const thing of Object.values(effect[map]))
      for (const asset of assetsNamedBy(map, thing, baked)) used.add(asset);
  if (effect.listing.icon) used.add(effect.listing.icon);
  return [...used];
};

/** The files a release has to carry, each content once. */
export const usedFiles = (effect: Effect): FileRef[] => {
  const files = new Map<string, FileRef>();
  for (const id of neededAssets(effect))
    for (const file of effect.assets[id]?.files ?? []) files.set(file.sha256, file);
  return [...files.values()];
};

/** Bytes of an asset's files. */
export const assetBytes = (asset: Pick<Asset, 'files'>): number =>
  asset.files.reduce((sum, file) => sum + file.bytes, 0);

const free = (taken: ReadonlySet<string>, wanted: string, most: number): string => {
  if (!taken.has(wanted)) return wanted;
  const stem = cutText(wanted.replace(/ \d+$/, ''), most);
  let n = 2;
  while (taken.has(`${stem} ${n}`)) n++;
  return `${stem} ${n}`;
};

/** A name that no object bears yet: "Kelp", "Kelp 2", "Kelp 3"... */
export const freeName = (effect: Effect, wanted: string): string => freeNames(effect)(wanted);

/** Gives free names one after the other, none of them twice: for hundreds of copies at once. */
export const freeNames = (effect: Effect): ((wanted: string) => string) => {
  const taken = new Set(Object.values(effect.objects).map((o) => o.name));
  return (wanted) => {
    const name = free(taken, wanted, 74);
    taken.add(name);
    return name;
  };
};
