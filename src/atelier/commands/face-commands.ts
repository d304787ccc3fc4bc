/** Make-up by command: pieces and looks put on a face, kept, mixed, copied. */
import type { Draft } from 'immer';
import {
  addLayerInOrder,
  copyLook,
  extraPiecesOf,
  extrasOn,
  type ExtraPiece,
  type LookExtra,
  layersOn,
  lookOrder,
  piecesOf,
  saveLook,
  wearLook,
} from '../../core/edits/look-edits';
import { newPicture } from '../../core/document/defaults';
import { addObject } from '../../core/edits/object-edits';
import { edit } from '../../core/document/edit';
import { newHair } from '../../core/kinds/objects/hair';
import { newIris } from '../../core/kinds/objects/iris';
import { newLashes } from '../../core/kinds/objects/lashes';
import { newLayer } from '../../core/kinds/objects/layer';
import { newRetouchOf, RETOUCH_PARTS, type RetouchPart } from '../../core/kinds/objects/retouch';
import { freeName, orderOnTop } from '../../core/document/queries';
import type { FaceChoice, Layer, LookId, ObjectId, PictureAsset } from '../../core/document/schema';
import { KIT_LOOKS, type KitPiece, type PieceLayer } from '../../core/makeup/kit';
import { mixExtras, mixLooks } from '../../core/makeup/mix';
import { blankSheet, SHEET_SIZE } from '../../core/painter/sheet';
import type { PaintedPart } from '../../stage/effect/painted-textures';
import { api } from '../api/client';
import { newAssetId, newLookId, newObjectId } from '../api/ids';
import { pngOf } from '../painter/sheet-files';
import { useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';
import { usePainterStore } from '../stores/painter';
import { sceneNow } from './place-commands';

const newIds = (count: number): ObjectId[] => Array.from({ length: count }, () => newObjectId());

/** The layer on the face that is a piece of the kit; the topmost when there are several. */
export const pieceOn = (piece: KitPiece, face: FaceChoice): Layer | undefined =>
  layersOn(useEffectStore().effect, face).find(
    (l) => l.region === piece.layer.region && l.name.startsWith(piece.layer.name),
  );

/** Puts a piece of the kit on the face, where make-up of its region goes; one that is there is selected. */
export const putOn = (piece: KitPiece, face: FaceChoice): void => {
  const effectStore = useEffectStore();
  const desk = useDeskStore();
  const there = pieceOn(piece, face);
  if (there) {
    desk.selected = there.id;
    return;
  }
  const layer = { ...newLayer(newObjectId(), piece.layer, 0, face), scene: sceneNow() };
  if (effectStore.edit(addLayerInOrder(effectStore.effect, layer, face))) desk.selected = layer.id;
};

/** What goes on a face at a click and is no layer: each part of retouch by itself, hair, irises, lashes. */
export const FACE_EXTRAS = [...RETOUCH_PARTS, 'hair', 'iris', 'lashes'] as const;
export type FaceExtra = (typeof FACE_EXTRAS)[number];
const isRetouchPart = (extra: FaceExtra): extra is RetouchPart =>
  (RETOUCH_PARTS as readonly string[]).includes(extra);
const NEW_EXTRA = { iris: newIris, lashes: newLashes, hair: newHair } as const;
const newExtra = (extra: FaceExtra, id: ObjectId, order: number, face: FaceChoice): LookExtra =>
  isRetouchPart(extra) ? newRetouchOf(extra, id, order, face) : NEW_EXTRA[extra](id, order, face);

/** What does it on the face: of retouch whatever has that part on, rather one that does nothing else. */
export const extraOn = (extra: FaceExtra, face: FaceChoice): LookExtra | undefined => {
  const all = extrasOn(useEffectStore().effect, face);
  if (!isRetouchPart(extra)) return all.find((o) => o.kind === extra);
  const having = all.filter((o) => o.kind === 'retouch').filter((o) => o[extra].on);
  return having.find((o) => RETOUCH_PARTS.every((part) => part === extra || !o[part].on)) ?? having[0];
};

/** Puts a part of retouch, irises, lashes or hair colour on the face; what is there is selected. */
export const putExtra = (extra: FaceExtra, face: FaceChoice): void => {
  const effectStore = useEffectStore();
  const desk = useDeskStore();
  const there = extraOn(extra, face);
  if (there) {
    desk.selected = there.id;
    return;
  }
  const object = {
    ...newExtra(extra, newObjectId(), orderOnTop(effectStore.effect), face),
    scene: sceneNow(),
  };
  if (effectStore.edit(addObject(object))) desk.selected = object.id;
};

/** Adds an empty layer of one's own and opens the painter: a colour with a painted mask, or a painted picture. */
export const addPainted = async (part: PaintedPart, face: FaceChoice): Promise<void> => {
  const effectStore = useEffectStore();
  const name = freeName(effectStore.effect, part === 'mask' ? 'Painted colour' : 'Painted picture');
  const file = await api.keep({ bytes: await pngOf(blankSheet()), mime: 'image/png' }, `${name}.png`);
  const asset = newPicture(newAssetId(), `${name}.png`, file, SHEET_SIZE, SHEET_SIZE);
  const of =
    part === 'mask'
      ? { name, mask: asset.id, tint: '#a3243f', opacity: 0.7, finish: 'satin' as const }
      : { name, asset: asset.id };
  const layer = {
    ...newLayer(newObjectId(), { ...of, region: 'face', softness: 0 }, 0, face),
    coversEyes: false,
    coversMouth: false,
    scene: sceneNow(),
  };
  const done = effectStore.edit(
    edit(`Add ${name}`, (d) => {
      d.assets[asset.id] = asset as Draft<PictureAsset>;
      addLayerInOrder(effectStore.effect, layer, face).change(d);
    }),
  );
  if (!done) return;
  useDeskStore().selected = layer.id;
  await usePainterStore().open(layer.id, part);
};

/** A look that can be put on: one of the kit's, or one that was kept. */
export interface LookChoice {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly pieces: readonly PieceLayer[];
  readonly extras: readonly ExtraPiece[];
  /** Kept in this effect, so it can be renamed and deleted. */
  readonly own: boolean;
}

export const lookChoices = (): LookChoice[] => [
  ...KIT_LOOKS.map(({ id, name, about, layers }) => ({
    id,
    name,
    about,
    pieces: layers,
    extras: [],
    own: false,
  })),
  ...lookOrder(useEffectStore().effect).map(({ id, name, layers, extras }) => ({
    id: id as string,
    name,
    about: `${layers.length} ${layers.length === 1 ? 'layer' : 'layers'}, kept in this effect.`,
    pieces: piecesOf(layers),
    extras: extraPiecesOf(extras, layers),
    own: true,
  })),
];

export const wear = (look: LookChoice, face: FaceChoice): void => {
  const effectStore = useEffectStore();
  const ids = newIds(look.pieces.length + look.extras.length);
  effectStore.edit(wearLook(effectStore.effect, look.name, look.pieces, face, ids, sceneNow(), look.extras));
};

/** Keeps what is on the face under a free name; null when there is nothing. */
export const keepLook = (face: FaceChoice): LookId | null => {
  const effectStore = useEffectStore();
  const names = new Set(lookOrder(effectStore.effect).map((l) => l.name));
  let n = 1;
  while (names.has(`Look ${n}`)) n++;
  const id = newLookId();
  try {
    return effectStore.edit(saveLook(effectStore.effect, id, `Look ${n}`, face)) ? id : null;
  } catch (error) {
    effectStore.notice = (error as Error).message;
    return null;
  }
};

/** Puts a mix of two looks on the face; one drag of the slider is one undo step. */
export const wearMix = (first: LookChoice, second: LookChoice, share: number, face: FaceChoice): void => {
  const effectStore = useEffectStore();
  const pieces = mixLooks(first.pieces, second.pieces, share);
  const name = `${first.name} and ${second.name}`;
  effectStore.edit(
    // What is no layer fades with the look it belongs to, as its opacity.
    wearLook(
      effectStore.effect,
      name,
      pieces,
      face,
      newIds(pieces.length + first.extras.length + second.extras.length),
      sceneNow(),
      mixExtras(first.extras, second.extras, share),
    ),
    `mix ${first.id} ${second.id} ${face}`,
  );
};

export const copyLookTo = (from: FaceChoice, to: FaceChoice): void => {
  const effectStore = useEffectStore();
  const ids = newIds(layersOn(effectStore.effect, from).length + extrasOn(effectStore.effect, from).length);
  effectStore.edit(copyLook(effectStore.effect, from, to, ids, sceneNow()));
};
