/** What happens at a moment: told from yes and no, counted, held back, handed on. */
import {
  event,
  follows,
  input,
  keeps,
  num,
  output,
  plainNode,
  pure,
  sum,
  truth,
  type InputPort,
} from './node-kind';
import { STEP } from '../../units';

const EVENT = output('event', 'event');
const is = (x: boolean): number => (x ? 1 : 0);
type Numbers = readonly number[];
/** An event that need not come from anywhere. */
const maybe = (name: string): InputPort => input(name, 'event', 0);

export const EVENT_NODES = {
  becomesTrue: keeps([truth('value')], [EVENT], 0, (was: number, [now]: Numbers) => ({
    state: now!,
    out: [is(now !== 0 && was === 0)],
  })),
  becomesFalse: keeps([truth('value')], [EVENT], 0, (was: number, [now]: Numbers) => ({
    state: now!,
    out: [is(now === 0 && was !== 0)],
  })),
  changes: keeps([num('value')], [EVENT], null as number | null, (was: number | null, [now]: Numbers) =>
    Number.isNaN(now) ? { state: was, out: [0] } : { state: now!, out: [is(was !== null && was !== now)] },
  ),
  anyEvent: sum(
    [event('a'), maybe('b'), maybe('c'), maybe('d')],
    (a, b, c, d) => is(a + b + c + d > 0),
    EVENT,
  ),
  gate: sum([event('event'), truth('while', 1)], (e, open) => is(e !== 0 && open !== 0), EVENT),
  splitBy: pure(
    [event('event'), truth('if')],
    [output('yes', 'event'), output('no', 'event')],
    ([e, k]: Numbers) => [is(e !== 0 && k !== 0), is(e !== 0 && k === 0)],
  ),
  latch: follows(
    [event('set'), maybe('reset')],
    0,
    (was, set, reset) => (reset ? 0 : set ? 1 : was),
    output('yes', 'truth'),
  ),
  toggle: follows([event('event')], 0, (was, e) => (e ? 1 - was : was), output('yes', 'truth')),
  counter: keeps(
    [event('up'), maybe('down'), maybe('reset'), num('start')],
    [output('count', 'number'), output('changes', 'event')],
    null as number | null,
    (was: number | null, [up, down, reset, start]: Numbers) => {
      const before = was ?? start!;
      const now = (reset ? start! : before) + (up ? 1 : 0) - (down ? 1 : 0);
      return { state: now, out: [now, is(was !== null ? now !== was : now !== start)] };
    },
  ),
  everyNth: keeps([event('event'), num('every', 5)], [EVENT], 0, (was: number, [e, every]: Numbers) => {
    if (!e) return { state: was, out: [0] };
    const now = was + 1;
    return now >= Math.max(1, Math.round(every!)) ? { state: 0, out: [1] } : { state: now, out: [0] };
  }),
  once: keeps([event('event'), maybe('reset')], [EVENT], 0, (was: number, [e, reset]: Numbers) => {
    const before = reset ? 0 : was;
    return { state: before || (e ? 1 : 0), out: [is(e !== 0 && before === 0)] };
  }),
  pause: keeps(
    [event('event'), num('pause', 0.5, { unit: 'seconds' })],
    [EVENT],
    null as number | null,
    (last: number | null, [e, pause]: Numbers, { time }) => {
      const may = last === null || time - last >= pause! - 1e-9;
      return e && may ? { state: time, out: [1] } : { state: last, out: [0] };
    },
  ),
  debounce: keeps(
    [event('event'), num('rest', 0.3, { unit: 'seconds' })],
    [EVENT],
    null as number | null,
    (since: number | null, [e, rest]: Numbers, { time }) => {
      if (e) return { state: time, out: [0] };
      const rests = since !== null && time - since >= rest! - 1e-9;
      return { state: rests ? null : since, out: [is(rests)] };
    },
  ),
  inOrder: keeps(
    [event('event'), num('ways', 4), maybe('reset')],
    ['1', '2', '3', '4'].map((name) => output(name, 'event')),
    0,
    (was: number, [e, ways, reset]: Numbers) => {
      const at = reset ? 0 : was;
      const of = Math.min(4, Math.max(1, Math.round(ways!)));
      return e ? { state: (at + 1) % of, out: oneOf(at % of) } : { state: at, out: oneOf(-1) };
    },
  ),
  randomWay: pure(
    [event('event'), num('1', 1), num('2', 1), num('3', 0), num('4', 0)],
    ['1', '2', '3', '4'].map((name) => output(name, 'event')),
    ([e, ...weights]: Numbers, at) => {
      const shares = weights.map((w) => Math.max(0, w || 0));
      const all = shares.reduce((a, b) => a + b, 0);
      if (!e || all === 0) return oneOf(-1);
      let left = at.random() * all;
      const way = shares.findIndex((share) => (left -= share) < 0);
      return oneOf(way < 0 ? shares.findLastIndex((share) => share > 0) : way);
    },
  ),
  shuffled: keeps(
    [event('event'), num('many', 4)],
    [output('number', 'number'), output('all dealt', 'event')],
    { left: [] as readonly number[], now: 0 },
    (was: { left: readonly number[]; now: number }, [e, many]: Numbers, at) => {
      if (!e) return { state: was, out: [was.now, 0] };
      const count = Math.min(200, Math.max(1, Math.round(many!)));
      const left = was.left.length > 0 ? was.left : Array.from({ length: count }, (_, i) => i + 1);
      const i = Math.min(left.length - 1, Math.floor(at.random() * left.length));
      const state = { left: left.toSpliced(i, 1), now: left[i]! };
      return { state, out: [state.now, is(state.left.length === 0)] };
    },
  ),
  keepAt: follows([event('event'), num('value')], NaN, (was, e, value) => (e ? value! : was)),
  lasts: keeps(
    [event('event'), num('long', 1, { unit: 'seconds' })],
    [output('yes', 'truth'), output('ends', 'event')],
    null as number | null,
    (since: number | null, [e, long]: Numbers, { time }) => {
      const begun = e ? time : since;
      const isOn = begun !== null && time - begun < long! - 1e-9;
      return { state: isOn ? begun : null, out: [is(isOn), is(begun !== null && !isOn)] };
    },
  ),
  begins: keeps([], [EVENT], 0, (was: number) => ({ state: 1, out: [is(was === 0)] })),
  happens: plainNode({
    inputs: [event('event')],
    outputs: [output('seconds', 'number', { unit: 'seconds' })],
    run: {
      as: 'memory',
      fresh: () => null,
      next: (state, [e]: Numbers) => {
        const was = state as number | null;
        const now = e ? 0 : was === null ? null : was + STEP;
        return { state: now, out: [now ?? NaN] };
      },
    },
  }),
};

/** Four ways, of which one is taken; none for -1. */
const oneOf = (way: number): readonly number[] => [0, 1, 2, 3].map((i) => (i === way ? 1 : 0));
