/** Cues: when something happens, only if, then beats of actions. Units: seconds, metres, degrees (never wrapped). */
import { z } from 'zod';
import { cueIdSchema, promptIdSchema, variableIdSchema } from './behave-ids';
import { objectIdSchema, sceneIdSchema } from './placed-schema';
import { conditionSchema } from './signal-schema';
import { easingSchema } from './timing-schema';
import { triggerSchema } from './trigger-schema';
import { finite, hex, idText, label, unit, vec3Schema, text } from './values-schema';

export const MOST_CUES = 1000;
/** In one beat. */
export const MOST_ACTIONS = 2000;
/** Copies share the cues of what they were copied from, so one action may act on many. */
export const MOST_TARGETS = 2000;

const partIdSchema = idText;
const seconds = z.number().min(0).max(3600);

/** How the objects of one action differ, each in its own way: so that copies do not move in step. */
export const varySchema = z.strictObject({
  seed: z.number().int().min(0).max(65_535),
  /** Up to so many seconds later. */
  delay: seconds,
  /** Up to this share slower or faster. */
  speed: z.number().min(0).max(0.95),
  /** Up to this share less or more of what is done. */
  amount: z.number().min(0).max(1),
});

const timed = {
  id: partIdSchema,
  targets: z.array(objectIdSchema).max(MOST_TARGETS),
  delay: seconds,
  duration: seconds,
  easing: easingSchema,
  /** How many times; 0 runs without end. */
  repeat: z.number().int().min(0).max(1000),
  thereAndBack: z.boolean(),
  /** What was changed stays so when the action ends, or is as before at once. */
  after: z.enum(['stay', 'return']),
  vary: varySchema.nullable(),
};
/** `from` begins at the amount and goes to how things are. */
export const MODES = ['to', 'by', 'from'] as const;
const mode = z.enum(MODES);
/** Whose x, y and z an amount is in: of what the object hangs in, its own, or the viewer's. */
export const AXES_OF = ['parent', 'own', 'viewer'] as const;
const axes = z.enum(AXES_OF);
/** By the angles as they are typed, or the shortest way to the same end. */
const way = z.enum(['typed', 'short']);
export const AXES = ['x', 'y', 'z'] as const;

const kind = <K extends string, T extends z.core.$ZodLooseShape>(name: K, more: T) =>
  z.strictObject({ ...timed, kind: z.literal(name), ...more });

export const actionSchema = z.discriminatedUnion('kind', [
  kind('show', {}),
  kind('hide', {}),
  kind('toggle', {}),
  kind('fade', { opacity: unit }),
  kind('move', { mode, by: vec3Schema, axes }),
  kind('turn', { mode, by: vec3Schema, axes, way }),
  /** Factor on the placed size: 1.5 is 150 %. */
  kind('size', { mode, factor: z.number().min(0).max(100) }),
  /** Travels to how it was placed by hand when the pose was captured. */
  kind('pose', { move: vec3Schema, turn: vec3Schema, scale: vec3Schema, way }),
  /** Goes round, once in its duration: what it is placed around, another object or the viewer. */
  kind('circle', {
    around: z.enum(['middle', 'object', 'viewer']),
    object: objectIdSchema.nullable(),
    axis: z.enum(AXES),
    /** Null keeps the distance it has. */
    radius: z.number().min(0).max(1000).nullable(),
    clockwise: z.boolean(),
    /** Turns along, so that the same side stays outside. */
    turns: z.boolean(),
  }),
  /** Keeps its front to the viewer. */
  kind('face', {}),
  kind('follow', {
    /** Null is the viewer. */
    object: objectIdSchema.nullable(),
    /** How far behind it is. */
    lag: z.number().min(0).max(60),
    /** Swings a second on a spring instead of a lag; 0 has none. */
    swings: z.number().min(0).max(20),
  }),
  kind('shake', { distance: z.number().min(0).max(10), angle: finite, rate: z.number().min(0.1).max(60) }),
  kind('sway', { axis: z.enum(AXES), angle: finite }),
  kind('bounce', { height: z.number().min(-100).max(100) }),
  kind('colour', { colour: hex }),
  /** Any number of an object, by its name in `core/behave/numbers.ts`. */
  kind('number', { property: text(40), mode: z.enum(['to', 'by']), value: finite }),
  /** Sequences, videos, clips of models and sounds. */
  kind('play', {
    do: z.enum(['play', 'pause', 'stop']),
    /** Which part; null is its end. */
    from: seconds,
    to: seconds.nullable(),
    speed: z.number().min(-10).max(10),
    /** Of a model; null is the one it has. */
    clip: text(200).nullable(),
    /** How often; 0 goes on without end. */
    times: z.number().int().min(0).max(1000),
    /** How long a clip of a model takes to come in over the one before. */
    blend: z.number().min(0).max(60),
  }),
  /** Pictures of a sequence, one at a time. */
  kind('picture', { go: z.enum(['next', 'previous', 'to']), number: z.number().int().min(1).max(4096) }),
  /** As many particles at once. */
  kind('burst', { count: z.number().int().min(1).max(10_000) }),
  /** A fountain runs while the action lasts; at this share of its rate. */
  kind('flow', { share: z.number().min(0).max(100) }),
  kind('variable', {
    variable: variableIdSchema.nullable(),
    mode: z.enum(['to', 'by']),
    value: finite,
  }),
  kind('prompt', { prompt: promptIdSchema.nullable(), show: z.boolean() }),
  /** Goes over to another scene. */
  kind('scene', { scene: sceneIdSchema.nullable() }),
  kind('cue', { cue: cueIdSchema.nullable(), do: z.enum(['start', 'stop']) }),
]);

/** Actions in one beat run side by side. */
export const beatSchema = z.strictObject({
  id: partIdSchema,
  name: label,
  /** It begins when so much of the beat before is behind: 1 is when that has ended. */
  begins: unit,
  enabled: z.boolean(),
  actions: z.array(actionSchema).max(MOST_ACTIONS),
});

export const FIRES = ['each', 'once', 'toggle'] as const;
export const cueSchema = z.strictObject({
  id: cueIdSchema,
  name: label,
  order: finite,
  enabled: z.boolean(),
  /** Cues of one name stand together. */
  group: label,
  note: text(500),
  colour: hex.nullable(),
  /** Any of them sets it off. */
  triggers: z.array(triggerSchema).max(20),
  conditions: z.array(conditionSchema).max(20),
  /** How many of the conditions have to hold. */
  match: z.enum(['all', 'any']),
  /** Each time, the first time only, or forth and back by turns. */
  fires: z.enum(FIRES),
  /** Seconds after it has fired in which it does not fire again. */
  cooldown: seconds,
  /** What it does when it is set off while it is still at work. */
  again: z.enum(['restart', 'ignore']),
  /** Any of them stops it and puts what it has changed back to how it was placed. */
  resets: z.array(triggerSchema).max(20),
  beats: z.array(beatSchema).max(50),
});

export type Vary = z.infer<typeof varySchema>;
export type Action = z.infer<typeof actionSchema>;
export type ActionKind = Action['kind'];
export const ACTION_KINDS = actionSchema.options.map((o) => o.shape.kind.value) as readonly ActionKind[];
export type ActionOf<K extends ActionKind> = Extract<Action, { kind: K }>;
export type Beat = z.infer<typeof beatSchema>;
export type Cue = z.infer<typeof cueSchema>;
