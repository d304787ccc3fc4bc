/**
 * Performances and rehearsals: what a viewer does, kept under a name, and what the effect has to do then. They are for those who make the effect; viewers
 * never see them.
 */
import { z } from 'zod';
import { conditionSchema } from '../kinds/signals/signals';
import { cueIdSchema } from '../schema/behave-ids';
import { objectIdSchema } from '../schema/placed-schema';
import { choice, number, yesNo } from '../schema/properties';
import { idOf, orNone, toChoose } from '../schema/references';
import { finite, label, text } from '../schema/values-schema';
import { recordSchema } from './viewer-input-schema';

export const performanceIdSchema = idOf('performances').brand<'PerformanceId'>();
export const rehearsalIdSchema = idOf('rehearsals').brand<'RehearsalId'>();

/** Longest stretch anything is played for, seconds. */
export const LONGEST = 600;
/** A take by its id: one that ships, one of the creator's own, a clip. It may be gone. */
const takeIdSchema = text(120).min(1);

export const performanceSchema = z.strictObject({
  id: performanceIdSchema,
  name: label,
  order: finite,
  /** On which take it was recorded, and how long that is; it can be played on others. */
  take: takeIdSchema,
  length: z.number().min(0).max(LONGEST),
  /** In order of time. */
  records: z.array(recordSchema).max(5000),
});

const seconds = (name: string, mark: string) =>
  number({ name, low: 0, high: LONGEST, unit: 'seconds', mark, digits: 1 });
const between = { from: seconds('From', 'from'), to: seconds('Until', 'to') };
const base = { id: text(40).min(1) };

/** Side lengths at which looks are approved and compared: pixels. */
export const APPROVED = { width: 90, height: 160 } as const;
const approvedSchema = z.strictObject({
  take: takeIdSchema,
  width: z.number().int().min(1).max(1000),
  height: z.number().int().min(1).max(1000),
  /** PNG, base64. */
  png: z.string().max(150_000),
});

/** Classes of phones that an effect is made for; how quick they are, `core/devices/classes.ts` says. */
export const PHONE_CLASS_WORDS = {
  weak: 'a slow phone',
  usual: 'a usual phone',
  quick: 'a fast phone',
} as const;
export type PhoneClass = keyof typeof PHONE_CLASS_WORDS;

/** Everything that can be expected, in the order of the menu. */
export const EXPECTATIONS = {
  seen: z.strictObject({
    ...base,
    kind: z.literal('seen'),
    object: toChoose(objectIdSchema, 'Which object'),
    isSeen: yesNo('Whether it is seen', { words: { yes: 'is seen', no: 'is not seen' } }),
    ...between,
  }),
  fired: z.strictObject({
    ...base,
    kind: z.literal('fired'),
    cue: toChoose(cueIdSchema, 'Which cue'),
    hasFired: yesNo('Whether it fires', { words: { yes: 'fires', no: 'does not fire' } }),
    ...between,
  }),
  signal: z.strictObject({
    ...base,
    kind: z.literal('signal'),
    condition: conditionSchema,
    at: seconds('When', 'at'),
  }),
  looks: z.strictObject({
    ...base,
    kind: z.literal('looks'),
    at: seconds('When', 'at'),
    /** How much of the picture may differ. */
    tolerance: number({
      name: 'Share of the picture that may differ',
      short: 'Differing',
      low: 0,
      high: 1,
      unit: 'percent',
    }),
    pictures: z.array(approvedSchema).max(12),
  }),
  noFlash: z.strictObject({ ...base, kind: z.literal('noFlash') }),
  reads: z.strictObject({
    ...base,
    kind: z.literal('reads'),
    object: toChoose(objectIdSchema, 'Which text'),
    at: seconds('When', 'at'),
  }),
  quick: z.strictObject({
    ...base,
    kind: z.literal('quick'),
    most: number({
      name: 'Milliseconds a picture may take',
      low: 1,
      high: 1000,
      unit: 'milliseconds',
      mark: 'up to',
    }),
    on: choice('On which phone', PHONE_CLASS_WORDS),
  }),
} as const;
export type ExpectationKind = keyof typeof EXPECTATIONS;
export const EXPECTATION_KINDS = Object.keys(EXPECTATIONS) as readonly ExpectationKind[];
export type ExpectationOf<K extends ExpectationKind> = z.infer<(typeof EXPECTATIONS)[K]>;
export type Expectation = { [K in ExpectationKind]: ExpectationOf<K> }[ExpectationKind];
export type ApprovedPicture = z.infer<typeof approvedSchema>;

/** As menus call them. */
export const EXPECTATION_WORDS: Readonly<Record<ExpectationKind, string>> = {
  seen: 'An object is seen, or is not',
  fired: 'A cue fires, or does not',
  signal: 'A signal is so much at a moment',
  looks: 'It looks as approved',
  noFlash: 'Nothing flashes',
  reads: 'A text can be read',
  quick: 'It is quick enough, by estimate',
};

export const MOST_EXPECTATIONS = 50;
/** Takes that a rehearsal is played on. */
export const MOST_REHEARSED = 12;
export const rehearsalSchema = z.strictObject({
  id: rehearsalIdSchema,
  name: label,
  order: finite,
  performance: orNone(performanceIdSchema, 'What the viewer does', 'nothing'),
  takes: z.array(takeIdSchema).max(MOST_REHEARSED),
  expectations: z
    .array(
      z.discriminatedUnion('kind', Object.values(EXPECTATIONS) as never) as unknown as z.ZodType<Expectation>,
    )
    .max(MOST_EXPECTATIONS),
});

export type PerformanceId = z.infer<typeof performanceIdSchema>;
export type RehearsalId = z.infer<typeof rehearsalIdSchema>;
export type ViewerPerformance = z.infer<typeof performanceSchema>;
export type Rehearsal = z.infer<typeof rehearsalSchema>;
