/** A signal crosses a level and stays beyond it for a while. */
import { z } from 'zod';
import { nextLevel } from '../../maths/level';
import { signalSchema, type Signal } from '../../schema/signal-schema';
import { finite } from '../../schema/values-schema';
import { STEP } from '../../units';
import { written } from '../written';
import { defineTrigger } from './trigger-kind';

/** A face that is gone shows no expression; other signals without a value say nothing. */
const valueOf = (signal: Signal, now: number): number =>
  Number.isNaN(now) && signal.kind === 'expression' ? 0 : now;

/** Of a signal, what beside its kind makes it another one. */
const gistOf = (signal: Signal): string => {
  switch (signal.kind) {
    case 'expression':
      return signal.name;
    case 'head':
      return signal.of;
    case 'hand':
      return signal.shape;
    case 'apart':
      return signal.from === null ? 'viewer' : 'object';
    default:
      return '';
  }
};

export const level = defineTrigger({
  kind: 'level',
  fields: {
    signal: signalSchema,
    when: z.enum(['rises', 'falls']),
    level: finite,
    /** How far it has to come back before it can cross again, in the signal's own unit. */
    slack: z.number().min(0).max(1e6),
    hold: z.number().min(0).max(60),
  },
  words: ({ signal, when, level: at }, names) => {
    if (signal.kind !== 'apart') return null;
    const from = signal.from === null ? 'viewer' : names.object(signal.from);
    const how = when === 'falls' ? 'comes within' : 'goes beyond';
    return `${from} ${how} ${written(at)} m of ${names.object(signal.object)}`;
  },
  gist: ({ signal, when }) => `${when} ${signal.kind} ${gistOf(signal)}`,
  signals: ({ signal }) => [signal],
  watch: (trigger, watched, state) => {
    const value = valueOf(trigger.signal, watched.signal(trigger.signal));
    if (Number.isNaN(value)) return { state, fired: false };
    // Falling is rising upside down.
    const way = trigger.when === 'rises' ? 1 : -1;
    const at = way * trigger.level;
    let { over, since } = state;
    // What is below from the beginning has not fallen.
    if (state.last === null && way < 0 && -value >= at) over = true;
    const next = nextLevel(
      { over, since },
      way * value,
      { level: at, release: at - trigger.slack, hold: trigger.hold },
      STEP,
    );
    ({ over, since } = next.state);
    const same = over === state.over && since === state.since && state.last !== null;
    return { state: same ? state : { over, since, last: 0 }, fired: next.event === 'rise' };
  },
});
