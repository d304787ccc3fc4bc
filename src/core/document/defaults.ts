import type {
  Action,
  ActionKind,
  Asset,
  Beat,
  Card,
  Cue,
  CueId,
  Effect,
  ObjectId,
  Occluder,
  Trigger,
  TriggerKind,
} from './schema';
import { SCHEMA_VERSION } from './schema';
import { DEFAULT_THRESHOLD } from '../behave/triggers';

/** An empty effect. */
export const blankEffect = (name: string): Effect => ({
  schema: SCHEMA_VERSION,
  name,
  objects: {},
  assets: {},
  cues: {},
  listing: { summary: '', tags: [], icon: null },
});

/** Width of a new card in metres: a little wider than the eyes are apart. */
const NEW_CARD_WIDTH = 0.12;

/** A card that shows `asset` on the forehead, in the picture's own proportions. */
export const newCard = (id: ObjectId, asset: Asset, order: number): Card => ({
  id,
  kind: 'card',
  name: asset.name.replace(/\.[^.]+$/, '').slice(0, 80) || 'Picture',
  anchor: { kind: 'head', face: 1, point: 'forehead' },
  order,
  visible: true,
  move: [0, 0, 0.01],
  turn: [0, 0, 0],
  scale: [1, 1, 1],
  asset: asset.id,
  extent: [NEW_CARD_WIDTH, (NEW_CARD_WIDTH * asset.height) / asset.width],
  opacity: 1,
  tint: '#ffffff',
  blend: 'normal',
  doubleSided: true,
});

export const newOccluder = (id: ObjectId, order: number): Occluder => ({
  id,
  kind: 'occluder',
  name: 'Head occluder',
  anchor: { kind: 'head', face: 1, point: 'headCentre' },
  order,
  visible: true,
  move: [0, 0, 0],
  turn: [0, 0, 0],
  scale: [1, 1, 1],
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
