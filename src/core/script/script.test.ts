/** Scripts in their sandbox: what they are given and give, what they keep, and what stops them. */
import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { BUDGET, type Json, type ScriptEngine, type ScriptGiven, type ScriptTaken } from './engine';
import { loadQuickJs } from './quickjs-engine';

let engine: ScriptEngine;
beforeAll(async () => {
  engine = await loadQuickJs();
});
afterEach(() => engine.release());

const given = (more: Partial<ScriptGiven> = {}): ScriptGiven => ({
  time: 2,
  dt: 1 / 60,
  seed: 7,
  inputs: {},
  read: {},
  state: null,
  ...more,
});
const take = (source: string, more: Partial<ScriptGiven> = {}): ScriptTaken =>
  engine.step(source, given(more));
/** What stopped it. */
const why = (source: string): string => {
  const { problem } = take(source);
  return problem ? `${problem.line}: ${problem.message}` : 'it went on';
};
const inStep = (...lines: string[]): string => `export function step({ state }) {\n${lines.join('\n')}\n}`;

test('what goes in, what comes out, and what is kept', () => {
  const source = `
    export const state = { score: 0, last: null };
    export function step({ inputs, read, state, dt, time, log }) {
      if (inputs.tap) state.score += 1;
      log('score', state.score, { at: time });
      return { score: state.score, half: read.jawOpen / 2, missing: inputs.none, words: 'ebb ' + dt.toFixed(3) };
    }`;
  const first = take(source, { inputs: { tap: true, none: null }, read: { jawOpen: 0.5 } });
  expect(first).toEqual({
    out: { score: 1, half: 0.25, missing: null, words: 'ebb 0.017' },
    state: { score: 1, last: null },
    logs: ['score 1 {"at":2}'],
    problem: null,
  });
  const second = take(source, {
    inputs: { tap: true, none: null },
    read: { jawOpen: 0.5 },
    state: first.state,
  });
  expect(second.state).toEqual({ score: 2, last: null });
});

test('a missing number is none in a script, and comes out as none', () => {
  const source = `export const step = ({ inputs }) => ({ is: Number.isNaN(inputs.a), list: Number.isNaN(inputs.list[1]), back: inputs.a + 1 });`;
  expect(take(source, { inputs: { a: null, list: [1, null] } }).out).toEqual({
    is: true,
    list: true,
    back: null,
  });
});

test('types are taken off, and lines stay', () => {
  const typed = `interface State { n: number }
type Out = { n: number };
export const state: State = { n: 3 };

export function step({ state }: { state: State }): Out {
  const twice = (x: number): number => x * 2;
  return { n: twice(state.n) as number };
}`;
  expect(take(typed).out).toEqual({ n: 6 });
  expect(why(`${typed.replace('return', 'nothing();\n  return')}`)).toBe("7: 'nothing' is not defined.");
});

test('chance goes by its seed, whatever it is called', () => {
  const source = `export const step = ({ random }) => ({ n: [random(), Math.random(), random()] });`;
  const numbers = (seed: number): Json => take(source, { seed }).out['n']!;
  expect(numbers(7)).toEqual(numbers(7));
  expect(numbers(8)).not.toEqual(numbers(7));
  for (const n of numbers(7) as number[]) expect(n >= 0 && n < 1).toBe(true);
});

test('what it keeps beside its state is refused, or frozen', () => {
  expect(why('let n = 0;\nexport const step = () => ({ n: n++ });')).toMatch(/^1: “n” would change/);
  expect(why('\nvar n = 0;\nexport const step = () => ({ n: n++ });')).toMatch(/^2: “n” would change/);
  const keeps = [
    'const kept = { n: 0 };',
    'const kept = [{ n: 0 }][0];',
    'function kept() {} kept.n ??= 0;',
    'class Kept { tell() {} } const kept = Kept.prototype;',
  ];
  for (const line of keeps)
    expect(
      `${line} ${why(`${line}\nexport const step = () => { kept.n = (kept.n ?? 0) + 1; return { n: kept.n }; };`)}`,
    ).toMatch(/keep it in state|plain object/);
  const hides = [
    'const kept = (() => { let n = 0; return () => ++n; })();',
    'const kept = new Map();',
    'const kept = new WeakMap();',
    'const kept = { next: (() => { let n = 0; return () => ++n; })() };',
    'const kept = (function* () { for (let n = 0; ; n++) yield n; })();',
  ];
  for (const line of hides)
    expect(why(`${line}\nexport const step = () => ({ n: 1 });`)).toMatch(/“kept”.*can be kept/);
  expect(why('class A { static n = 0; }\nexport const step = () => ({ n: A.n++ });')).toMatch(
    /keeps nothing by itself/,
  );
  for (const line of [
    'globalThis.n = 1',
    'Math.n = 1',
    'Array.prototype.n = 1',
    'Object.prototype.n = 1',
    'console.n = 1',
    'Map.prototype.n = 1',
    '(function*(){}).constructor.n = 1',
    '"".constructor.n = 1',
    'JSON.parse = 1',
    '[][Symbol.iterator]().__proto__.n = 1',
  ])
    expect(`${line}: ${why(inStep(line))}`).not.toContain('went on');
});

describe('ways around it are closed', () => {
  const counts = 'export const step = () => ({ n: tick() });';
  test.each([
    [
      'a closure behind a getter',
      `const kept = (() => { let n = 0; return { get next() { return ++n; } }; })(); const tick = () => kept.next; ${counts}`,
    ],
    [
      'a closure on a list',
      `const kept = Object.assign([], { next: (() => { let n = 0; return () => ++n; })() }); const tick = () => kept.next(); ${counts}`,
    ],
    [
      'a closure behind a symbol',
      `const key = 1; const kept = { [Symbol.iterator]: (() => { let n = 0; return () => ++n; })() }; const tick = () => kept[Symbol.iterator](); ${counts}`,
    ],
    [
      'a closure that cannot be listed',
      `const kept = Object.defineProperty({}, 'next', { value: (() => { let n = 0; return () => ++n; })() }); const tick = () => kept.next(); ${counts}`,
    ],
    [
      'a closure put onto a function from a block',
      `function tick() { return tick.next(); } { let n = 0; tick.next = () => ++n; } ${counts}`,
    ],
    [
      'one put there while a value is made',
      `function tick() { return tick.next(); } const made = (() => { let n = 0; tick.next = () => ++n; return 1; })(); ${counts}`,
    ],
    [
      'one put onto an arrow',
      `const tick = () => tick.next(); const made = (() => { let n = 0; tick.next = () => ++n; return 1; })(); ${counts}`,
    ],
    [
      'one put onto a class',
      `class Kept {} const made = (() => { let n = 0; Object.defineProperty(Kept, 'next', { value: () => ++n }); return 1; })(); const tick = () => Kept.next(); ${counts}`,
    ],
    [
      'a class that a call made',
      `class Kept extends (() => { let n = 0; return class { tick() { return ++n; } }; })() {} const tick = () => new Kept().tick(); ${counts}`,
    ],
    [
      'a property of a method',
      `class Kept { m() {} } const tick = () => { const { m } = Kept.prototype; m.n = (m.n ?? 0) + 1; return m.n; }; ${counts}`,
    ],
    [
      'a property of a static method',
      `class Kept { static m() {} } const tick = () => (Kept.m.n = (Kept.m.n ?? 0) + 1); ${counts}`,
    ],
    [
      'a property of a private method',
      `class Kept { #m() {} tick() { return (this.#m.n = (this.#m.n ?? 0) + 1); } } const tick = () => new Kept().tick(); ${counts}`,
    ],
    [
      'what the module knows of itself',
      `const tick = () => (import.meta.n = (import.meta.n ?? 0) + 1); ${counts}`,
    ],
    [
      'a default function',
      `export default function tick() { return (tick.n = (tick.n ?? 0) + 1); } ${counts}`,
    ],
    [
      'a stand-in',
      `const kept = (() => { let n = 0; return new Proxy({}, { get: () => ++n }); })(); const tick = () => kept.next; ${counts}`,
    ],
    [
      'what stands where the clock was',
      `const tick = () => { const was = Object.getOwnPropertyDescriptor(Date, 'n')?.value ?? 0; Object.defineProperty(Date, 'n', { value: was + 1, configurable: true }); return was + 1; }; ${counts}`,
    ],
    [
      'the shape of what stands there',
      `const tick = () => { const of = Object.getOwnPropertyDescriptor(Date, 'prototype').value; of.n = (of.n ?? 0) + 1; return of.n; }; ${counts}`,
    ],
    [
      'a function that becomes another',
      `function tick() { return 1; } export const step = () => { const was = tick(); tick = () => was + 1; return { n: was }; };`,
    ],
    [
      'a class that becomes another',
      `class Kept { static n() { return 1; } } export const step = () => { const was = Kept.n(); [Kept] = [{ n: () => was + 1 }]; return { n: was }; };`,
    ],
    [
      'one that a loop makes another',
      `function tick() { return 1; } export const step = () => { const was = tick(); for (tick of [() => was + 1]); return { n: was }; };`,
    ],
    [
      'a closure behind a getter that is frozen already',
      `const kept = (() => { let n = 0; return Object.freeze({ get next() { return ++n; } }); })(); const tick = () => kept.next; ${counts}`,
    ],
    ['the log', `const tick = () => (console.log.n = (console.log.n ?? 0) + 1); ${counts}`],
  ])('%s', (_, source) => {
    // Whatever is said of it: it counts nothing from step to step.
    const [first, second] = [take(source), take(source)];
    expect(first.problem?.message ?? second.out).not.toEqual({ n: 2 });
    expect(first.problem).not.toBeNull();
  });
});

test('what is plain may stand at the top', () => {
  const source = `const table = Array.from({ length: 5 }, (_, i) => i * i);
    const word = /eb+/;
    const { a, b: [c] } = { a: 1, b: [2] };
    class Crab { #legs = 8; get legs() { return this.#legs; } }
    export const step = () => ({ n: table[4] + a + c + new Crab().legs, is: word.test('ebb') });`;
  expect(take(source)).toMatchObject({ out: { n: 27, is: true }, problem: null });
});

describe('what reaches out, waits or makes code of texts is stopped', () => {
  test.each([
    ['fetch("https://example.com")', /There is no “fetch” here/],
    ['document.title = "x"', /There is no “document” here/],
    ['setTimeout(() => {}, 1)', /There is no “setTimeout” here/],
    ['Date.now()', /no clock/],
    ['new Date()', /no clock/],
    ['eval("1")', /not defined/],
    ['new Function("return 1")()', /not defined/],
    ['(() => {}).constructor("return 1")()', /not a function/],
    ['(function*(){}).constructor("yield 1")()', /not a function/],
    ['Reflect.getPrototypeOf(function*(){}).constructor("yield 1")()', /not a function/],
    ['Promise.resolve(1)', /not defined/],
    ['state.n = Symbol("x")', /state.n is a symbol/],
    ['state.n = () => 1', /state.n is a function/],
    ['state.n = 1n', /state.n is a bigint/],
    ['state.n = 0 / 0', /state.n is no number any more/],
    ['state.n = state', /in a circle, or too deep/],
    ['state.n = new Map()', /state.n is no plain object/],
    ['state.n = "x".repeat(70000)', /too large: 64 kB/],
    ['return 5', /gives an object of its outputs/],
    ['return { n: () => 1 }', /What step gives.n is a function/],
    ['throw new Error("the tide is out")', /^2: the tide is out[.]$/],
    ['throw "low"', /low[.]$/],
    ['null.x', /^2: cannot read property/],
  ])('%s', (line, message) => {
    expect(why(inStep(line))).toMatch(message);
  });
  test.each([
    ['import x from "y";', /brings in nothing/],
    ['export * from "y";', /brings in nothing/],
    ['export async function step() {}', /without async/],
    ['export function step() { return import("y"); }', /brings in nothing/],
    ['export function step() { return {', /^1: It cannot be read/],
    ['export function step( { }', /^1: It cannot be read/],
    ['const x = 1;', /It has no step/],
    ['', /It has no step/],
    [
      'export const state = { at: undefined, f() {} }; export const step = () => {};',
      /“state”.f is a function/,
    ],
    ['for (;;) {}\nexport const step = () => {};', /goes on for too long/],
    ['const $line = 1; export const step = () => {};', /is taken/],
    ['export const step = () => {}; step();\nnothing();', /^2: 'nothing' is not defined/],
  ])('%s', (source, message) => {
    expect(why(source)).toMatch(message);
  });
});

describe('what takes too much is stopped within the budget of its step, and says where', () => {
  const attacks: readonly (readonly [string, RegExp])[] = [
    ['for (;;) {}', /^2: It goes on for too long/],
    ['while (true) state.n = 1;', /^2: It goes on for too long/],
    [
      '\n\ndo { try { for (;;) {} } catch {} finally { continue; } } while (true);',
      /^4: It goes on for too long/,
    ],
    ['const f = (n) => f(n + 1) + 1; f(0);', /calls itself too deep/],
    ['const f = (n) => [1].map(() => f(n + 1)); f(0);', /calls itself too deep/],
    ['const a = []; for (;;) a.push(new Array(1000).fill(1));', /too much memory|goes on for too long/],
    ['new Array(1e9).fill(0);', /too much memory|goes on for too long/],
    ['new ArrayBuffer(2 ** 30);', /too much memory|goes on for too long/],
    ['"x".repeat(1e9);', /goes on for too long|too much memory|string too long|invalid/],
    ['let s = "x"; for (;;) s += s;', /too long/],
    ['/^(a+)+$/.test("a".repeat(60) + "b");', /goes on for too long/],
    ['/^(([a-z])+.)+[A-Z]([a-z])+$/.test("a".repeat(80));', /goes on for too long/],
    ['const y = new Array(1e5).fill(1); for (;;) [...y];', /goes on for too long/],
    ['const y = new Array(1e5).fill(1); for (;;) Math.max(...y.slice(0, 99));', /goes on for too long/],
    ['const y = new Array(1e5).fill(1); for (;;) y.sort();', /goes on for too long/],
    ['const y = new Array(1e5).fill(1); for (;;) y.indexOf(2);', /goes on for too long/],
    ['const s = "x".repeat(1e6); for (;;) s.replace(/y/g, "z");', /goes on for too long/],
    ['JSON.parse("[".repeat(1e5));', /too deep|overflow/],
    ['function* g() { for (;;) yield 1; } for (const x of g()) {}', /goes on for too long/],
    ['const o = { get x() { return o.x; } }; o.x;', /calls itself too deep/],
    ['const o = { toString: () => `${o}` }; `${o}`;', /calls itself too deep/],
    ['Array.from({ length: 2 ** 32 });', /goes on for too long|too much memory/],
    ['[1, 2].sort(() => { for (;;) {} });', /goes on for too long/],
    ['const a = { toString() { for (;;) {} } }; `${a}`;', /goes on for too long/],
  ];
  test.each(attacks)('%s', (line, message) => {
    expect(why(inStep(line))).toMatch(message);
    // Others go on.
    expect(take('export const step = () => ({ n: 1 });').out).toEqual({ n: 1 });
  });
});

test('it stops in the same step, whatever ran before', () => {
  // Takes more and more: just within its budget, then just beyond it.
  const source = `export const state = { n: 0 };
    export function step({ state }) {
      state.n += 1;
      for (let i = 0; i < ${BUDGET.turns / 2} - 20000 + state.n * 2500; i++) {}
      return { n: state.n };
    }`;
  const stops = (warm: number): number => {
    engine.release();
    for (let i = 0; i < warm; i++) take('export function step() { for (let i = 0; i < 3333; i++) {} }');
    let state: Json = null;
    for (let step = 1; step < 40; step++) {
      // As after a jump: the sandbox is another one.
      if (warm > 0 && step % warm === 0) engine.release();
      const taken = take(source, { state });
      if (taken.problem) return step;
      ({ state } = taken);
    }
    return Infinity;
  };
  const first = stops(0);
  expect(first).toBeGreaterThan(4);
  expect(first).toBeLessThan(12);
  for (const warm of [1, 2, 3]) expect(stops(warm)).toBe(first);
});

test('a clock ends what hardly counts passes', async () => {
  let clock = 0;
  const slow = await loadQuickJs({ now: () => (clock += 1500) });
  expect(slow.step('export function step() { for (;;) {} }', given()).problem?.message).toMatch(
    /too long for one step/,
  );
});

test('what it logs is bounded', () => {
  const { logs } = take(
    'export function step({ log }) { for (let i = 0; i < 1000; i++) log("x".repeat(1000)); }',
  );
  expect(logs).toHaveLength(BUDGET.logs);
  expect(logs[0]).toHaveLength(BUDGET.logged);
});

test('many scripts take turns in what is kept ready', () => {
  for (let round = 0; round < 2; round++)
    for (let i = 0; i < 40; i++)
      expect(take(`export const step = () => ({ n: ${i} });`).out).toEqual({ n: i });
});

test('one that needs much memory is opened however crowded it is, and one that needs too much is stopped', () => {
  const large = (n: number): string =>
    `const table = Array.from({ length: 20000 }, (_, i) => 'shell ' + i); export const step = () => ({ n: table.length + ${n} });`;
  for (let i = 0; i < 40; i++) expect(take(large(i)).out).toEqual({ n: 20000 + i });
  for (let i = 0; i < 40; i += 7) expect(take(large(i)).out).toEqual({ n: 20000 + i });
  expect(
    why(
      'const all = []; for (let i = 0; i < 200; i++) all.push("shell ".padEnd(500000, i));\nexport const step = () => {};',
    ),
  ).toMatch(/too much memory|goes on for too long/);
});
