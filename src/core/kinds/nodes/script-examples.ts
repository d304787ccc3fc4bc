/** Scripts to begin from: each does something whole, and shows one thing that scripts are for. */
import type { DeclaredPort } from './declared-ports';
import type { Script } from './script-nodes';
import { newPort } from './declared-ports';
import type { PortType } from './ports';

export interface ScriptExample extends Omit<Script, 'reads'> {
  readonly id: string;
  /** What it does, and what it shows. */
  readonly about: string;
}
const port = (name: string, type: PortType = 'number', more: Partial<DeclaredPort> = {}): DeclaredPort => ({
  ...newPort(name, type),
  ...more,
});
const seconds = (name: string, usual: number): DeclaredPort =>
  port(name, 'number', { usual, unit: 'seconds' });

export const SCRIPT_EXAMPLES: readonly ScriptExample[] = [
  {
    id: 'count',
    name: 'Count',
    about: 'Counts events, and says so at every fifth. Shows state.',
    takes: [port('event', 'event')],
    gives: [port('count'), port('fifth', 'event')],
    source: `// What is in state stays from step to step; all else begins anew.
export const state = { count: 0 };

export function step({ inputs, state }) {
  if (inputs.event) state.count += 1;
  return { count: state.count, fifth: inputs.event && state.count % 5 === 0 };
}
`,
  },
  {
    id: 'countdown',
    name: 'Countdown',
    about: 'Counts seconds down from an event, as a text, and says when it is over. Shows time and dt.',
    takes: [port('start', 'event'), seconds('length', 20)],
    gives: [port('text', 'text'), port('left', 'number', { unit: 'seconds' }), port('over', 'event')],
    source: `export const state = { left: 0, runs: false };

export function step({ inputs, state, dt }) {
  if (inputs.start) {
    state.left = inputs.length;
    state.runs = true;
  }
  if (!state.runs) return { text: '', left: 0 };
  // The last hundredth of a step is a matter of rounding.
  state.left = Math.max(0, state.left - dt);
  const over = state.left < 1e-6;
  if (over) state.runs = false;
  return { text: String(Math.ceil(state.left - 1e-6)), left: state.left, over };
}
`,
  },
  {
    id: 'follow',
    name: 'Follow softly',
    about: 'Runs after a number like something on a spring. Shows a sum that remembers its speed.',
    takes: [port('value'), port('stiff', 'number', { usual: 90 }), port('damping', 'number', { usual: 9 })],
    gives: [port('value')],
    source: `export const state = { at: 0, speed: 0, begun: false };

export function step({ inputs, state, dt }) {
  if (Number.isNaN(inputs.value)) return {};
  if (!state.begun) {
    state.begun = true;
    state.at = inputs.value;
  }
  const pull = (inputs.value - state.at) * inputs.stiff - state.speed * inputs.damping;
  state.speed += pull * dt;
  state.at += state.speed * dt;
  return { value: state.at };
}
`,
  },
  {
    id: 'wander',
    name: 'Wander',
    about: 'Goes from place to place within a box, each time to another by chance. Shows random.',
    takes: [seconds('each', 1.5), port('reach', 'number', { usual: 0.1, unit: 'centimetres' })],
    gives: [port('at', 'vector', { unit: 'centimetres' })],
    source: `export const state = { from: [0, 0, 0], to: [0, 0, 0], gone: 1 };

const soft = (t) => t * t * (3 - 2 * t);

export function step({ inputs, state, dt, random }) {
  state.gone += dt / Math.max(inputs.each, dt);
  if (state.gone >= 1) {
    state.gone = 0;
    state.from = state.to;
    state.to = [0, 1, 2].map(() => (random() * 2 - 1) * inputs.reach);
  }
  const share = soft(state.gone);
  return { at: state.from.map((a, i) => a + (state.to[i] - a) * share) };
}
`,
  },
  {
    id: 'typing',
    name: 'Letter by letter',
    about: 'Writes a text as if it were typed, from an event on. Shows texts.',
    takes: [
      port('start', 'event'),
      port('words', 'text', { usual: 'The tide is coming in' }),
      port('pace', 'number', { usual: 12 }),
    ],
    gives: [port('text', 'text'), port('done', 'event')],
    source: `export const state = { since: -1, done: false };

export function step({ inputs, state, dt }) {
  if (inputs.start) {
    state.since = 0;
    state.done = false;
  } else if (state.since >= 0) state.since += dt;
  if (state.since < 0) return { text: '' };
  const letters = [...inputs.words];
  const shown = Math.min(letters.length, Math.floor(state.since * inputs.pace + 1e-6));
  const done = !state.done && shown === letters.length;
  if (done) state.done = true;
  return { text: letters.slice(0, shown).join(''), done };
}
`,
  },
  {
    id: 'turns',
    name: 'In turns',
    about: 'Goes through states of different lengths, one after another, for ever. Shows a table.',
    takes: [port('start', 'event')],
    gives: [port('number'), port('name', 'text'), port('share'), port('changed', 'event')],
    source: `// What stands at the top is the same in every step.
const TURNS = [
  { name: 'ebb', seconds: 2 },
  { name: 'slack', seconds: 0.5 },
  { name: 'flood', seconds: 2 },
];
export const state = { turn: -1, since: 0 };

export function step({ inputs, state, dt }) {
  if (inputs.start) {
    state.turn = 0;
    state.since = 0;
    return { number: 0, name: TURNS[0].name, share: 0, changed: true };
  }
  if (state.turn < 0) return {};
  state.since += dt;
  const changed = state.since >= TURNS[state.turn].seconds - 1e-6;
  if (changed) {
    state.turn = (state.turn + 1) % TURNS.length;
    state.since = 0;
  }
  const turn = TURNS[state.turn];
  return { number: state.turn, name: turn.name, share: state.since / turn.seconds, changed };
}
`,
  },
  {
    id: 'orbit',
    name: 'Figure of eight',
    about: 'A place that runs along a figure of eight. Shows vectors.',
    takes: [seconds('round', 3), port('wide', 'number', { usual: 0.12, unit: 'centimetres' })],
    gives: [port('at', 'vector', { unit: 'centimetres' }), port('turn', 'number', { unit: 'degrees' })],
    source: `export function step({ inputs, time }) {
  const angle = (time / Math.max(inputs.round, 0.01)) * 2 * Math.PI;
  const x = Math.sin(angle) * inputs.wide;
  const y = (Math.sin(angle * 2) * inputs.wide) / 2;
  const way = Math.atan2(Math.cos(angle * 2), Math.cos(angle));
  return { at: [x, y, 0], turn: (way * 180) / Math.PI };
}
`,
  },
  {
    id: 'middle',
    name: 'Middle of the last second',
    about: 'The middle of the last sixty values: one that jumps does no harm. Shows lists.',
    takes: [port('value')],
    gives: [port('middle'), port('last', 'list')],
    source: `export const state = { last: [] };

export function step({ inputs, state }) {
  if (!Number.isNaN(inputs.value)) state.last.push(inputs.value);
  if (state.last.length > 60) state.last.shift();
  if (state.last.length === 0) return {};
  const sorted = [...state.last].sort((a, b) => a - b);
  const half = sorted.length / 2;
  const middle = (sorted[Math.floor(half)] + sorted[Math.ceil(half) - 1]) / 2;
  return { middle, last: state.last };
}
`,
  },
  {
    id: 'open',
    name: 'How often the mouth opened',
    about: 'Reads a signal of the effect by its name, without a wire. Shows read and log.',
    takes: [port('from', 'number', { usual: 0.5 })],
    gives: [port('times'), port('now', 'truth'), port('opened', 'event')],
    source: `export const state = { times: 0, open: false };

export function step({ inputs, read, state, log }) {
  // It has to close a little further than it opened, so that it does not flutter.
  const open = read.jawOpen > (state.open ? inputs.from - 0.1 : inputs.from);
  const opened = open && !state.open;
  state.open = open;
  if (opened) {
    state.times += 1;
    log('opened for the', state.times, 'time');
  }
  return { times: state.times, now: open, opened };
}
`,
  },
  {
    id: 'catch',
    name: 'Catch what falls',
    about:
      'A small game: things fall, an open mouth catches them, until the time is over; the best is kept. Shows them all together.',
    takes: [
      port('start', 'event'),
      port('mouth', 'number', { unit: 'centimetres' }),
      seconds('length', 20),
      port('reach', 'number', { usual: 0.03, unit: 'centimetres' }),
    ],
    gives: [
      port('x', 'number', { unit: 'centimetres' }),
      port('y', 'number', { unit: 'centimetres' }),
      port('score', 'text'),
      port('left', 'text'),
      port('best', 'text'),
      port('caught', 'event'),
      port('over', 'event'),
      port('playing', 'truth'),
    ],
    source: `const TOP = 0.14;
const BOTTOM = -0.16;

export const state = { playing: false, left: 0, score: 0, best: 0, x: 0, y: TOP, speed: 0.1 };

export function step({ inputs, read, state, dt, random, log }) {
  const drop = () => {
    state.x = (random() * 2 - 1) * 0.06;
    state.y = TOP;
  };
  let caught = false;
  let over = false;
  if (inputs.start && !state.playing) {
    Object.assign(state, { playing: true, left: inputs.length, score: 0, speed: 0.1 });
    drop();
  } else if (state.playing) {
    state.left = Math.max(0, state.left - dt);
    state.y -= state.speed * dt;
    const near = Math.hypot(state.x - inputs.mouth, state.y) < inputs.reach;
    caught = near && read.jawOpen > 0.3;
    if (caught) {
      state.score += 1;
      state.speed += 0.01;
      log('caught', state.score);
    }
    if (caught || state.y < BOTTOM) drop();
    over = state.left < 1e-6;
    if (over) {
      state.playing = false;
      state.best = Math.max(state.best, state.score);
      log('over with', state.score, 'best', state.best);
    }
  }
  return {
    x: state.x,
    y: state.y,
    score: String(state.score),
    left: String(Math.ceil(state.left - 1e-6)),
    best: String(state.best),
    caught,
    over,
    playing: state.playing,
  };
}
`,
  },
];
