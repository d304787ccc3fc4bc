/**
 * What is wrong with a cue, read off the document alone. Findings are codes with the facts they rest on; the interface words them
 * and offers the way out. `why.ts` adds what happened on a take.
 */
import { isBidByCircuit, reachedBy, writersOf } from '../document/behaviour-queries';
import { hasIn } from '../document/named-in';
import { cueOrder } from '../document/queries';
import type {
  Action,
  Condition,
  Cue,
  CueId,
  Effect,
  EffectObject,
  ObjectId,
  Signal,
  Trigger,
} from '../document/schema';
import {
  actionKind,
  actionLength,
  actsOnObjects,
  contestedBy,
  lacksAction,
  roundLength,
  suits,
} from '../kinds/actions/actions';
import { lacksTrigger as triggerLacks } from '../kinds/triggers/triggers';
import { keyOfNumber } from '../kinds/writables/number';
import { lackingIn } from '../schema/references';
import type { Referred } from '../schema/referred';
import { signalKind, signalSchema } from '../kinds/signals/signals';
import type { ControlReach, Reach } from '../kinds/signals/signal-kind';

/** What a trigger, a condition or an action names that is not chosen, or not there any more. */
export type Missing =
  | 'object'
  | 'picture'
  | 'control'
  | 'cue'
  | 'variable'
  | 'scene'
  | 'prompt'
  | 'material'
  | 'asset'
  | 'compound';

export type Standing =
  | { readonly code: 'off' }
  | { readonly code: 'no-triggers' }
  | { readonly code: 'no-actions' }
  | { readonly code: 'beat-off'; readonly beat: number }
  | { readonly code: 'no-target'; readonly actionId: string }
  | { readonly code: 'action-lacks'; readonly actionId: string; readonly what: Missing }
  | { readonly code: 'trigger-lacks'; readonly trigger: number; readonly what: Missing }
  | { readonly code: 'condition-lacks'; readonly condition: number; readonly what: Missing }
  /** The signal of a trigger or a condition does not get there. */
  | {
      readonly code: 'out-of-reach';
      readonly of: 'trigger' | 'condition';
      readonly index: number;
      readonly reach: readonly [number, number];
    }
  | { readonly code: 'wrong-kind'; readonly actionId: string; readonly target: ObjectId }
  | { readonly code: 'target-hidden'; readonly actionId: string; readonly target: ObjectId }
  | { readonly code: 'already-shown'; readonly actionId: string; readonly target: ObjectId }
  | { readonly code: 'already-hidden'; readonly actionId: string; readonly target: ObjectId }
  | { readonly code: 'no-change'; readonly actionId: string; readonly target: ObjectId }
  | { readonly code: 'never-reached'; readonly beatIndex: number }
  | { readonly code: 'endless'; readonly actionId: string }
  | { readonly code: 'sets-itself-off' }
  | {
      readonly code: 'two-writers';
      readonly actionId: string;
      readonly target: ObjectId;
      readonly other: CueId;
    };

/** Those that keep a cue from doing what it says; the others are only worth knowing. */
const NOTES: ReadonlySet<Standing['code']> = new Set(['endless', 'two-writers', 'beat-off']);
/** Whether a finding is worth knowing and no fault. */
export const isNote = (finding: { readonly code: string }): boolean =>
  NOTES.has(finding.code as Standing['code']);

const actionsOf = (cue: Cue): Action[] => cue.beats.filter((b) => b.enabled).flatMap((beat) => beat.actions);

/** Whether a drive or a circuit writes this number of the object all the time. */
export const isDriven = (effect: Effect, target: ObjectId, property: string): boolean =>
  writersOf(effect).has(keyOfNumber(target, property));

const changesVisibility = (
  effect: Effect,
  target: ObjectId,
  kinds: readonly string[],
  except?: string,
): boolean =>
  isDriven(effect, target, 'visible') ||
  Object.values(effect.cues).some(
    (cue) =>
      cue.enabled &&
      actionsOf(cue).some(
        (a) =>
          a.targets.includes(target) &&
          a.id !== except &&
          (kinds.includes(a.kind) || (a.kind === 'number' && a.property === 'visible')),
      ),
  );

/** What the maps of a document hold, as sentences call it. */
const MISSING: Partial<Record<Referred, Missing>> = {
  objects: 'object',
  targets: 'picture',
  controls: 'control',
  cues: 'cue',
  variables: 'variable',
  scenes: 'scene',
  prompts: 'prompt',
  materials: 'material',
  assets: 'asset',
  compounds: 'compound',
};
/** What is not chosen, or gone, as sentences call it. */
export const missing = (to: Referred | null): Missing | null => (to === null ? null : (MISSING[to] ?? null));
const lacksSignal = (effect: Effect, signal: Signal): Missing | null =>
  missing(lackingIn(signalSchema, signal, hasIn(effect)));

/** What a trigger names that is not chosen, or not there any more. */
export const lacksTrigger = (effect: Effect, trigger: Trigger): Missing | null =>
  missing(triggerLacks(trigger, hasIn(effect)));

/** What a control of an effect can be set to. */
const controlReach =
  (effect: Effect): ControlReach =>
  (id) => {
    const control = effect.controls[id];
    switch (control?.kind) {
      case 'slider':
        return [Math.min(control.least, control.most), Math.max(control.least, control.most)];
      case 'switch':
        return [0, 1];
      case 'choice':
        return [1, Math.max(1, control.options.length)];
      default:
        return null;
    }
  };

/** Between what a signal can be; null where nobody can say. */
export const reachOf = (signal: Signal, effect: Effect): Reach | null =>
  signalKind(signal.kind).reach?.(signal, controlReach(effect)) ?? null;

const triggerOutOfReach = (trigger: Trigger, effect: Effect): Reach | null => {
  if (trigger.kind !== 'level') return null;
  const reach = reachOf(trigger.signal, effect);
  if (!reach) return null;
  const can =
    trigger.when === 'rises'
      ? trigger.level <= reach[1] && trigger.level - trigger.slack >= reach[0] - 1e-9
      : trigger.level > reach[0];
  // What rises from below its own floor is so from the beginning: it fires once.
  return can || (trigger.when === 'rises' && trigger.level <= reach[1]) ? null : reach;
};

const conditionOutOfReach = (condition: Condition, effect: Effect): Reach | null => {
  const reach = reachOf(condition.signal, effect);
  if (!reach) return null;
  const { is, value } = condition;
  const can =
    is === 'above'
      ? value < reach[1]
      : is === 'below'
        ? value > reach[0]
        : is === 'differs' || (value >= reach[0] && value <= reach[1]);
  return can ? null : reach;
};

/** The same object and property, in a cue that goes off by the same trigger. */
const otherWriter = (effect: Effect, cue: Cue, action: Action, target: ObjectId): CueId | null => {
  const writes = contestedBy(action.kind);
  if (!writes) return null;
  const mine = new Set(cue.triggers.map((t) => JSON.stringify(t)));
  const other = cueOrder(effect).find(
    (c) =>
      c.id !== cue.id &&
      c.enabled &&
      c.triggers.some((t) => mine.has(JSON.stringify(t))) &&
      actionsOf(c).some((a) => contestedBy(a.kind) === writes && a.targets.includes(target)),
  );
  return other?.id ?? null;
};

/** Whether anything ends what goes on without end. */
const canBeStopped = (effect: Effect, cue: Cue): boolean =>
  cue.fires === 'toggle' ||
  cue.resets.length > 0 ||
  isBidByCircuit(effect, cue.id, 'stop') ||
  isBidByCircuit(effect, cue.id, 'reset') ||
  Object.values(effect.cues).some(
    (c) => c.enabled && actionsOf(c).some((a) => a.kind === 'cue' && a.do === 'stop' && a.cue === cue.id),
  );

/** All that can be said without a take. */
export const standingReasons = (effect: Effect, cue: Cue): Standing[] => {
  const found: Standing[] = [];
  if (!cue.enabled) found.push({ code: 'off' });
  const started =
    isBidByCircuit(effect, cue.id, 'start') ||
    isBidByCircuit(effect, cue.id, 'setOff') ||
    Object.values(effect.cues).some((c) =>
      actionsOf(c).some((a) => a.kind === 'cue' && a.do === 'start' && a.cue === cue.id),
    );
  if (cue.triggers.length === 0 && !started) found.push({ code: 'no-triggers' });
  if (actionsOf(cue).length === 0) found.push({ code: 'no-actions' });
  cue.beats.forEach((beat, i) => {
    if (!beat.enabled && beat.actions.length > 0) found.push({ code: 'beat-off', beat: i });
  });
  cue.triggers.forEach((trigger, i) => {
    const what = lacksTrigger(effect, trigger);
    if (what) found.push({ code: 'trigger-lacks', trigger: i, what });
    const reach = triggerOutOfReach(trigger, effect);
    if (reach) found.push({ code: 'out-of-reach', of: 'trigger', index: i, reach });
    if (trigger.kind === 'cue' && trigger.cue === cue.id && trigger.moment !== 'passes')
      found.push({ code: 'sets-itself-off' });
  });
  cue.conditions.forEach((condition, i) => {
    const what = lacksSignal(effect, condition.signal);
    if (what) found.push({ code: 'condition-lacks', condition: i, what });
    const reach = conditionOutOfReach(condition, effect);
    if (reach) found.push({ code: 'out-of-reach', of: 'condition', index: i, reach });
  });
  let endless = false;
  cue.beats.forEach((beat, beatIndex) => {
    if (!beat.enabled) return;
    if (endless && beat.begins === 1 && beat.actions.length > 0)
      found.push({ code: 'never-reached', beatIndex });
    endless = false;
    for (const action of beat.actions) {
      const goesOn = actionLength(action) === Infinity && roundLength(action) > 0;
      endless ||= goesOn;
      if (goesOn && !cue.triggers.some((t) => t.kind === 'effectStarts') && !canBeStopped(effect, cue))
        found.push({ code: 'endless', actionId: action.id });
      found.push(...actionReasons(effect, cue, action));
    }
  });
  return found;
};

const actionReasons = (effect: Effect, cue: Cue, action: Action): Standing[] => {
  const actionId = action.id;
  const what = missing(lacksAction(action, hasIn(effect)));
  if (what) return [{ code: 'action-lacks', actionId, what }];
  if (!actsOnObjects(action.kind)) return [];
  const targets = action.targets.flatMap((id) => effect.objects[id] ?? []);
  if (targets.length === 0) return [{ code: 'no-target', actionId }];
  const found: Standing[] = [];
  // One of each is enough: of hundreds of copies all are alike.
  const first = (test: (o: EffectObject) => boolean): EffectObject | undefined => targets.find(test);
  const add = (
    code: 'wrong-kind' | 'target-hidden' | 'already-shown' | 'already-hidden' | 'no-change',
    o?: EffectObject,
  ) => {
    if (o) found.push({ code, actionId, target: o.id });
  };
  add(
    'wrong-kind',
    first((o) =>
      reachedBy(effect, { ...action, targets: [o.id] }).every((r) => !suits(action, r, effect.assets)),
    ),
  );
  const comesBack = action.thereAndBack || action.after === 'return' || cue.fires === 'toggle';
  const never = (o: EffectObject, kinds: readonly string[]): boolean =>
    !changesVisibility(effect, o.id, kinds, action.id);
  if (action.kind === 'show')
    add(
      'already-shown',
      first((o) => o.visible && !comesBack && never(o, ['hide', 'toggle'])),
    );
  else if (action.kind === 'hide')
    add(
      'already-hidden',
      first((o) => !o.visible && !comesBack && never(o, ['show', 'toggle'])),
    );
  else if (action.kind !== 'toggle')
    add(
      'target-hidden',
      first((o) => !o.visible && !changesVisibility(effect, o.id, ['show', 'toggle', 'hide'])),
    );
  if (actionKind(action.kind).isIdle?.(action)) add('no-change', targets[0]);
  for (const { id } of targets.slice(0, 1)) {
    const other = otherWriter(effect, cue, action, id);
    if (other) found.push({ code: 'two-writers', actionId, target: id, other });
  }
  return found;
};
