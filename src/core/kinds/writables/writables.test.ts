/** What holds for every kind of writable, and where each writes. */
import { describe, expect, test } from '@jest/globals';
import type { CueId, VariableId } from '../../schema/behave-ids';
import type { MaterialId } from '../../schema/material-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { UNITS } from '../../schema/properties';
import { NEW } from '../testing';
import type { Sinks, WritableFacts } from './writable-kind';
import {
  endsOf,
  setterOf,
  unitOf,
  WRITABLE_KINDS,
  WRITABLE_KINDS_BY_NAME,
  writableSchema,
  writtenKeys,
  type WritableKind,
  type WritableNamed,
} from './writables';

const CARD = NEW.card.id;
const OTHER = 'obj_other' as ObjectId;
const FACTS: WritableFacts = {
  object: (id) => (id === CARD ? NEW.card : undefined),
  duration: (cue, action) => (cue === 'cue_aaaa' && action === 'act_turn' ? 3 : null),
};

/** One of each: what is written when it is given 0.5, under which keys, and one of which nothing is chosen yet. */
const CASES: {
  readonly [K in WritableKind]: {
    readonly one: WritableNamed<K>;
    readonly writes: readonly (readonly unknown[])[];
    readonly unchosen: WritableNamed<K>;
  };
} = {
  number: {
    one: { kind: 'number', objects: [CARD, OTHER], property: 'moveX' },
    writes: [
      ['number', CARD, 'moveX', 0.5],
      ['number', OTHER, 'moveX', 0.5],
    ],
    unchosen: { kind: 'number', objects: [], property: 'moveX' },
  },
  duration: {
    one: { kind: 'duration', cue: 'cue_aaaa' as CueId, action: 'act_turn' },
    writes: [['duration', 'act_turn', 0.5]],
    unchosen: { kind: 'duration', cue: null, action: 'act_turn' },
  },
  variable: {
    one: { kind: 'variable', variable: 'variable_aaaa' as VariableId },
    writes: [['variable', 'variable_aaaa', 0.5]],
    unchosen: { kind: 'variable', variable: null },
  },
  circuit: {
    one: { kind: 'circuit', material: 'material_aaaa' as MaterialId, node: 'node_aaaa', port: 'size' },
    writes: [['input', { material: 'material_aaaa', node: 'node_aaaa', port: 'size' }, 0.5]],
    unchosen: { kind: 'circuit', material: null, node: 'node_aaaa', port: 'size' },
  },
};

/** Keeps what is written; without `there`, nothing is there to be written. */
const keeping = (there = true): { sinks: Sinks; written: unknown[][] } => {
  const written: unknown[][] = [];
  const setter =
    (...what: unknown[]) =>
    (value: number): void =>
      void written.push([...what, value]);
  const sinks: Sinks = {
    number: (object, property) => (there ? setter('number', object, property) : null),
    variable: (id) => (there ? setter('variable', id) : null),
    text: () => null,
    colour: () => null,
    picture: () => null,
    duration: (action) => (there ? setter('duration', action) : null),
    input: (of) => (there ? setter('input', of) : null),
  };
  return { sinks, written };
};

describe.each(WRITABLE_KINDS)('writable: %s', (kind) => {
  const { one, writes, unchosen } = CASES[kind];
  test('stands under its own name, and is valid, chosen or not', () => {
    expect(WRITABLE_KINDS_BY_NAME[kind].kind).toBe(kind);
    for (const writable of [one, unchosen])
      expect(writableSchema.safeParse(writable).error?.issues ?? []).toEqual([]);
  });
  test('writes all of it, and nothing while it is to be chosen or when it is gone', () => {
    const { sinks, written } = keeping();
    setterOf(unchosen, sinks)(0.25);
    setterOf(one, sinks)(0.5);
    expect(written).toEqual(writes);
    const gone = keeping(false);
    setterOf(one, gone.sinks)(0.5);
    expect(gone.written).toEqual([]);
  });
  test('has a key for each value it writes, which no other kind has', () => {
    expect(writtenKeys(one)).toHaveLength(writes.length);
    expect(writtenKeys(unchosen)).toEqual([]);
    const others = WRITABLE_KINDS.filter((k) => k !== kind).flatMap((k) => writtenKeys(CASES[k].one));
    expect(writtenKeys(one).filter((key) => others.includes(key))).toEqual([]);
  });
  test('begins between two ends that differ, in a unit that there is', () => {
    for (const writable of [one, unchosen]) {
      const [low, high] = endsOf(writable, FACTS);
      expect(low).not.toBe(high);
      expect(Object.keys(UNITS)).toContain(unitOf(writable, FACTS));
    }
  });
});

test('another number, another input, another action has another key', () => {
  const { number, circuit, duration } = CASES;
  const keys = [
    number.one,
    { ...number.one, property: 'moveY' },
    circuit.one,
    { ...circuit.one, port: 'turn' },
    { ...circuit.one, node: 'node_bbbb' },
    duration.one,
    { ...duration.one, action: 'act_move' },
  ].flatMap(writtenKeys);
  expect(new Set(keys).size).toBe(keys.length);
});
test('the ends of a duration are twice and half of what the action takes', () => {
  expect(endsOf(CASES.duration.one, FACTS)).toEqual([6, 1.5]);
});
