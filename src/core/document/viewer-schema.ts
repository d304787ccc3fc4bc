/** What the viewer is given to see and to use: variables behind it, controls, prompts, and what drives what. */
import { z } from 'zod';
import { assetIdSchema } from '../schema/asset-schema';
import { controlIdSchema, driveIdSchema, promptIdSchema, variableIdSchema } from '../schema/behave-ids';
import { sceneIdSchema } from '../schema/placed-schema';
import { conditionSchema, signalSchema } from '../kinds/signals/signals';
import { choice, number, yesNo } from '../schema/properties';
import { remapSchema } from '../schema/timing-schema';
import { triggerSchema } from '../kinds/triggers/triggers';
import { writableSchema } from '../kinds/writables/writables';
import { finite, label, text } from '../schema/values-schema';

/** A number that cues set and compare. */
export const variableSchema = z.strictObject({
  id: variableIdSchema,
  name: label,
  order: finite,
  start: finite,
});

const control = {
  id: controlIdSchema,
  name: label,
  order: finite,
  /** The scene it is seen in; null is every one. */
  scene: sceneIdSchema.nullable(),
};
const plain = (name: string) => number({ name, low: -1e6, high: 1e6, unit: 'plain', step: 1 });
const icon = assetIdSchema.nullable();
export const MOST_OPTIONS = 12;
export const controlSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...control,
    kind: z.literal('slider'),
    least: plain('Least'),
    most: plain('Most'),
    /** 0 has no steps. */
    step: number({
      name: 'Step; 0 has none',
      short: 'Step',
      low: 0,
      high: 1e6,
      unit: 'plain',
      digits: 3,
      step: 1,
    }),
    start: plain('Starts at'),
    /** Said after the value. */
    unit: text(12),
    /** Pictures at its ends; where there is none, a letter, a sign or a short word. */
    lowIcon: icon,
    highIcon: icon,
    lowText: text(12),
    highText: text(12),
    showsName: yesNo('Its name is shown'),
    showsValue: yesNo('Its value is shown'),
  }),
  z.strictObject({
    ...control,
    kind: z.literal('choice'),
    options: z.array(z.strictObject({ name: label, picture: icon })).max(MOST_OPTIONS),
    /** From 1. */
    start: z.number().int().min(1).max(MOST_OPTIONS),
  }),
  z.strictObject({ ...control, kind: z.literal('switch'), start: yesNo('On at the start') }),
  z.strictObject({ ...control, kind: z.literal('button') }),
]);

/** Texts that ship with Iconia in several languages. */
export const READY_PROMPTS = [
  'tapScreen',
  'tapObject',
  'holdScreen',
  'dragObject',
  'openMouth',
  'puckerLips',
  'blow',
  'smile',
  'wink',
  'closeEyes',
  'raiseBrows',
  'nod',
  'shakeHead',
  'tiltHead',
  'turnHead',
  'comeCloser',
  'stepBack',
  'showFace',
  'bringFriend',
  'showHand',
  'openPalm',
  'thumbUp',
  'findFloor',
  'findTable',
  'findWall',
  'tapToPlace',
  'findPicture',
  'walkAround',
  'flipCamera',
  'startRecording',
  'moveSlider',
  'chooseOne',
] as const;
/** Where a prompt stands on the screen. */
export const PROMPT_PLACES = {
  top: 'near the top',
  middle: 'in the middle',
  bottom: 'near the foot',
} as const;
export const promptSchema = z.strictObject({
  id: promptIdSchema,
  order: finite,
  text: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('ready'), key: z.enum(READY_PROMPTS) }),
    z.strictObject({ kind: z.literal('own'), text: text(120) }),
  ]),
  /** Any of them shows it, while all conditions hold; cues can show it too. */
  shownWhen: z.array(triggerSchema).max(10),
  onlyIf: z.array(conditionSchema).max(10),
  hiddenWhen: z.array(triggerSchema).max(10),
  /** After so long it goes by itself; 0 stays. */
  seconds: number({ name: 'Hidden after so long; 0 stays', low: 0, high: 600, unit: 'seconds' }),
  /** On the screen: camera apps have buttons at its top and at its foot. */
  place: choice('Where it stands', PROMPT_PLACES),
});

/** A signal drives something, all the time. */
export const driveSchema = z.strictObject({
  id: driveIdSchema,
  order: finite,
  enabled: z.boolean(),
  signal: signalSchema,
  remap: remapSchema,
  /** Seconds it is behind. */
  lag: number({ name: 'Behind by', low: 0, high: 60, unit: 'seconds' }),
  /** What it drives; kinds of it: `core/kinds/writables`. */
  to: writableSchema,
});

export type Variable = z.infer<typeof variableSchema>;
export type Control = z.infer<typeof controlSchema>;
export type ControlKind = Control['kind'];
export type ControlOf<K extends ControlKind> = Extract<Control, { kind: K }>;
export type Prompt = z.infer<typeof promptSchema>;
export type ReadyPrompt = (typeof READY_PROMPTS)[number];
export type Drive = z.infer<typeof driveSchema>;
