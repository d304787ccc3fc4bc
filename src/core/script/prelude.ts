/**
 * Run in the sandbox before a script: takes away clocks, chance and code that is made of texts, counts what is moved at once, and freezes
 * all there is, so that a script can keep nothing but its state. It gives back how a script is opened.
 */
import { BUDGET } from './engine';

export const PRELUDE = `(() => {
'use strict';
const { defineProperty, freeze, getOwnPropertyDescriptor, getOwnPropertyNames, getOwnPropertySymbols, getPrototypeOf } = Object;
const { apply, ownKeys } = Reflect;
const { parse, stringify } = JSON;
const { imul, log2, max } = Math;
const isArray = Array.isArray;
const slice = Function.prototype.call.bind(String.prototype.slice);
const push = Function.prototype.call.bind(Array.prototype.push);
const join = Function.prototype.call.bind(Array.prototype.join);

let moved = 0;
// Beyond it, it goes in a circle, until it is stopped: no script can catch that.
const count = (n) => { if ((moved += n > 0 ? n : 0) > ${BUDGET.moved}) for (;;) {} };

const hide = (of, name, value) => defineProperty(of, name, { value, writable: false, enumerable: false, configurable: true });
const counted = (of, names, cost) => {
  for (const name of names) {
    const was = getOwnPropertyDescriptor(of, name)?.value;
    if (typeof was !== 'function') continue;
    hide(of, name, { [name](...args) { count(cost(this, args)); return apply(was, this, args); } }[name]);
  }
};
const length = (of) => of?.length;
const LISTS = ['fill', 'indexOf', 'lastIndexOf', 'includes', 'join', 'toString', 'slice', 'splice', 'reverse', 'copyWithin', 'flat', 'with', 'toReversed', 'toSpliced', 'shift', 'unshift', 'subarray', 'set'];
const all = (of, args) => args.reduce((sum, a) => sum + (length(a) ?? 1), length(of) ?? 0);
for (const of of [Array.prototype, getPrototypeOf(Int8Array.prototype)]) {
  counted(of, LISTS, length);
  counted(of, ['concat'], all);
  counted(of, ['sort', 'toSorted'], (list) => list.length * max(1, log2(list.length)));
}
counted(String.prototype, ['split', 'replace', 'replaceAll', 'indexOf', 'lastIndexOf', 'includes', 'slice', 'substring', 'toUpperCase', 'toLowerCase', 'trim', 'normalize', 'localeCompare', 'match', 'matchAll', 'search', 'at', 'charAt', 'charCodeAt', 'codePointAt'], (of) => String(of).length / 8);
counted(String.prototype, ['concat'], all);
counted(String.prototype, ['repeat'], (of, [n]) => of.length * n);
counted(String.prototype, ['padStart', 'padEnd'], (of, [n]) => n);
counted(Object, ['keys', 'values', 'entries', 'assign', 'fromEntries', 'getOwnPropertyNames'], (of, [a]) => a && typeof a === 'object' ? ownKeys(a).length : 0);
counted(Array, ['from'], (of, [a]) => length(a) ?? a?.size ?? 0);
counted(JSON, ['parse'], (of, [a]) => String(a).length);
counted(RegExp.prototype, ['exec', 'test'], (of, [a]) => String(a).length);

let seed = 0;
// mulberry32, by Tommy Ettinger, in the public domain.
const random = () => {
  seed = (seed + 0x6d2b79f5) | 0;
  let t = imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
};
hide(Math, 'random', random);

let logs = [];
const shown = (value) => {
  if (typeof value === 'string') return value;
  try { return stringify(value) ?? String(value); } catch { return String(value); }
};
const log = (...values) => {
  if (logs.length >= ${BUDGET.logs}) return;
  const words = [];
  for (const value of values) push(words, shown(value));
  push(logs, slice(join(words, ' '), 0, ${BUDGET.logged}));
};
hide(globalThis, 'console', { log });
hide(globalThis, '$freeze', (...made) => { for (const one of made) freezeAll(one); });
hide(globalThis, '$spread', (of) => { count(length(of) ?? of?.size ?? 0); return of; });

for (const name of ['eval', 'Function', 'Promise', 'WeakRef', 'FinalizationRegistry', 'SharedArrayBuffer', 'Atomics', 'queueMicrotask']) delete globalThis[name];
const StandIn = Proxy;
const none = function () {};
freeze(none.prototype);
freeze(none);
const gone = (name, why) => hide(globalThis, name, new StandIn(none, { get() { throw new Error(why); }, apply() { throw new Error(why); }, construct() { throw new Error(why); } }));
gone('Date', 'A script has no clock: use time, the seconds since the effect began.');
delete globalThis.Proxy;
for (const made of [function () {}, function* () {}, async function () {}, async function* () {}]) hide(getPrototypeOf(made), 'constructor', undefined);

const seen = new Set();
const freezeAll = (of) => {
  if (of === null || (typeof of !== 'object' && typeof of !== 'function') || seen.has(of)) return;
  seen.add(of);
  freeze(of);
  freezeAll(getPrototypeOf(of));
  for (const key of ownKeys(of)) {
    const d = getOwnPropertyDescriptor(of, key);
    if (d) { freezeAll(d.value); freezeAll(d.get); freezeAll(d.set); }
  }
};
freezeAll([][Symbol.iterator]().__proto__);
freezeAll(''[Symbol.iterator]().__proto__);
freezeAll(new Map()[Symbol.iterator]().__proto__);
freezeAll(new Set()[Symbol.iterator]().__proto__);
freezeAll((function* () {})().__proto__);
freezeAll(/a/);
for (const name of getOwnPropertyNames(globalThis)) if (name !== 'Date' && name !== 'globalThis') freezeAll(globalThis[name]);
freeze(globalThis);

const isPlainObject = (value) => { const of = getPrototypeOf(value); return of === Object.prototype || of === null; };
// What cannot be written down as it is is refused with its name. Numbers that are none are only read from outputs.
const plain = (value, name, mayBeNone, depth) => {
  const wrong = (what) => { throw new TypeError(name + ' ' + what); };
  if (depth > 60) wrong('goes in a circle, or too deep.');
  switch (typeof value) {
    case 'boolean': case 'string': return;
    case 'number': if (!mayBeNone && !(value - value === 0)) wrong('is no number any more (' + value + ').'); return;
    case 'undefined': return;
    case 'object': break;
    default: wrong('is a ' + typeof value + ': only numbers, texts, yes and no, lists and plain objects can be kept.');
  }
  if (value === null) return;
  if (isArray(value)) { for (let i = 0; i < value.length; i++) plain(value[i], name + '[' + i + ']', mayBeNone, depth + 1); return; }
  if (!isPlainObject(value)) wrong('is no plain object: only numbers, texts, yes and no, lists and plain objects can be kept.');
  for (const key in value) plain(value[key], name + '.' + key, mayBeNone, depth + 1);
};
// What stays for good may hold nothing that is not seen: nothing behind a getter, a symbol or a key that is not listed.
const looked = new Set();
const seenWhole = (value, name) => {
  if (value === null || typeof value !== 'object' || looked.has(value)) return;
  looked.add(value);
  for (const key of ownKeys(value)) {
    if (isArray(value) && key === 'length') continue;
    const d = getOwnPropertyDescriptor(value, key);
    const isItem = !isArray(value) || String(key >>> 0) === key;
    if (typeof key !== 'string' || !d.enumerable || !('value' in d) || !isItem) throw new TypeError(name + ' holds what is no plain data: only numbers, texts, yes and no, lists and plain objects can be kept.');
    seenWhole(d.value, name + '.' + key);
  }
  freeze(value);
};
const keep = (value, name) => {
  if (value instanceof RegExp && getPrototypeOf(value) === RegExp.prototype && ownKeys(value).length === 1) return void freeze(value);
  plain(value, '“' + name + '”', true, 0);
  seenWhole(value, '“' + name + '”');
};

const missing = (value) => value === null ? NaN : isArray(value) ? value.map(missing) : value;
const named = (of) => { for (const name in of) of[name] = missing(of[name]); return of; };
const told = (error) => {
  const message = error instanceof Error ? error.message : shown(error);
  return { message: slice(message, 0, 300), name: error instanceof Error ? error.name : '', stack: error instanceof Error ? slice(String(error.stack), 0, 600) : '' };
};

return ({ step, state, $kept, $where }) => {
  if (typeof step !== 'function') throw new Error('It has no step: write “export function step({ inputs, state }) { … }”.');
  const values = $kept();
  for (const name in values) keep(values[name], name);
  if (state !== undefined) plain(state, 'state', false, 0);
  const first = state === undefined ? '{}' : stringify(state);
  return {
    where: $where,
    logs: () => stringify(logs),
    take: (json) => {
      const given = parse(json);
      moved = 0;
      seed = given.seed;
      logs = [];
      const at = { inputs: named(given.inputs), read: named(given.read), state: given.state ?? parse(first), time: given.time, dt: given.dt, random, log };
      try {
        const out = step(at);
        if (out !== undefined && (typeof out !== 'object' || out === null || isArray(out))) throw new TypeError('step gives an object of its outputs, as { score: 1 }, or nothing.');
        plain(out, 'What step gives', true, 0);
        plain(at.state, 'state', false, 0);
        return stringify({ out: out ?? {}, state: at.state, logs });
      } catch (error) {
        return stringify({ problem: told(error), logs });
      }
    },
  };
};
})()`;
