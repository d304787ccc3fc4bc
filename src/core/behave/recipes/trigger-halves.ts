/** When halves of recipes: what sets something off, and where it makes sense what ends it. */
import type { EffectObject, Trigger } from '../../document/schema';
import { readyTrigger, type ReadyTrigger } from '../../kinds/triggers/ready-triggers';

export interface TriggerHalf {
  /** "while the mouth is open" */
  readonly name: string;
  readonly when: readonly ReadyTrigger[];
  /** Then all is as it was. */
  readonly until?: readonly ReadyTrigger[];
}

export const TRIGGER_HALVES = {
  start: { name: 'from the start', when: ['effectStarts'] },
  later: { name: 'after 2 s', when: ['after'] },
  again: { name: 'every 2 s', when: ['every'] },
  whileMouthOpen: { name: 'while the mouth is open', when: ['mouthOpens'], until: ['mouthCloses'] },
  mouthOpens: { name: 'when the mouth opens', when: ['mouthOpens'] },
  whilePuckered: { name: 'while the lips are puckered', when: ['lipsPucker'], until: ['lipsRelax'] },
  pucker: { name: 'on a pucker', when: ['lipsPucker'] },
  blow: { name: 'on a blow', when: ['blows'] },
  whileSmiling: { name: 'while smiling', when: ['smiles'], until: ['stopsSmiling'] },
  smile: { name: 'on a smile', when: ['smiles'] },
  wink: { name: 'on a wink', when: ['winksLeft', 'winksRight'] },
  whileEyesClosed: { name: 'while the eyes are closed', when: ['eyesClose'], until: ['eyesOpen'] },
  whileBrowsRaised: { name: 'while the brows are raised', when: ['browsRise'], until: ['browsSink'] },
  browsRise: { name: 'when the brows rise', when: ['browsRise'] },
  nod: { name: 'on a nod', when: ['nods'] },
  shake: { name: 'on a shake of the head', when: ['shakesHead'] },
  tilt: { name: 'when the head tilts', when: ['tiltsHead'] },
  whileFace: { name: 'while a face is there', when: ['faceAppears'], until: ['faceLeaves'] },
  tap: { name: 'on a tap on the screen', when: ['screenTapped'] },
  tapIt: { name: 'on a tap on it', when: ['objectTapped'] },
  hold: { name: 'when it is held', when: ['objectHeld'] },
  whilePalm: { name: 'on an open palm', when: ['palmOpens'] },
  thumb: { name: 'on a thumb up', when: ['thumbUp'] },
  near: { name: 'when the viewer comes near', when: ['viewerNear'] },
  whileNear: { name: 'while the viewer is near', when: ['viewerNear'], until: ['viewerFar'] },
  record: { name: 'when recording starts', when: ['recordStarts'] },
  whileRecording: { name: 'while recording', when: ['recordStarts'], until: ['recordStops'] },
  photo: { name: 'when a photo is taken', when: ['photoTaken'] },
  flip: { name: 'when the camera is flipped', when: ['cameraFlips'] },
  loud: { name: 'when it gets loud', when: ['loud'] },
  pictureFound: { name: 'when the printed picture is found', when: ['pictureFound'] },
  whilePicture: {
    name: 'while the printed picture is seen',
    when: ['pictureFound'],
    until: ['pictureLost'],
  },
  surfaceFound: { name: 'when the floor is found', when: ['surfaceFound'] },
} as const satisfies Record<string, TriggerHalf>;
export type TriggerHalfName = keyof typeof TRIGGER_HALVES;
export const TRIGGER_HALF_NAMES = Object.keys(TRIGGER_HALVES) as readonly TriggerHalfName[];

/** What a trigger is about: the object, and what it sticks to. */
type About = Pick<EffectObject, 'id' | 'anchor'>;
const about = (name: ReadyTrigger, { id, anchor }: About): Trigger => {
  const trigger = readyTrigger(name);
  if (trigger.kind === 'touch') return { ...trigger, object: id };
  if (trigger.kind === 'level' && trigger.signal.kind === 'apart')
    return { ...trigger, signal: { ...trigger.signal, object: id } };
  if (trigger.kind === 'picture' && anchor.kind === 'picture') return { ...trigger, target: anchor.target };
  if (trigger.kind === 'surface' && anchor.kind === 'world') return { ...trigger, surface: anchor.surface };
  return trigger;
};

/** What sets a recipe off on an object, and what ends it. */
export const triggersOf = (
  name: TriggerHalfName,
  object: About,
): { readonly when: Trigger[]; readonly until: Trigger[] } => {
  const half: TriggerHalf = TRIGGER_HALVES[name];
  return {
    when: half.when.map((t) => about(t, object)),
    until: (half.until ?? []).map((t) => about(t, object)),
  };
};
