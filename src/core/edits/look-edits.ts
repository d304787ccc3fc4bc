/** Edits of face layers and of looks: put on, saved, taken over, limited by each other. */
import type { Draft } from 'immer';
import { IconiaError } from '../errors';
import { regionOverlap } from '../face/region-mask';
import { layerRank, type PieceKey, type PieceLayer } from '../makeup/kit';
import { makeRoom, removeObjects } from './object-edits';
import { edit, type Edit } from '../document/edit';
import { newLayer } from '../kinds/objects/layer';
import { anchorOf, orderBetween, stackOrder } from '../document/queries';
import type {
  Effect,
  EffectObject,
  FaceChoice,
  Hair,
  Iris,
  Lashes,
  Layer,
  Look,
  LookId,
  ObjectId,
  PictureAsset,
  Retouch,
  SceneId,
} from '../document/schema';
import { cutText } from '../text';

/** The layers on a face, the topmost first; those of other scenes too. */
export const layersOn = (effect: Effect, face: FaceChoice): Layer[] =>
  stackOrder(effect).filter((o): o is Layer => {
    if (o.kind !== 'layer') return false;
    const anchor = anchorOf(effect, o);
    return 'face' in anchor && anchor.face === face;
  });

/** What else a look can have: what lies on a face and is no layer. */
export type LookExtra = Iris | Lashes | Hair | Retouch;
const LOOK_EXTRAS = ['retouch', 'hair', 'iris', 'lashes'] as const;

const isExtra = (object: EffectObject): object is LookExtra =>
  (LOOK_EXTRAS as readonly string[]).includes(object.kind);

/** Irises, lashes, hair and retouch of a face, the topmost first. */
export const extrasOn = (effect: Effect, face: FaceChoice): LookExtra[] =>
  stackOrder(effect).filter((o): o is LookExtra => {
    if (!isExtra(o)) return false;
    const anchor = anchorOf(effect, o);
    return 'face' in anchor && anchor.face === face;
  });

/** What a look keeps of its layers; who limits whom among them too. */
export const piecesOf = (layers: readonly Layer[]): PieceLayer[] =>
  layers.map((layer) => {
    const limit = layers.find((l) => l.id === layer.maskedBy);
    return {
      name: layer.name,
      region: layer.region,
      mask: layer.mask,
      softness: layer.softness,
      asset: layer.asset,
      material: layer.material,
      startDelay: layer.startDelay,
      opacity: layer.opacity,
      tint: layer.tint,
      blend: layer.blend,
      finish: layer.finish,
      shine: layer.shine,
      maskedOut: layer.maskedOut,
      coversEyes: layer.coversEyes,
      coversMouth: layer.coversMouth,
      givesWay: layer.givesWay,
      limit: limit ? { name: limit.name, region: limit.region } : null,
    };
  });

/** Irises, lashes, hair and retouch with the piece that limits each. */
export type ExtraPiece = LookExtra & { readonly limit?: PieceKey | null };
/** What a look keeps of what is no layer: who is limited by which of its layers too. */
export const extraPiecesOf = (extras: readonly LookExtra[], layers: readonly Layer[]): ExtraPiece[] =>
  extras.map((extra) => {
    const limit = layers.find((l) => 'maskedBy' in extra && l.id === extra.maskedBy);
    return { ...extra, limit: limit ? { name: limit.name, region: limit.region } : null };
  });

/** Where a new layer goes: over all that is put on before it, under what is put on after. */
const orderFor = (effect: Effect, face: FaceChoice, layer: Layer): number => {
  const layers = layersOn(effect, face).filter((l) => l.parent === null);
  const rank = layerRank(layer);
  const at = layers.findIndex((l) => layerRank(l) <= rank);
  const orders = Object.values(effect.objects).map((o) => o.order);
  if (at === 0 || layers.length === 0) return Math.min(0, ...orders) - 1;
  const over = layers[at < 0 ? layers.length - 1 : at - 1]!;
  const under = at < 0 ? undefined : layers[at];
  // Beneath the lowest, and above whatever comes next in the Stack.
  const next = under?.order ?? Math.min(...orders.filter((o) => o > over.order), over.order + 2);
  return orderBetween(over.order, next);
};

/** Puts a layer where make-up of its region goes. */
export const addLayerInOrder = (effect: Effect, layer: Layer, face: FaceChoice): Edit =>
  edit(`Add ${layer.name}`, (d) => {
    makeRoom(effect, 1);
    d.objects[layer.id] = { ...layer, order: orderFor(effect, face, layer) } as Draft<Layer>;
  });

/** Changes layers; unknown ids and other kinds stay as they are. */
export const changeLayer = (
  effect: Effect,
  id: ObjectId,
  change: Partial<Omit<Layer, 'id' | 'kind' | 'maskedBy'>>,
  label = 'Change',
): Edit =>
  edit(`${label} ${effect.objects[id]?.name ?? 'layer'}`, (d) => {
    const layer = d.objects[id];
    if (layer?.kind !== 'layer') return;
    Object.assign(layer, change);
    if ('asset' in change || 'mask' in change) layer.sample = false;
  });

/** Regions that share less than this of the smaller one lie apart. */
const LEAST_OVERLAP = 0.15;

/**
 * Limits what lies on a face by the mask of a layer, or by none. A layer that would limit itself, by way of others too, is limited by none.
 * One that lies elsewhere, as a glow on the cheeks that is to be seen on the lips alone, goes over the whole face, so that it is there.
 */
export const limitBy = (effect: Effect, id: ObjectId, by: ObjectId | null): Edit =>
  edit(`Limit ${effect.objects[id]?.name ?? 'layer'}`, (d) => {
    const object = d.objects[id];
    if (!object || !('maskedBy' in object)) return;
    object.maskedBy = by !== null && d.objects[by]?.kind === 'layer' ? by : null;
    if (limitsItself(d as Effect, id)) object.maskedBy = null;
    const limit = object.maskedBy && d.objects[object.maskedBy];
    if (object.kind !== 'layer' || limit?.kind !== 'layer' || object.maskedOut) return;
    // By the smaller of the two: a glow on the bones that is limited to the cheeks stays there.
    const shared = Math.max(
      regionOverlap(limit.region, object.region),
      regionOverlap(object.region, limit.region),
    );
    const elsewhere = !object.mask && !limit.mask && shared < LEAST_OVERLAP;
    if (elsewhere) Object.assign(object, { region: 'face', softness: 0 });
  });

const limitsItself = (effect: Effect, id: ObjectId): boolean => {
  const seen = new Set<ObjectId>();
  for (let at: ObjectId | null = id; at !== null && !seen.has(at);) {
    seen.add(at);
    const object: Effect['objects'][ObjectId] | undefined = effect.objects[at];
    at = object?.kind === 'layer' ? object.maskedBy : null;
    if (at === id) return true;
  }
  return false;
};

const isSame = (a: PieceKey, b: PieceKey): boolean => a.name === b.name && a.region === b.region;

/** For each of the new ones what it takes the place of: one of its kind, rather one of its name; each only once. */
const pairedExtras = (extras: readonly LookExtra[], old: readonly LookExtra[]): (LookExtra | undefined)[] => {
  const left = [...old];
  const found = (is: (o: LookExtra) => boolean): LookExtra | undefined => {
    const at = left.findIndex(is);
    return at < 0 ? undefined : left.splice(at, 1)[0];
  };
  const named = extras.map(({ kind, name }) => found((o) => o.kind === kind && o.name === name));
  return extras.map(({ kind }, i) => named[i] ?? found((o) => o.kind === kind));
};

/**
 * Gives a face the layers of a look, the topmost first, in the place of those it has. `ids` are for the new ones. Layers in
 * groups, locked ones and those of other scenes stay.
 */
export const wearLook = (
  effect: Effect,
  name: string,
  pieces: readonly PieceLayer[],
  face: FaceChoice,
  ids: readonly ObjectId[],
  scene: SceneId | null,
  extras: readonly ExtraPiece[] = [],
): Edit =>
  edit(`Put on ${name}`, (d) => {
    const oldExtras = extrasOn(effect, face).filter(
      (o) => o.parent === null && o.scene === scene && !o.locked,
    );
    const old = layersOn(effect, face).filter((l) => l.parent === null && l.scene === scene && !l.locked);
    // What is already there under that name keeps its id, so that cues go on acting on it.
    const kept = pieces.map((piece) => old.find((o) => isSame(o, piece)));
    const idOf = pieces.map((_, i) => kept[i]?.id ?? ids[i]!);
    const gone = old.filter((o) => !kept.includes(o)).map((o) => o.id);
    makeRoom(effect, pieces.length + extras.length - old.length - oldExtras.length);
    const orders = Object.values(effect.objects).map((o) => o.order);
    const top = old[0]?.order ?? Math.min(0, ...orders) - pieces.length;
    const room = old[0] ? 1 : pieces.length;
    const keptExtras = pairedExtras(extras, oldExtras);
    removeObjects(effect, [
      ...gone,
      ...oldExtras.filter((o) => !keptExtras.includes(o)).map((o) => o.id),
    ]).change(d);
    /** The layer that is or becomes the limit; `self` is the piece that is limited. */
    const limiting = (limit: PieceKey | null | undefined, self: number): ObjectId | null => {
      if (!limit) return null;
      const found = [
        pieces.findIndex((p) => isSame(p, limit)),
        // Of a mixed look only the region may be left of it.
        pieces.findIndex((p, k) => k !== self && p.region === limit.region),
      ].find((k) => k >= 0);
      return found === undefined ? null : idOf[found]!;
    };
    extras.forEach(({ limit, ...extra }, i) => {
      const id = keptExtras[i]?.id ?? ids[pieces.length + i]!;
      const order = keptExtras[i]?.order ?? top - 1 - i;
      d.objects[id] = {
        ...extra,
        ...('maskedBy' in extra ? { maskedBy: limiting(limit, -1) } : {}),
        id,
        order,
        parent: null,
        scene,
        anchor: { kind: 'skin', face, spot: [0.5, 0.5] },
      } as Draft<LookExtra>;
    });
    pieces.forEach(({ limit, ...piece }, i) => {
      const order = top + (i * room) / Math.max(1, pieces.length);
      const id = idOf[i]!;
      d.objects[id] = {
        ...newLayer(id, piece, order, face),
        visible: kept[i]?.visible ?? true,
        maskedBy: limiting(limit, i),
        scene,
      } as Draft<Layer>;
    });
  });

/** Copies the look of one face to another. */
export const copyLook = (
  effect: Effect,
  from: FaceChoice,
  to: FaceChoice,
  ids: readonly ObjectId[],
  scene: SceneId | null,
): Edit => {
  const layers = layersOn(effect, from);
  return wearLook(
    effect,
    `the look of face ${from}`,
    piecesOf(layers),
    to,
    ids,
    scene,
    extraPiecesOf(extrasOn(effect, from), layers),
  );
};

/** Keeps the layers of a face as a look. Throws `look.empty` when it has none. */
export const saveLook = (effect: Effect, id: LookId, name: string, face: FaceChoice): Edit => {
  const layers = layersOn(effect, face);
  const extras = extrasOn(effect, face);
  if (layers.length + extras.length === 0)
    throw new IconiaError(
      'look.empty',
      `Face ${face} has no layers yet, so there is no look to keep. Put something on it first.`,
    );
  return edit(`Keep the look ${name}`, (d) => {
    const order = Math.max(0, ...Object.values(effect.looks).map((l) => l.order)) + 1;
    d.looks[id] = { id, name, order, layers, extras } as Draft<Look>;
  });
};

/** Renames a look; an empty name changes nothing. */
export const changeLook = (effect: Effect, id: LookId, name: string): Edit =>
  edit(`Rename ${effect.looks[id]?.name ?? 'look'}`, (d) => {
    const look = d.looks[id];
    if (look && name.trim()) look.name = cutText(name.trim(), 80);
  });

/** Deletes a kept look; what faces wear stays. */
export const removeLook = (effect: Effect, id: LookId): Edit =>
  edit(`Delete the look ${effect.looks[id]?.name ?? ''}`, (d) => {
    delete d.looks[id];
  });

/** Kept looks in their order. */
export const lookOrder = (effect: Effect): Look[] =>
  Object.values(effect.looks).sort((a, b) => a.order - b.order || a.id.localeCompare(b.id));

/** Gives a layer what was painted: a mask, or a picture over the layout. */
export const paintLayer = (
  effect: Effect,
  id: ObjectId,
  part: 'mask' | 'picture',
  asset: PictureAsset,
  label = 'Paint',
): Edit =>
  edit(`${label} ${effect.objects[id]?.name ?? 'layer'}`, (d) => {
    const layer = d.objects[id];
    if (layer?.kind !== 'layer') return;
    d.assets[asset.id] = asset as Draft<PictureAsset>;
    if (part === 'mask') layer.mask = asset.id;
    else layer.asset = asset.id;
    layer.sample = false;
  });
