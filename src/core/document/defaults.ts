/** New effects, pictures, scenes, printed pictures, cues: as they are before a creator changes anything. */
import { DEFAULT_THRESHOLD } from '../behave/triggers';
import type {
  Action,
  ActionKind,
  AssetId,
  Beat,
  Cue,
  CueId,
  Effect,
  EffectScene,
  FileRef,
  ObjectId,
  PictureAsset,
  SceneId,
  Target,
  TargetId,
  Trigger,
  TriggerKind,
} from './schema';
import { SCHEMA_VERSION } from './schema';

/** An empty effect. */
export const blankEffect = (name: string): Effect => ({
  schema: SCHEMA_VERSION,
  name,
  objects: {},
  assets: {},
  cues: {},
  scenes: {},
  openingScene: null,
  targets: {},
  materials: {},
  looks: {},
  backdrop: { feather: 0, grow: 0, invert: false, spill: 1 },
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

export const newScene = (id: SceneId, name: string, order: number): EffectScene => ({ id, name, order });

/** A printed picture, as wide as a postcard until the creator says otherwise. */
export const newTarget = (id: TargetId, name: string, order: number, asset: AssetId | null): Target => ({
  id,
  name: name.slice(0, 80),
  order,
  asset,
  width: 0.15,
  beforeFound: 'hint',
  afterLost: 'nothing',
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
    case 'scene':
      return { ...timed, kind, target: null, duration: 0, scene: null };
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
