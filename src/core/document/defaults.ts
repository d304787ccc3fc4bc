import type {
  Action,
  ActionKind,
  AssetId,
  Beat,
  Card,
  Cue,
  CueId,
  Effect,
  FileRef,
  Group,
  ModelAsset,
  ModelObject,
  ObjectId,
  Occluder,
  PictureAsset,
  SequenceAsset,
  Trigger,
  TriggerKind,
} from './schema';
import { SCHEMA_VERSION } from './schema';
import { DEFAULT_THRESHOLD } from '../behave/triggers';
import { HEAD_SEAT } from '../face/head-fit';

/** An empty effect. */
export const blankEffect = (name: string): Effect => ({
  schema: SCHEMA_VERSION,
  name,
  objects: {},
  assets: {},
  cues: {},
  listing: { summary: '', tags: [], icon: null },
});

/** A picture as it came: nothing prepared. */
export const newPicture = (
  id: AssetId,
  name: string,
  file: FileRef,
  width: number,
  height: number,
): PictureAsset => ({
  id,
  name,
  kind: 'picture',
  files: [file],
  original: null,
  preview: null,
  from: null,
  width,
  height,
  prep: null,
  layer: null,
});

/** Width of a new card in metres: a little wider than the eyes are apart. */
const NEW_CARD_WIDTH = 0.12;

const placed = (id: ObjectId, name: string, order: number) => ({
  id,
  name,
  parent: null,
  order,
  visible: true,
  move: [0, 0, 0] as [number, number, number],
  turn: [0, 0, 0] as [number, number, number],
  scale: [1, 1, 1] as [number, number, number],
});

/** What an object is called at first: the asset without the ending of its file. */
export const objectNameFor = (asset: { readonly name: string }, otherwise: string): string =>
  asset.name.replace(/\.[^.]+$/, '').slice(0, 80) || otherwise;

/** A card that shows `asset` on the forehead, in the picture's own proportions. */
export const newCard = (
  id: ObjectId,
  asset: Pick<PictureAsset | SequenceAsset, 'id' | 'name' | 'width' | 'height'>,
  order: number,
): Card => ({
  ...placed(id, objectNameFor(asset, 'Picture'), order),
  kind: 'card',
  anchor: { kind: 'head', face: 1, point: 'forehead' },
  move: [0, 0, 0.01],
  asset: asset.id,
  extent: [NEW_CARD_WIDTH, (NEW_CARD_WIDTH * asset.height) / asset.width],
  opacity: 1,
  tint: '#ffffff',
  blend: 'normal',
  doubleSided: true,
});

/** A model whose origin rests where head pieces rest. Its first clip plays. */
export const newModel = (id: ObjectId, asset: ModelAsset, order: number): ModelObject => ({
  ...placed(id, objectNameFor(asset, 'Model'), order),
  kind: 'model',
  anchor: { kind: 'head', face: 1, point: 'crown' },
  move: [...HEAD_SEAT],
  asset: asset.id,
  opacity: 1,
  clip: asset.clips[0]?.name ?? null,
});

/** An empty group on the forehead. */
export const newGroup = (id: ObjectId, name: string, order: number): Group => ({
  ...placed(id, name.slice(0, 80) || 'Group', order),
  kind: 'group',
  anchor: { kind: 'head', face: 1, point: 'forehead' },
  move: [0, 0, 0.01],
  opacity: 1,
});

export const newOccluder = (id: ObjectId, order: number): Occluder => ({
  ...placed(id, 'Head occluder', order),
  kind: 'occluder',
  anchor: { kind: 'head', face: 1, point: 'headCentre' },
});

export const newTrigger = (kind: TriggerKind): Trigger => ({ kind, threshold: DEFAULT_THRESHOLD[kind] });

export const newAction = (id: string, kind: ActionKind, target: ObjectId | null): Action => {
  const timed = {
    id,
    target,
    duration: 0.4,
    delay: 0,
    easing: 'out' as const,
    repeat: 1,
    thereAndBack: false,
  };
  switch (kind) {
    case 'show':
    case 'hide':
    case 'toggle':
      return { ...timed, kind, duration: 1 };
    case 'fade':
      return { ...timed, kind, opacity: 0 };
    case 'move':
      return { ...timed, kind, mode: 'by', by: [0, 0.03, 0] };
    case 'turn':
      return { ...timed, kind, mode: 'by', by: [0, 0, 20] };
    case 'size':
      return { ...timed, kind, mode: 'to', factor: 1.3 };
  }
};

export const newCue = (id: CueId, trigger: TriggerKind, order: number, beats: Beat[]): Cue => ({
  id,
  name: '',
  order,
  enabled: true,
  trigger: newTrigger(trigger),
  beats,
});
