/** The kinds of actions: all of them, and what follows from their definitions. */
import { z } from 'zod';
import type { ObjectId } from '../../schema/placed-schema';
import { propertiesIn, type Property } from '../../schema/properties';
import { lackingIn } from '../../schema/references';
import type { Referred } from '../../schema/referred';
import type { Seconds } from '../../units';
import { schemaOfKinds, type OfKinds } from '../any-kind';
import type { Assets } from '../objects/object-kind';
import type { EffectObject } from '../objects/objects';
import type { Values } from '../values';
import { ACTION_GROUPS, timed, type ActionGroup, type ActionSpec, type Has, type Timed } from './action-kind';
import { bounce } from './bounce';
import { burst } from './burst';
import { circle } from './circle';
import { colour } from './colour';
import { cue } from './cue';
import { face } from './face';
import { fade } from './fade';
import { flow } from './flow';
import { follow } from './follow';
import { hide } from './hide';
import { move } from './move';
import { number } from './number';
import { picture } from './picture';
import { play } from './play';
import { pose } from './pose';
import { prompt } from './prompt';
import { scene } from './scene';
import { shake } from './shake';
import { show } from './show';
import { size } from './size';
import { sway } from './sway';
import { toggle } from './toggle';
import { turn } from './turn';
import { variable } from './variable';

/** In the order of the menus. */
export const ACTION_KINDS_BY_NAME = {
  show,
  hide,
  toggle,
  fade,
  colour,
  move,
  turn,
  size,
  pose,
  circle,
  follow,
  face,
  sway,
  shake,
  bounce,
  play,
  picture,
  burst,
  flow,
  number,
  variable,
  prompt,
  scene,
  cue,
} as const;
type Kinds = typeof ACTION_KINDS_BY_NAME;
export type ActionKind = keyof Kinds;
export const ACTION_KINDS = Object.keys(ACTION_KINDS_BY_NAME) as readonly ActionKind[];
export type ActionOf<K extends ActionKind> = z.infer<Kinds[K]['schema']>;
export type Action = OfKinds<Kinds>;
export const actionSchema = schemaOfKinds(ACTION_KINDS_BY_NAME);

/** What a kind is, for whoever does not care which one it is. */
export const actionKind = (
  kind: ActionKind,
): ActionSpec<Action> & {
  readonly kind: ActionKind;
  readonly schema: z.ZodType;
  readonly fresh: Partial<Action>;
} => ACTION_KINDS_BY_NAME[kind] as never;

/** Kinds by the groups of menus. */
export const ACTIONS_BY_GROUP: readonly (readonly [ActionGroup, readonly ActionKind[]])[] = ACTION_GROUPS.map(
  (group) => [group, ACTION_KINDS.filter((kind) => actionKind(kind).group === group)],
);

/** Whether it acts on objects, or on the effect as a whole. */
export const actsOnObjects = (kind: ActionKind): boolean => actionKind(kind).actsOn === 'objects';

/** What an action changes of an object, to be put back. */
export const changedBy = (action: Action, object: EffectObject): readonly (keyof Values)[] => {
  const { changes = [] } = actionKind(action.kind);
  return typeof changes === 'function' ? changes(action, object) : changes;
};

/** What only one action at a time can rightly change. */
const CONTESTED: ReadonlySet<keyof Values> = new Set(['move', 'turn', 'scale', 'opacity', 'colour']);
/** What an action writes that another could write too; null for what only is laid over. */
export const contestedBy = (kind: ActionKind): keyof Values | null => {
  const { changes } = actionKind(kind);
  const first = typeof changes === 'function' ? undefined : changes?.[0];
  return first !== undefined && CONTESTED.has(first) ? first : null;
};

/** What an action names that is not chosen, or not there any more; its targets aside. */
export const lacksAction = (action: Action, has: Has): Referred | null => {
  const { lacks, schema } = actionKind(action.kind);
  return lacks ? lacks(action, has) : lackingIn(schema, { ...action, targets: [] }, has);
};

/** What can be set of an action beside its timing, by its path: what does nothing as it is set is left out. */
export const actionProperties = (action: Action): Readonly<Record<string, Property>> => {
  const { schema, unused } = actionKind(action.kind);
  const away = new Set(unused?.(action));
  return Object.fromEntries(
    Object.entries(propertiesIn(schema, action)).filter(([path]) => {
      const [field] = path.split('.');
      return !(field! in timed) && !away.has(field!);
    }),
  );
};

/** How an action is timed and how its objects differ, described. */
export const TIMING = propertiesIn(z.object(timed), { vary: {} });

/** Why an action can do nothing to such an object, said of it; null where it can. */
export const unsuited = (action: Action, object: EffectObject, assets: Assets): string | null =>
  actionKind(action.kind).unsuited?.(action, object, assets) ?? null;
/** Whether an action can do anything to such an object. */
export const suits = (action: Action, object: EffectObject, assets: Assets): boolean =>
  unsuited(action, object, assets) === null;

/** Time one round of an action takes. */
export const roundLength = (action: Action): Seconds => action.duration * (action.thereAndBack ? 2 : 1);

/** Time an action takes after its delay; Infinity when it repeats without end. */
export const actionLength = (action: Action): Seconds => {
  const { pace, everyRound } = actionKind(action.kind);
  if (pace === 'atOnce') return 0;
  const comesBack = action.thereAndBack || action.after === 'return';
  if (pace === 'switches' && !comesBack && !(everyRound && action.repeat !== 1)) return 0;
  const once = roundLength(action);
  return action.repeat === 0 && once > 0 ? Infinity : once * Math.max(1, action.repeat);
};

/** The same on one of its objects. */
export const lengthOn = (action: Action, object: EffectObject, assets: Assets): Seconds =>
  actionKind(action.kind).length?.(action, object, assets) ?? actionLength(action);

/** How long it takes on the one of its objects that takes longest; one without end counts its first round. */
export const longestOn = (action: Action, objects: readonly EffectObject[], assets: Assets): Seconds => {
  const lengths = objects.map((object) => lengthOn(action, object, assets));
  const longest = lengths.length > 0 ? Math.max(...lengths) : actionLength(action);
  return longest === Infinity ? roundLength(action) : longest;
};

const usualTiming: Omit<Timed, 'id' | 'targets'> = {
  duration: 0.4,
  delay: 0,
  easing: 'out',
  repeat: 1,
  thereAndBack: false,
  after: 'stay',
  vary: null,
};

/** An action as it is before a creator changes anything. */
export const newAction = (id: string, kind: ActionKind, target: ObjectId | null): Action =>
  ({
    id,
    targets: target !== null && actsOnObjects(kind) ? [target] : [],
    ...usualTiming,
    kind,
    ...structuredClone(actionKind(kind).fresh),
  }) as Action;
