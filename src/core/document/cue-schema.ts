/** Cues: when something happens, only if, then beats of actions. Seconds. */
import { z } from 'zod';
import { actionSchema } from '../kinds/actions/actions';
import { cueIdSchema } from '../schema/behave-ids';
import { conditionSchema } from '../kinds/signals/signals';
import { triggerSchema } from '../kinds/triggers/triggers';
import { choice, number } from '../schema/properties';
import { finite, hex, idText, label, text } from '../schema/values-schema';

/** What sets one cue off. */
export const MOST_TRIGGERS = 20;
export const MOST_CUES = 1000;
/** In one beat. */
export const MOST_ACTIONS = 2000;

/** Actions in one beat run side by side. */
export const beatSchema = z.strictObject({
  id: idText,
  name: label,
  /** It begins when so much of the beat before is behind: 1 is when that has ended. */
  begins: number({
    name: 'The beat begins after so much of the one before',
    low: 0,
    high: 1,
    unit: 'percent',
    step: 5,
  }),
  enabled: z.boolean(),
  actions: z.array(actionSchema).max(MOST_ACTIONS),
});

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
  triggers: z.array(triggerSchema).max(MOST_TRIGGERS),
  conditions: z.array(conditionSchema).max(20),
  /** How many of the conditions have to hold. */
  match: z.enum(['all', 'any']),
  /** Each time, the first time only, or forth and back by turns. */
  fires: choice('How often it fires', { each: 'each time', once: 'once', toggle: 'forth and back by turns' }),
  /** Seconds after it has fired in which it does not fire again. */
  cooldown: number({ name: 'Pause after it fired', low: 0, high: 3600, unit: 'seconds' }),
  /** What it does when it is set off while it is still at work. */
  again: choice('Set off while at work', { restart: 'it begins anew', ignore: 'it goes on' }),
  /** Any of them stops it and puts what it has changed back to how it was placed. */
  resets: z.array(triggerSchema).max(20),
  beats: z.array(beatSchema).max(50),
});

export type Beat = z.infer<typeof beatSchema>;
export type Cue = z.infer<typeof cueSchema>;
