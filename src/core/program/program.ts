/** Compiles the behaviour of a document into what the runtime steps through. */
import { actionKind, actionLength, actsOnObjects, lengthOn, roundLength } from '../kinds/actions/actions';
import { isPlacedSignal } from '../kinds/signals/signals';
import { triggerKind } from '../kinds/triggers/triggers';
import { hasPlacedNodes, reachedBy, signalsOf, triggersOf } from '../document/behaviour-queries';
import {
  coveringOrder,
  cueOrder,
  inOrder,
  parentOf,
  sceneOrder,
  stackOrder,
  targetOrder,
} from '../document/queries';
import type {
  Action,
  Anchor,
  Control,
  Cue,
  CueId,
  Drive,
  Effect,
  EffectObject,
  ObjectId,
  Prompt,
  SceneId,
  Target,
  Variable,
  Vary,
} from '../document/schema';
import { partOrigin } from '../document/part-queries';
import { pcg3d } from '../maths/hash';
import type { Vec3 } from '../maths/vec3';
import type { Seconds } from '../units';

/** One action on one of its objects. */
export interface CompiledAction {
  readonly action: Action;
  /** Index of the target in `Program.objects`; -1 for what acts on the effect as a whole. */
  readonly target: number;
  /** From when the beat begins. */
  readonly delay: Seconds;
  /** Time it takes after its delay; Infinity when it repeats without end. */
  readonly length: Seconds;
  /** Of the speed and of the amount it is set to. */
  readonly speed: number;
  readonly amount: number;
  /** Tells the objects of one action apart, for trembling. */
  readonly seed: number;
}

export interface CompiledBeat {
  readonly id: string;
  /** Begins when so much of the beat before is behind. */
  readonly begins: number;
  readonly actions: readonly CompiledAction[];
  /** The action that takes longest, -1 for none: the next beat waits for it. */
  readonly lead: number;
  /** What the lead takes, delay and all; an endless one counts its first round. */
  readonly span: Seconds;
  readonly endless: boolean;
  /** When it begins, at the speeds that are set. */
  readonly start: Seconds;
}

export interface CompiledCue {
  readonly id: CueId;
  readonly cue: Cue;
  readonly beats: readonly CompiledBeat[];
  /** How long it takes from its beginning to its end, endless actions once. */
  readonly total: Seconds;
}

export interface Program {
  readonly effect: Effect;
  /** In the order of the Stack: groups before what they hold. */
  readonly objects: readonly EffectObject[];
  readonly indexOf: ReadonlyMap<ObjectId, number>;
  /** How high each object lies over others, 0 topmost: what hangs in a card lies over it. */
  readonly covering: readonly number[];
  /** Index of the group each object hangs in; -1 for none. */
  readonly parents: readonly number[];
  /** Of a part of a model: where its own space begins in the space it hangs in, in rest; null for everything else. */
  readonly origins: readonly (Vec3 | null)[];
  /** By the index of a model: those of its parts that are objects of their own, outer ones first. */
  readonly partsOf: ReadonlyMap<number, readonly number[]>;
  /** Indices of the face morphs, of the fountains. */
  readonly morphs: readonly number[];
  readonly fountains: readonly number[];
  /** What each object sticks to, and the scene it is in: its outermost group decides. */
  readonly anchors: readonly Anchor[];
  /** The same anchor has the same key. */
  readonly anchorKeys: readonly string[];
  readonly scenes: readonly (SceneId | null)[];
  readonly openingScene: SceneId | null;
  readonly targets: readonly Target[];
  /** Cues that are switched on, in the order of the sheet. */
  readonly cues: readonly CompiledCue[];
  readonly cueIndex: ReadonlyMap<CueId, number>;
  readonly controls: readonly Control[];
  readonly variables: readonly Variable[];
  readonly prompts: readonly Prompt[];
  readonly drives: readonly Drive[];
  /** Something asks in every step where objects are. */
  readonly wantsPlaces: boolean;
}

/** Whether object `i` is part of a scene. */
export const isIn = (program: Program, i: number, scene: string | null): boolean =>
  program.scenes[i] === null || scene === null || program.scenes[i] === scene;

const EVEN = { delay: 0, speed: 1, amount: 1 };
/** How the n-th object of an action differs from the others. */
export const variedBy = (vary: Vary | null, n: number): typeof EVEN => {
  if (!vary) return EVEN;
  const [a, b, c] = pcg3d(vary.seed, n, 0x7a).map((x) => x / 4294967296) as [number, number, number];
  return {
    delay: vary.delay * a,
    speed: 1 + vary.speed * (2 * b - 1),
    amount: 1 + vary.amount * (2 * c - 1),
  };
};

const compileCue = (cue: Cue, effect: Effect, indexOf: ReadonlyMap<ObjectId, number>): CompiledCue => {
  let start = 0;
  let before: CompiledBeat | null = null;
  let total = 0;
  const beats = cue.beats
    .filter((beat) => beat.enabled)
    .map((beat): CompiledBeat => {
      const actions = beat.actions.flatMap((action) => compileAction(action, effect, indexOf));
      const spans = actions.map((a) => {
        const once = a.length === Infinity ? roundLength(a.action) : a.length;
        return a.delay + once / a.speed;
      });
      const lead = spans.reduce((best, span, i) => (best < 0 || span > spans[best]! ? i : best), -1);
      if (before) start += before.span * beat.begins;
      const span = lead < 0 ? 0 : spans[lead]!;
      total = Math.max(total, start + span);
      const endless = actions.some((a) => a.length === Infinity);
      return (before = { id: beat.id, begins: beat.begins, actions, lead, span, endless, start });
    });
  return { id: cue.id, cue, beats, total };
};

const compileAction = (
  action: Action,
  effect: Effect,
  indexOf: ReadonlyMap<ObjectId, number>,
): CompiledAction[] => {
  if (!actsOnObjects(action.kind))
    return [
      { action, target: -1, delay: action.delay, length: actionLength(action), speed: 1, amount: 1, seed: 0 },
    ];
  return reachedBy(effect, action).flatMap((object, n): CompiledAction[] => {
    const target = indexOf.get(object.id);
    if (target === undefined) return [];
    const { delay, speed, amount } = variedBy(action.vary, n);
    const length = lengthOn(action, object, effect.assets);
    return [{ action, target, delay: action.delay + delay, length, speed, amount, seed: target * 31 + n }];
  });
};

/** Actions without a target, and cues and beats that are switched off, are left out; `explain.ts` says so on the cue. */
export const compile = (effect: Effect): Program => {
  const objects = stackOrder(effect);
  const indexOf = new Map<ObjectId, number>(objects.map((o, i) => [o.id, i]));
  const parents = objects.map((o) => {
    const parent = o.parent === null ? null : parentOf(effect, o);
    return parent ? indexOf.get(parent.id)! : -1;
  });
  const covering = new Array<number>(objects.length);
  coveringOrder(effect).forEach((o, rank) => (covering[indexOf.get(o.id)!] = rank));
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
    .map((cue) => compileCue(cue, effect, indexOf));
  const opening =
    effect.openingScene !== null && effect.scenes[effect.openingScene] ? effect.openingScene : null;
  const drives = inOrder(effect.drives).filter((drive) => drive.enabled);
  const ofKind = (kind: EffectObject['kind']): number[] =>
    objects.flatMap((o, i) => (o.kind === kind ? [i] : []));
  return {
    effect,
    objects,
    indexOf,
    covering,
    parents,
    origins: objects.map((o) => partOrigin(effect, o)),
    partsOf: partsByModel(objects, parents),
    morphs: ofKind('morph'),
    fountains: ofKind('fountain'),
    anchors,
    anchorKeys,
    scenes,
    openingScene: opening ?? sceneOrder(effect)[0]?.id ?? null,
    targets: targetOrder(effect),
    cues,
    cueIndex: new Map(cues.map((cue, i) => [cue.id, i])),
    controls: inOrder(effect.controls),
    variables: inOrder(effect.variables),
    prompts: inOrder(effect.prompts),
    drives,
    wantsPlaces: wantsPlaces(effect),
  };
};

/** Parts by the model that they hang in, through other parts or not. */
const partsByModel = (
  objects: readonly EffectObject[],
  parents: readonly number[],
): ReadonlyMap<number, readonly number[]> => {
  const found = new Map<number, number[]>();
  objects.forEach(({ kind }, i) => {
    if (kind !== 'part') return;
    let model = parents[i]!;
    while (model >= 0 && objects[model]!.kind === 'part') model = parents[model]!;
    if (model < 0) return;
    const parts = found.get(model);
    if (parts) parts.push(i);
    else found.set(model, [i]);
  });
  return found;
};

/** Whether anything asks where objects are: that is worked out in each step then. */
const wantsPlaces = (effect: Effect): boolean =>
  signalsOf(effect).some(isPlacedSignal) ||
  hasPlacedNodes(effect) ||
  triggersOf(effect).some(({ kind }) => triggerKind(kind).isPlaced) ||
  Object.values(effect.cues).some((cue) =>
    cue.beats.some(({ actions }) => actions.some((action) => actionKind(action.kind).isPlaced?.(action))),
  );
