/** Compiles the cues of a document into what the runtime steps through. */
import { cueOrder, parentOf, sceneOrder, stackOrder, targetOrder } from '../document/queries';
import type {
  Action,
  Anchor,
  CueId,
  Effect,
  EffectObject,
  ObjectId,
  SceneId,
  Target,
  Trigger,
} from '../document/schema';
import type { Seconds } from '../units';

export interface CompiledAction {
  readonly action: Action;
  /** Index of the target in `Program.objects`; -1 for what acts on the effect as a whole. */
  readonly target: number;
  /** From the moment the cue fires, delay included. */
  readonly start: Seconds;
  readonly end: Seconds;
}

export interface CompiledCue {
  readonly id: CueId;
  readonly trigger: Trigger;
  readonly actions: readonly CompiledAction[];
  readonly end: Seconds;
}

export interface Program {
  readonly effect: Effect;
  /** In the order of the Stack: groups before what they hold. */
  readonly objects: readonly EffectObject[];
  readonly indexOf: ReadonlyMap<ObjectId, number>;
  /** Index of the group each object hangs in; -1 for none. */
  readonly parents: readonly number[];
  /** Indices of the face morphs. */
  readonly morphs: readonly number[];
  /** What each object sticks to, and the scene it is in: its outermost group decides. */
  readonly anchors: readonly Anchor[];
  /** The same anchor has the same key. */
  readonly anchorKeys: readonly string[];
  readonly scenes: readonly (SceneId | null)[];
  readonly openingScene: SceneId | null;
  readonly targets: readonly Target[];
  readonly cues: readonly CompiledCue[];
}

/** Whether object `i` is part of a scene. */
export const isIn = (program: Program, i: number, scene: string | null): boolean =>
  program.scenes[i] === null || scene === null || program.scenes[i] === scene;

/** Time one round of an action takes. */
export const roundLength = (action: Action): Seconds => action.duration * (action.thereAndBack ? 2 : 1);

/** Time an action takes after its delay; Infinity when it repeats without end. */
export const actionLength = (action: Action): Seconds => {
  const once = roundLength(action);
  // Showing and hiding happen at once, unless they come back or repeat.
  if (action.kind === 'scene') return 0;
  if ((action.kind === 'show' || action.kind === 'hide') && !action.thereAndBack) return 0;
  if (action.kind === 'toggle' && !action.thereAndBack && action.repeat === 1) return 0;
  return action.repeat === 0 && once > 0 ? Infinity : once * Math.max(1, action.repeat);
};

/** Actions without a target, and disabled cues, are left out; `explain.ts` says so on the cue. */
export const compile = (effect: Effect): Program => {
  const objects = stackOrder(effect);
  const indexOf = new Map<ObjectId, number>(objects.map((o, i) => [o.id, i]));
  const parents = objects.map((o) => {
    const parent = o.parent === null ? null : parentOf(effect, o);
    return parent ? indexOf.get(parent.id)! : -1;
  });
  const anchors: Anchor[] = [];
  const anchorKeys: string[] = [];
  const scenes: (SceneId | null)[] = [];
  const keyOf = new Map<Anchor, string>();
  // Groups come before what they hold, so theirs are known.
  objects.forEach((object, i) => {
    const parent = parents[i]!;
    const anchor = parent < 0 ? object.anchor : anchors[parent]!;
    const scene = parent < 0 ? object.scene : scenes[parent]!;
    anchors.push(anchor);
    scenes.push(scene !== null && effect.scenes[scene] ? scene : null);
    const key = keyOf.get(anchor) ?? JSON.stringify(anchor);
    keyOf.set(anchor, key);
    anchorKeys.push(key);
  });
  const cues = cueOrder(effect)
    .filter((cue) => cue.enabled)
    .map((cue): CompiledCue => {
      const actions: CompiledAction[] = [];
      let beatStart = 0;
      for (const beat of cue.beats) {
        let beatEnd = beatStart;
        for (const action of beat.actions) {
          const start = beatStart + action.delay;
          const end = start + actionLength(action);
          beatEnd = Math.max(beatEnd, end);
          const target =
            action.kind === 'scene' ? -1 : action.target === null ? undefined : indexOf.get(action.target);
          if (target !== undefined && start < Infinity) actions.push({ action, target, start, end });
        }
        beatStart = beatEnd;
      }
      return { id: cue.id, trigger: cue.trigger, actions, end: beatStart };
    });
  const opening =
    effect.openingScene !== null && effect.scenes[effect.openingScene] ? effect.openingScene : null;
  return {
    effect,
    objects,
    indexOf,
    parents,
    morphs: objects.flatMap((o, i) => (o.kind === 'morph' ? [i] : [])),
    anchors,
    anchorKeys,
    scenes,
    openingScene: opening ?? sceneOrder(effect)[0]?.id ?? null,
    targets: targetOrder(effect),
    cues,
  };
};
