/** Time: told, held back, repeated; and numbers that change with it. */
import { choice, number } from '../../schema/properties';
import { easingSchema } from '../../schema/timing-schema';
import { eased } from '../../maths/curve';
import { followed, onSpring, type Sprung } from '../../maths/motion';
import { pcg3d } from '../../maths/hash';
import { clamp, lerp } from '../../maths/scalar';
import { STEP } from '../../units';
import { defineNode, event, follows, input, keeps, num, output, plainNode, truth } from './node-kind';

type Numbers = readonly number[];
const is = (x: boolean): number => (x ? 1 : 0);
const SECONDS = { unit: 'seconds' } as const;
/** Steps in so many seconds, at least none. */
const stepsIn = (seconds: number): number => Math.max(0, Math.round((seconds || 0) / STEP));
/** Longest that something is held back. */
const LONGEST = 60;

export const TIME_NODES = {
  time: plainNode({
    inputs: [],
    outputs: [output('seconds', 'number', SECONDS)],
    run: { as: 'reads', of: (_set, at) => at.time },
  }),
  delayEvent: keeps(
    [event('event'), num('later', 1, SECONDS)],
    [output('event', 'event')],
    [] as readonly number[],
    (waiting: readonly number[], [e, later]: Numbers, { step }) => {
      const due = step + stepsIn(Math.min(later!, 3600));
      // As many as fit: an event in every step of a minute.
      const all = e ? [...waiting, due].slice(-3600) : waiting;
      const passes = all.some((at) => at <= step);
      return { state: passes ? all.filter((at) => at > step) : all, out: [is(passes)] };
    },
  ),
  before: keeps(
    [num('value', 0, { late: true })],
    [output('value', 'number')],
    0,
    (_was: number, [now]: Numbers) => ({ state: now!, out: [now!] }),
  ),
  earlier: keeps(
    [num('value'), num('ago', 0.5, SECONDS)],
    [output('value', 'number')],
    [] as readonly number[],
    (kept: readonly number[], [now, ago]: Numbers) => {
      const steps = Math.min(stepsIn(ago!), LONGEST / STEP);
      const all = [...kept, now!].slice(-(steps + 1));
      return { state: all, out: [all[0]!] };
    },
  ),
  every: keeps(
    [num('seconds', 1, SECONDS), truth('while', 1)],
    [output('event', 'event'), output('count', 'number')],
    { next: -1, count: 0 },
    (was: { next: number; count: number }, [seconds, on]: Numbers, { step }) => {
      if (!on) return { state: { ...was, next: -1 }, out: [0, was.count] };
      const due = was.next < 0 ? step : was.next;
      if (step < due) return { state: { ...was, next: due }, out: [0, was.count] };
      const state = { next: due + Math.max(1, stepsIn(seconds!)), count: was.count + 1 };
      return { state, out: [1, state.count] };
    },
  ),
  beat: keeps(
    [num('a minute', 120), truth('while', 1)],
    [output('beat', 'event'), output('share', 'number', { unit: 'percent' }), output('count', 'number')],
    0,
    // Beats that have passed.
    (was: number, [tempo, on]: Numbers) => {
      const next = on ? was + (Math.max(0, tempo!) / 60) * STEP : was;
      const begins = on !== 0 && (was === 0 || Math.floor(next + 1e-9) > Math.floor(was + 1e-9));
      return { state: next, out: [is(begins), was - Math.floor(was + 1e-9), Math.floor(was + 1e-9)] };
    },
  ),
  stopwatch: keeps(
    [truth('while', 1), input('reset', 'event', 0)],
    [output('seconds', 'number', SECONDS)],
    0,
    (was: number, [on, reset]: Numbers) => {
      const from = reset ? 0 : was;
      return { state: on ? from + STEP : from, out: [from] };
    },
  ),
  countdown: keeps(
    [event('start'), num('from', 20, SECONDS)],
    [output('left', 'number', SECONDS), output('ends', 'event'), output('runs', 'truth')],
    null as number | null,
    (was: number | null, [start, from]: Numbers) => {
      const left = start ? from! : was;
      if (left === null) return { state: null, out: [from!, 0, 0] };
      const ends = left > 0 && left <= STEP + 1e-9;
      const rest = left - STEP;
      return { state: rest < 1e-9 ? 0 : rest, out: [left, is(ends), is(left > 0)] };
    },
  ),
  at: keeps(
    [num('seconds', 5, SECONDS)],
    [output('event', 'event')],
    0,
    (was: number, [seconds]: Numbers, { time }) => {
      const over = is(time >= seconds! - 1e-9);
      return { state: over, out: [is(over === 1 && was === 0)] };
    },
  ),
  ramp: defineNode({
    inputs: [event('start'), num('seconds', 1, SECONDS)],
    outputs: [
      output('value', 'number', { unit: 'percent' }),
      output('ends', 'event'),
      output('runs', 'truth'),
    ],
    fields: { easing: easingSchema },
    fresh: { easing: 'inOut' },
    run: {
      as: 'memory',
      fresh: () => null,
      next: (state, [start, seconds]: Numbers, { easing }) => {
        const since = start ? 0 : (state as number | null);
        if (since === null) return { state: null, out: [0, 0, 0] };
        const takes = Math.max(STEP, seconds!);
        const share = Math.min(1, since / takes);
        const ends = since >= takes - 1e-9 && since - STEP < takes - 1e-9;
        return { state: since + STEP, out: [eased(easing, share), is(ends), is(share < 1)] };
      },
    },
  }),
  cycle: defineNode({
    inputs: [num('seconds', 2, SECONDS), truth('while', 1)],
    outputs: [output('value', 'number', { unit: 'percent' }), output('anew', 'event')],
    fields: {
      shape: choice('How it goes', {
        anew: 'begins anew',
        back: 'there and back',
        wave: 'there and back, softly',
      }),
    },
    fresh: { shape: 'back' },
    run: {
      as: 'memory',
      fresh: () => 0,
      next: (state, [seconds, on]: Numbers, { shape }) => {
        const at = state as number;
        const next = on && seconds! > 0 ? at + STEP / seconds! : at;
        const t = at - Math.floor(at);
        const value =
          shape === 'anew'
            ? t
            : shape === 'back'
              ? 1 - Math.abs(1 - 2 * t)
              : (1 - Math.cos(2 * Math.PI * t)) / 2;
        return { state: next, out: [value, is(Math.floor(next) > Math.floor(at))] };
      },
    },
  }),
};

export const CHANGE_NODES = {
  smooth: follows([num('value'), num('behind', 0.2, SECONDS)], NaN, (was, value, lag) =>
    Number.isNaN(value) ? was : Number.isNaN(was) ? value! : followed(was, value!, lag!, STEP),
  ),
  spring: keeps(
    [num('value'), num('swings', 2, { label: 'swings /s' }), num('damping', 0.3)],
    [output('value', 'number'), output('speed', 'number')],
    null as Sprung | null,
    (was: Sprung | null, [value, swings, damping]: Numbers) => {
      if (Number.isNaN(value)) return { state: was, out: [was?.at ?? NaN, was?.speed ?? 0] };
      const how = { swings: clamp(swings!, 0.01, 30), damping: clamp(damping!, 0, 4) };
      const now = was === null ? { at: value!, speed: 0 } : onSpring(was, value!, how, STEP);
      return { state: now, out: [now.at, now.speed] };
    },
  ),
  towards: follows([num('value'), num('a second', 1)], NaN, (was, value, rate) => {
    const far = Math.abs(rate!) * STEP;
    return Number.isNaN(value) ? was : Number.isNaN(was) ? value! : was + clamp(value! - was, -far, far);
  }),
  speed: keeps([num('value')], [output('a second', 'number')], NaN, (was: number, [value]: Numbers) => ({
    state: value!,
    out: [Number.isNaN(value! - was) ? 0 : (value! - was) / STEP],
  })),
  addUp: keeps(
    [num('a second', 1), truth('while', 1), input('reset', 'event', 0)],
    [output('value', 'number')],
    0,
    (was: number, [rate, on, reset]: Numbers) => {
      const from = reset ? 0 : was;
      return { state: on && !Number.isNaN(rate) ? from + rate! * STEP : from, out: [from] };
    },
  ),
  hysteresis: follows(
    [num('value'), num('on', 0.6, { label: 'yes above' }), num('off', 0.4, { label: 'no below' })],
    0,
    (was, value, on, off) => (value! > on! ? 1 : value! < off! ? 0 : was),
    output('yes', 'truth'),
  ),
  extremes: keeps(
    [num('value'), input('reset', 'event', 0)],
    [output('least', 'number'), output('greatest', 'number')],
    [NaN, NaN],
    (was: Numbers, [value, reset]: Numbers) => {
      if (Number.isNaN(value)) return { state: was, out: was };
      const now =
        reset || Number.isNaN(was[0])
          ? [value!, value!]
          : [Math.min(was[0]!, value!), Math.max(was[1]!, value!)];
      return { state: now, out: now };
    },
  ),
  average: keeps(
    [num('value'), num('seconds', 1, SECONDS)],
    [output('value', 'number')],
    [] as Numbers,
    (kept: Numbers, [value, seconds]: Numbers) => {
      const most = Math.max(1, Math.min(stepsIn(seconds!), LONGEST / STEP));
      const all = Number.isNaN(value) ? kept : [...kept, value!].slice(-most);
      return { state: all, out: [all.length === 0 ? NaN : all.reduce((a, b) => a + b, 0) / all.length] };
    },
  ),
  noise: defineNode({
    inputs: [num('a second', 1), num('far', 1)],
    outputs: [output('value', 'number')],
    fields: { seed: number({ name: 'Seed', low: 0, high: 65_535, unit: 'count', whole: true }) },
    fresh: { seed: 1 },
    run: {
      as: 'memory',
      fresh: () => 0,
      next: (state, [rate, far]: Numbers, { seed }) => {
        const at = state as number;
        return { state: at + Math.max(0, rate! || 0) * STEP, out: [far! * drift(at, seed)] };
      },
    },
  }),
  randomBetween: keeps(
    [event('event'), num('from'), num('to', 1)],
    [output('value', 'number')],
    NaN,
    (was: number, [e, from, to]: Numbers, at) => {
      const now = e || Number.isNaN(was) ? lerp(from!, to!, at.random()) : was;
      return { state: now, out: [now] };
    },
  ),
  fall: plainNode({
    inputs: [
      event('let go'),
      num('from', 0.3, { unit: 'centimetres' }),
      num('floor', 0, { unit: 'centimetres' }),
      num('gravity', 9.81),
      num('bounce', 0.5, { unit: 'percent' }),
    ],
    outputs: [output('height', 'number', { unit: 'centimetres' }), output('lands', 'event')],
    run: {
      as: 'memory',
      fresh: () => null,
      next: (state, [go, from, floor, gravity, bounce]: Numbers) => {
        const was = go ? { at: from!, speed: 0 } : (state as Sprung | null);
        if (was === null) return { state: null, out: [from!, 0] };
        let speed = was.speed - gravity! * STEP;
        let at = was.at + ((was.speed + speed) / 2) * STEP;
        const lands = at <= floor! && speed < 0;
        if (lands) {
          at = floor!;
          speed = -speed * clamp(bounce!, 0, 1);
          // What hardly leaves the floor lies on it.
          if (speed < Math.abs(gravity!) * STEP * 2) speed = 0;
        }
        return { state: { at, speed }, out: [was.at, is(lands && was.at > floor! + 1e-9)] };
      },
    },
  }),
  pendulum: plainNode({
    inputs: [
      num('long', 0.03, { unit: 'centimetres', label: 'length' }),
      num('sideways', 0, { unit: 'centimetres' }),
      num('tilt', 0, { unit: 'degrees' }),
      num('damping', 0.1),
    ],
    outputs: [output('angle', 'number', { unit: 'degrees' })],
    run: {
      as: 'memory',
      fresh: () => null,
      // The pivot's acceleration pushes it the other way: L a'' = -g sin a - x'' cos a, in small steps (semi-implicit Euler).
      next: (state, [long, sideways, tilt, damping]: Numbers) => {
        if (Number.isNaN(sideways! + tilt!)) return { state, out: [(state as Hanging | null)?.angle ?? 0] };
        const was = (state as Hanging | null) ?? { angle: 0, speed: 0, x: sideways!, move: 0 };
        const move = (sideways! - was.x) / STEP;
        const push = clamp((move - was.move) / STEP, -100, 100);
        const length = Math.max(0.002, long!);
        let [angle, speed] = [was.angle * RADIANS, was.speed];
        for (let part = 0; part < PARTS; part++) {
          const free = (-9.81 * Math.sin(angle) - push * Math.cos(angle)) / length;
          speed += (free * STEP) / PARTS;
          speed *= Math.exp((-clamp(damping!, 0, 4) * 2 * Math.sqrt(9.81 / length) * STEP) / PARTS);
          angle += (speed * STEP) / PARTS;
        }
        angle = clamp(angle, -Math.PI / 2, Math.PI / 2);
        return {
          state: { angle: angle / RADIANS, speed, x: sideways!, move },
          // Seen from what holds it.
          out: [was.angle - tilt!],
        };
      },
    },
  }),
};

interface Hanging {
  readonly angle: number;
  readonly speed: number;
  readonly x: number;
  readonly move: number;
}
const RADIANS = Math.PI / 180;
/** A step of something that swings is worked out in so many. */
const PARTS = 8;

/** From -1 to 1, softly from one number of chance to the next: value noise. */
const drift = (at: number, seed: number): number => {
  const i = Math.floor(at);
  const t = at - i;
  const value = (n: number): number => pcg3d(seed, n, 0x51)[0] / 2147483648 - 1;
  return lerp(value(i), value(i + 1), t * t * (3 - 2 * t));
};
