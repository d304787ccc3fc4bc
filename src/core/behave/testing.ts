/** Effects and frames for the tests of behaviour. */
import { blankEffect } from '../document/defaults';
import { newCue, type BeatParts } from '../document/new-cues';
import { newAction } from '../kinds/actions/actions';
import { newCard } from '../kinds/objects/card';
import { sampleAsset } from '../document/sample';
import type { Action, ActionKind, Cue, CueId, Effect, EffectObject, ObjectId } from '../document/schema';
import type { ExpressionName } from '../tracking/expression-names';
import { FIRST_TAKE } from '../takes/library';
import type { TrackFrame } from '../tracking/track-frame';
import { STEP } from '../units';
import type { Inputs } from '../program/inputs';
import type { ReadyTrigger } from '../kinds/triggers/ready-triggers';
import { compile } from '../program/program';
import { Runtime } from './runtime';

export const CARD = 'obj_card' as ObjectId;
export const CUE = 'cue_test' as CueId;

/** The first face of the first take, with this on it. */
export const faceWith = (expressions: Partial<Record<ExpressionName, number>>): TrackFrame => ({
  ...FIRST_TAKE.frameAt(0),
  faces: [{ ...FIRST_TAKE.frameAt(0).faces[0]!, expressions }],
});
export const STILL = faceWith({});
export const NOBODY_THERE: TrackFrame = { ...STILL, faces: [] };
export const TAP: Inputs = { taps: [{ x: 0.5, y: 0.5 }], fingers: [] };

export const card = (id: ObjectId = CARD, more: Partial<EffectObject> = {}): EffectObject =>
  ({ ...newCard(id, sampleAsset(0), 0), move: [0, 0, 0], ...more }) as EffectObject;

/** Of an action only what matters. */
export type Told = Partial<Action> & { readonly kind: ActionKind };
/** Beats of actions on the card. */
export const beatsOf = (beats: readonly (readonly Told[])[], tag = 'a'): BeatParts[] =>
  beats.map((actions, b) => ({
    id: `beat_${tag}${b}xxx`,
    actions: actions.map((a, i) => ({ ...newAction(`act_${tag}${b}x${i}xx`, a.kind, CARD), ...a }) as Action),
  }));

export const cueOf = (
  when: ReadyTrigger,
  beats: readonly (readonly Told[])[],
  more: Partial<Cue> = {},
): Cue => {
  const id = more.id ?? CUE;
  return { ...newCue(id, when, 0, beatsOf(beats, id.slice(4))), ...more };
};

export const effectOf = (
  cues: readonly Cue[],
  objects: readonly EffectObject[] = [card()],
  more: Partial<Effect> = {},
): Effect => {
  const asset = sampleAsset(0);
  return {
    ...blankEffect('Test'),
    assets: { [asset.id]: asset },
    objects: Object.fromEntries(objects.map((o) => [o.id, o])),
    cues: Object.fromEntries(cues.map((c) => [c.id, c])),
    ...more,
  } as Effect;
};

/** Steps through so many seconds, and gives the first object's values. */
export const pass = (
  runtime: Runtime,
  seconds: number,
  frame: TrackFrame = STILL,
  inputs?: Inputs,
): ReturnType<Runtime['values']> => {
  for (let i = 0; i < Math.round(seconds / STEP); i++) runtime.step(frame, i === 0 ? inputs : undefined);
  return runtime.values(0);
};

export const FADE: Told = { kind: 'fade', opacity: 0, duration: 1, easing: 'steady' } as Told;
/** Cues on a card, or on other objects, ready to be stepped. */
export const running = (cues: readonly Cue[], more: Partial<Effect> = {}, objects = [card()]): Runtime =>
  new Runtime(compile(effectOf(cues, objects, more)));
/** One step with a tap; gives how many cues fired in it. */
export const tap = (runtime: Runtime): number => runtime.step(STILL, TAP).length;
/** An action on an object that begins with the effect, without easing. */
export const started = (
  action: Told,
  object: EffectObject = card(),
  others: EffectObject[] = [],
  more: Partial<Cue> = {},
) =>
  new Runtime(
    compile(
      effectOf(
        [cueOf('effectStarts', [[{ easing: 'steady', ...action } as Told]], more)],
        [object, ...others],
      ),
    ),
  );
