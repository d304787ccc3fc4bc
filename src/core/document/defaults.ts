/** New effects, pictures, scenes, printed pictures, cues: as they are before a creator changes anything. */
import type {
  AssetId,
  Effect,
  EffectScene,
  FileRef,
  PictureAsset,
  SceneId,
  Target,
  TargetId,
} from './schema';
import { SCHEMA_VERSION } from './schema';
import { cutText } from '../text';

/** An empty effect. */
export const blankEffect = (name: string): Effect => ({
  schema: SCHEMA_VERSION,
  name,
  objects: {},
  assets: {},
  cues: {},
  scenes: {},
  openingScene: null,
  ground: null,
  asks: true,
  targets: {},
  materials: {},
  looks: {},
  variables: {},
  controls: {},
  prompts: {},
  drives: {},
  circuits: {},
  compounds: {},
  performances: {},
  rehearsals: {},
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

/** A scene with nothing in it. */
export const newScene = (id: SceneId, name: string, order: number): EffectScene => ({ id, name, order });

/** A printed picture, as wide as a postcard until the creator says otherwise. */
export const newTarget = (id: TargetId, name: string, order: number, asset: AssetId | null): Target => ({
  id,
  name: cutText(name, 80),
  order,
  asset,
  width: 0.15,
  beforeFound: 'hint',
  afterLost: 'nothing',
});
