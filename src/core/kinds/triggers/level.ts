/** A signal crosses a level and stays beyond it for a while. */
import { nextLevel } from '../../maths/level';
import { choice, number } from '../../schema/properties';
import { STEP } from '../../units';
import { signalKind, signalSchema, type Signal } from '../signals/signals';
import { written } from '../written';
import { defineTrigger } from './trigger-kind';

/** A face that is gone shows no expression; other signals without a value say nothing. */
const valueOf = (signal: Signal, now: number): number =>
  Number.isNaN(now) ? (signalKind(signal.kind).whenAbsent ?? NaN) : now;

export const level = defineTrigger({
  kind: 'level',
  fields: {
    signal: signalSchema,
    when: choice('Which way', { rises: 'rises to', falls: 'falls below' }),
    level: number({ name: 'Threshold', low: -1e6, high: 1e6, unit: 'plain', step: 0.05 }),
    slack: number({
      name: 'Slack',
      help: 'How far it has to come back before it can cross again',
      low: 0,
      high: 1e6,
      unit: 'plain',
      step: 0.01,
      mark: 'slack',
    }),
    hold: number({ name: 'Held for', low: 0, high: 60, unit: 'seconds', mark: 'for' }),
  },
  words: ({ signal, when, level: at }, names) => {
    if (signal.kind !== 'apart') return null;
    const from = signal.from === null ? 'viewer' : names.object(signal.from);
    const how = when === 'falls' ? 'comes within' : 'goes beyond';
    return `${from} ${how} ${written(at)} m of ${names.object(signal.object)}`;
  },
  gist: ({ signal, when }) => `${when} ${signal.kind} ${signalKind(signal.kind).gist?.(signal) ?? ''}`,
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
