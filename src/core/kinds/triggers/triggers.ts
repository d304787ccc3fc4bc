/** The kinds of triggers: all of them, and what follows from their definitions. */
import type { z } from 'zod';
import { propertiesIn, type Property } from '../../schema/properties';
import { lackingIn } from '../../schema/references';
import type { Referred } from '../../schema/referred';
import type { Signal } from '../signals/signals';
import { schemaOfKinds, type OfKinds } from '../any-kind';
import { after } from './after';
import { control } from './control';
import { cue } from './cue';
import { effectStarts } from './effect-starts';
import { every } from './every';
import { face } from './face';
import { head } from './head';
import { level } from './level';
import { picture } from './picture';
import { screen } from './screen';
import { surface } from './surface';
import { touch } from './touch';
import type { TriggerSpec, Watched, WatchResult, WatchState } from './trigger-kind';
import { variable } from './variable';
import { viewer } from './viewer';

export const TRIGGER_KINDS = {
  effectStarts,
  after,
  every,
  screen,
  touch,
  level,
  head,
  face,
  picture,
  surface,
  viewer,
  control,
  variable,
  cue,
} as const;
type Kinds = typeof TRIGGER_KINDS;
export type TriggerKind = keyof Kinds;
export type TriggerOf<K extends TriggerKind> = z.infer<Kinds[K]['schema']>;
export type Trigger = OfKinds<Kinds>;
export const triggerSchema = schemaOfKinds(TRIGGER_KINDS);

/** What a kind is, for whoever does not care which one it is. */
export const triggerKind = (kind: TriggerKind): TriggerSpec<Trigger> & { readonly schema: z.ZodType } =>
  TRIGGER_KINDS[kind] as never;

/** What can be set of a trigger beside which ready one it is, by its path. */
export const triggerProperties = (trigger: Trigger): Readonly<Record<string, Property>> => {
  const { schema, unused } = triggerKind(trigger.kind);
  const away = new Set(unused?.(trigger));
  return Object.fromEntries(
    Object.entries(propertiesIn(schema, trigger)).filter(([path]) => !away.has(path)),
  );
};

/** One step of watching a trigger: its state afterwards, and whether it went off. */
export const nextWatch = (trigger: Trigger, state: WatchState, watched: Watched): WatchResult => {
  const result = triggerKind(trigger.kind).watch(trigger, watched, state);
  return typeof result === 'boolean' ? { state, fired: result } : result;
};

/** What of two triggers has to be alike to be called the same. */
export const gistOf = (trigger: Trigger): string =>
  `${trigger.kind} ${triggerKind(trigger.kind).gist?.(trigger) ?? ''}`;

/** The signals that a trigger looks at. */
export const signalsOfTrigger = (trigger: Trigger): readonly Signal[] =>
  triggerKind(trigger.kind).signals?.(trigger) ?? [];

/** What a trigger names that is not chosen, or not there any more. */
export const lacksTrigger = (trigger: Trigger, has: (to: Referred, id: string) => boolean): Referred | null =>
  lackingIn(triggerKind(trigger.kind).schema, trigger, has);
