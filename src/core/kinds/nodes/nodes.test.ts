/** Every node of behaviour circuits by known answers. */
import { describe, expect, test } from '@jest/globals';
import type { Names } from '../names';
import { EFFECT_CASES } from './cases/effect.cases';
import { BODY_CASES, OBJECT_CASES, WORLD_CASES } from './cases/world.cases';
import { LOGIC_CASES } from './cases/logic.cases';
import { EVENT_CASES } from './cases/event.cases';
import { TIME_CASES } from './cases/time.cases';
import { CHANGE_CASES } from './cases/change.cases';
import { NUMBER_CASES } from './cases/number.cases';
import { VECTOR_CASES } from './cases/vector.cases';
import { ROTATION_CASES } from './cases/rotation.cases';
import { COLOUR_CASES } from './cases/colour.cases';
import { TEXT_CASES } from './cases/text.cases';
import { LIST_CASES } from './cases/list.cases';
import { COMPOUND_CASES } from './cases/compound.cases';
import { SCRIPT_CASES } from './cases/script.cases';
import type { Case } from './cases/testing';
import { isEnd, behaviourNodeSchema, newBehaviourNode, NODE_KINDS, nodeKind, type NodeKind } from './nodes';
import { NOTHING, PORT_TYPES } from './ports';
import { stepped } from './run-alone';
import { NODE_WORDS } from './words/node-words';
import { NODE_GROUPS } from './words/node-words-kind';

const CASES: Readonly<Record<NodeKind, readonly Case[]>> = {
  ...EFFECT_CASES,
  ...WORLD_CASES,
  ...OBJECT_CASES,
  ...BODY_CASES,
  ...LOGIC_CASES,
  ...EVENT_CASES,
  ...TIME_CASES,
  ...CHANGE_CASES,
  ...NUMBER_CASES,
  ...VECTOR_CASES,
  ...ROTATION_CASES,
  ...COLOUR_CASES,
  ...TEXT_CASES,
  ...LIST_CASES,
  ...SCRIPT_CASES,
  ...COMPOUND_CASES,
};

describe.each(NODE_KINDS)('node: %s', (kind) => {
  test.each(CASES[kind].map((of, i) => [i + 1, of] as const))(
    'known answer %d',
    (_, { given, gives, set, at }) => {
      expect(stepped(kind, given, { ...(set ? { set } : {}), ...(at ? { at } : {}) })).toEqual(gives);
    },
  );
  test('a new one is valid, says what it does, and gives what its outputs are', () => {
    const node = newBehaviourNode('node_aaaa' as never, kind);
    expect(behaviourNodeSchema.safeParse(node).error?.issues ?? []).toEqual([]);
    const { inputs, outputs } = nodeKind(kind);
    const { name, note, group } = NODE_WORDS[kind];
    expect(NODE_GROUPS).toContain(group);
    expect(name.length).toBeLessThan(34);
    expect(note).toMatch(/[.)]$/);
    // Ends give nothing, and all else gives something, but for ports that are still to be declared.
    if (!(kind in COMPOUND_CASES)) expect(outputs.length === 0).toBe(isEnd(kind));
    expect(new Set(inputs.map((i) => i.name)).size).toBe(inputs.length);
    const [out] = stepped(kind, [{}]);
    outputs.forEach(({ type }, i) => {
      const { width } = PORT_TYPES[type];
      if (width === 1) expect(typeof out![i]).toBe('number');
      else if (width > 1) expect(out![i]).toHaveLength(width);
      else expect(typeof out![i]).toBe(typeof NOTHING[type]);
    });
  });
});

test('names tell nodes apart', () => {
  const names = NODE_KINDS.map((kind) => NODE_WORDS[kind].name);
  expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([]);
});
test('what nodes are called on the board goes by what is set', () => {
  const names = new Proxy({}, { get: () => (id: string | null) => id ?? 'nothing' }) as Names;
  const titles = NODE_KINDS.flatMap((kind) => {
    const { title, fresh } = nodeKind(kind);
    const words = title?.(fresh as never, names);
    return words ? [words] : [];
  });
  expect(titles).toHaveLength(6);
  expect(titles).toContain('start “nothing”');
});
