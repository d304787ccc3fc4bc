/** Compounds: made of nodes, used often and changed once, and never within themselves. */
import { describe, expect, test } from '@jest/globals';
import { applyEdit, type Edit } from '../document/edit';
import { blankEffect } from '../document/defaults';
import { expandNodes, isCircular, MOST_EXPANDED } from '../document/expand';
import { newCircuit } from '../document/new-circuit';
import {
  effectSchema,
  type BehaviourNodes,
  type CircuitId,
  type Compound,
  type CompoundId,
  type Effect,
  type NodeId,
} from '../document/schema';
import { newPort } from '../kinds/nodes/declared-ports';
import { newBehaviourNode, type BehaviourNode, type NodeOf } from '../kinds/nodes/nodes';
import { planNodes } from '../program/circuits';
import { addToCircuit, declarePort, removeFromCircuit } from './circuit-edits';
import { nodesOfText, textOfNodes } from './circuit-text';
import { changeCompound, makeCompound, removeCompound, useOf, usesOf } from './compound-edits';

const CIRCUIT = 'circuit_main' as CircuitId;
const SOFT = 'compound_soft' as CompoundId;
const id = (name: string) => `node_${name.padEnd(4, 'x')}` as NodeId;
const wire = (from: string, port = 'value') => ({ node: id(from), port });
const IDS = { compound: SOFT, use: id('use'), enter: id('enter'), leave: id('leave') };

/** a, b: (a + 1) * 2 into c and d. */
const nodes = [
  newBehaviourNode(id('a'), 'number', [0, 0], { values: { value: 3 } }),
  newBehaviourNode(id('plus'), 'add', [200, 0], { inputs: { a: wire('a') }, values: { b: 1 } }),
  newBehaviourNode(id('twice'), 'multiply', [400, 0], { inputs: { a: wire('plus') }, values: { b: 2 } }),
  newBehaviourNode(id('c'), 'negate', [600, 0], { inputs: { a: wire('twice') } }),
  newBehaviourNode(id('d'), 'absolute', [600, 90], { inputs: { a: wire('twice') } }),
];
const effect = {
  ...blankEffect('Tide'),
  circuits: {
    [CIRCUIT]: {
      ...newCircuit(CIRCUIT, 'Main', 0),
      nodes: Object.fromEntries(nodes.map((n) => [n.id, n])) as Record<NodeId, BehaviourNode>,
    },
  },
} as Effect;
const after = (of: Effect, ...edits: ((of: Effect) => Edit)[]): Effect =>
  edits.reduce((now, make) => applyEdit(now, make(now)).effect, of);
const make = (of: Effect): Edit => makeCompound(of, CIRCUIT, [id('plus'), id('twice')], 'Soft', IDS);
const made = after(effect, make);
const onBoard = (of: Effect): BehaviourNodes => of.circuits[CIRCUIT]!.nodes;
const compoundOf = (of: Effect): Compound => of.compounds[SOFT]!;
const why = (edit: () => unknown): string => {
  try {
    edit();
  } catch (error) {
    return (error as Error).message;
  }
  return 'it was done';
};

test('of nodes one is made: what ran in and out of them are its ports, one for each source', () => {
  expect(effectSchema.safeParse(made).error?.issues ?? []).toEqual([]);
  expect(Object.keys(onBoard(made)).sort()).toEqual([id('a'), id('c'), id('d'), id('use')].sort());
  const use = onBoard(made)[id('use')] as NodeOf<'compound'>;
  expect(use.inputs).toEqual({ a: wire('a') });
  expect(use.set.takes.map(({ name, type }) => [name, type])).toEqual([['a', 'number']]);
  expect(use.set.gives.map(({ name }) => name)).toEqual(['value']);
  expect(onBoard(made)[id('c')]!.inputs).toEqual({ a: wire('use') });
  expect(onBoard(made)[id('d')]!.inputs).toEqual({ a: wire('use') });
  const inner = compoundOf(made).nodes;
  expect(inner[id('plus')]!.inputs).toEqual({ a: wire('enter', 'a') });
  expect(inner[id('leave')]!.inputs).toEqual({ value: wire('twice') });
  expect(planNodes(onBoard(made), undefined, made.compounds).troubles.map(({ code }) => code)).not.toContain(
    'problem',
  );
});

test('opened out it stands in the place of its use, with what runs in and out', () => {
  const open = expandNodes(onBoard(made), made.compounds);
  expect(open[`${id('use')}/${id('plus')}` as NodeId]).toMatchObject({ kind: 'add', values: { b: 1 } });
  expect(open[id('use')]).toMatchObject({
    kind: 'leave',
    inputs: { value: { node: `${id('use')}/${id('twice')}`, port: 'value' } },
  });
  expect(open[`${id('use')}/${id('enter')}` as NodeId]!.inputs).toEqual({ a: wire('a') });
  // Switched off, all of it is.
  const off = { ...onBoard(made), [id('use')]: { ...onBoard(made)[id('use')]!, off: true } };
  expect(Object.values(expandNodes(off, made.compounds)).filter((n) => n.off)).toHaveLength(4);
});

test('what lies between chosen nodes has to be chosen too; nothing chosen makes none', () => {
  expect(why(() => makeCompound(effect, CIRCUIT, [id('a'), id('twice')], 'x', IDS))).toMatch(
    /lies between those that are/,
  );
  expect(why(() => makeCompound(effect, CIRCUIT, [], 'x', IDS))).toMatch(/Choose the nodes/);
  expect(why(() => makeCompound(effect, CIRCUIT, [id('gone')], 'x', IDS))).toMatch(/Choose the nodes/);
});

describe('used three times and changed once', () => {
  const thrice = after(made, (of) =>
    addToCircuit(of, CIRCUIT, [useOf(of, SOFT, id('two'), [0, 300]), useOf(of, SOFT, id('three'), [0, 500])]),
  );
  test('a new name of a port goes everywhere, with wires and values', () => {
    const set = { ...onBoard(thrice)[id('two')]!, values: { a: 7 } } as BehaviourNode;
    const before = after(thrice, (of) => addToCircuit(of, CIRCUIT, [set]));
    const renamed = after(
      before,
      (of) =>
        declarePort(of, SOFT, id('enter'), 'takes', 0, {
          ...newPort('amount'),
          low: 0,
          high: 5,
          unit: 'percent',
        }),
      (of) => declarePort(of, SOFT, id('leave'), 'gives', 0, newPort('out')),
    );
    expect(effectSchema.safeParse(renamed).error?.issues ?? []).toEqual([]);
    expect(usesOf(renamed, SOFT)).toBe(3);
    for (const use of [id('use'), id('two'), id('three')]) {
      const node = onBoard(renamed)[use] as NodeOf<'compound'>;
      expect(node.set.takes).toEqual([{ ...newPort('amount'), low: 0, high: 5, unit: 'percent' }]);
      expect(node.set.gives.map(({ name }) => name)).toEqual(['out']);
    }
    expect(onBoard(renamed)[id('use')]!.inputs).toEqual({ amount: wire('a') });
    expect(onBoard(renamed)[id('two')]!.values).toEqual({ amount: 7 });
    expect(onBoard(renamed)[id('c')]!.inputs).toEqual({ a: wire('use', 'out') });
    expect(compoundOf(renamed).nodes[id('plus')]!.inputs).toEqual({ a: wire('enter', 'amount') });
    expect(compoundOf(renamed).nodes[id('leave')]!.inputs).toEqual({ out: wire('twice') });
  });
  test('one more port is everywhere; one that is gone takes its wires along', () => {
    const more = after(thrice, (of) => declarePort(of, SOFT, id('enter'), 'takes', 1, newPort('speed')));
    expect((onBoard(more)[id('three')] as NodeOf<'compound'>).set.takes.map(({ name }) => name)).toEqual([
      'a',
      'speed',
    ]);
    const gone = after(more, (of) => declarePort(of, SOFT, id('leave'), 'gives', 0, null));
    expect(onBoard(gone)[id('c')]!.inputs).toEqual({});
    expect(compoundOf(gone).nodes[id('leave')]!.inputs).toEqual({});
  });
  test('it is called and explained once, and stays while it is used', () => {
    const named = after(
      thrice,
      (of) => changeCompound(of, SOFT, { name: 'Ebb', note: 'One more, twice.' }),
      (of) => removeCompound(of, SOFT),
    );
    expect(compoundOf(named)).toMatchObject({ name: 'Ebb', note: 'One more, twice.' });
    expect(removeCompound(effect, SOFT).label).toContain('Delete');
  });
});

test('what runs in and comes out stays with its compound, and is put nowhere else', () => {
  const kept = after(made, (of) => removeFromCircuit(of, SOFT, [id('enter'), id('plus'), id('leave')]));
  expect(Object.keys(compoundOf(kept).nodes).sort()).toEqual([id('enter'), id('leave'), id('twice')].sort());
  const enter = newBehaviourNode(id('again'), 'enter');
  for (const board of [CIRCUIT, SOFT])
    expect(why(() => after(made, (of) => addToCircuit(of, board, [enter])))).toMatch(
      /is there once.*Nothing was added/,
    );
  expect(why(() => nodesOfText(textOfNodes([enter], made), made, {}, () => id('new')))).toMatch(
    /is there once[.] Nothing was pasted/,
  );
});

describe('within itself', () => {
  const OUTER = 'compound_outer' as CompoundId;
  const outer = after(made, (of) =>
    makeCompound(of, CIRCUIT, [id('use'), id('c')], 'Outer', {
      compound: OUTER,
      use: id('over'),
      enter: id('inn'),
      leave: id('out'),
    }),
  );
  test('a compound of compounds is opened out to the last', () => {
    const open = expandNodes(onBoard(outer), outer.compounds);
    expect(open[`${id('over')}/${id('use')}/${id('plus')}` as NodeId]).toMatchObject({ kind: 'add' });
    expect(Object.values(open).some(({ kind }) => kind === 'compound')).toBe(false);
  });
  test('it cannot be put, by hand or as text; a document that has one all the same says so and goes on', () => {
    for (const [board, used] of [
      [SOFT, SOFT],
      [SOFT, OUTER],
      [OUTER, OUTER],
    ] as const)
      expect(
        why(() => after(outer, (of) => addToCircuit(of, board, [useOf(of, used, id('bad'), [0, 0])]))),
      ).toMatch(/would contain itself/);
    const bad = useOf(outer, OUTER, id('bad'), [0, 0]);
    const circular = {
      ...outer,
      compounds: {
        ...outer.compounds,
        [SOFT]: { ...compoundOf(outer), nodes: { ...compoundOf(outer).nodes, [bad.id]: bad } },
      },
    } as Effect;
    expect(isCircular(circular.compounds[SOFT]!, circular.compounds)).toBe(true);
    expect(Object.keys(expandNodes(onBoard(circular), circular.compounds)).length).toBeLessThan(20);
    const { troubles } = planNodes(onBoard(circular), undefined, circular.compounds);
    expect(troubles).toContainEqual({
      code: 'problem',
      node: id('over'),
      why: expect.stringContaining('contains itself'),
    });
    const text = textOfNodes([useOf(circular, OUTER, id('copy'), [0, 0])], circular);
    expect(why(() => nodesOfText(text, effect, {}, () => id('new')))).toMatch(
      /contains itself[.] Nothing was pasted/,
    );
  });
  test('ones that double each time do not fill the memory', () => {
    const compounds: Record<string, Compound> = { ...made.compounds };
    for (let i = 0; i < 30; i++) {
      const of = { ...made, compounds } as Effect;
      const inner = i === 0 ? SOFT : (`compound_n${i - 1}` as CompoundId);
      const own = `compound_n${i}` as CompoundId;
      const all = [
        newBehaviourNode(id('enter'), 'enter'),
        useOf(of, inner, id('one'), [0, 0]),
        useOf(of, inner, id('two'), [0, 0]),
        newBehaviourNode(id('leave'), 'leave'),
      ];
      compounds[own] = {
        ...compoundOf(made),
        id: own,
        nodes: Object.fromEntries(all.map((n) => [n.id, n])) as never,
      };
    }
    const use = useOf({ ...made, compounds } as Effect, 'compound_n29' as CompoundId, id('huge'), [0, 0]);
    const open = expandNodes({ [use.id]: use }, compounds);
    expect(Object.keys(open).length).toBeLessThanOrEqual(MOST_EXPANDED + 100);
  });
});

test('pasted into another effect a use brings its compound along, once', () => {
  const text = textOfNodes([onBoard(made)[id('use')]!], made);
  let n = 0;
  const pasted = nodesOfText(text, effect, {}, () => id(`new${n++}`));
  expect(pasted.compounds).toEqual([compoundOf(made)]);
  const target = after(effect, (of) => addToCircuit(of, CIRCUIT, pasted.nodes, pasted));
  expect(effectSchema.safeParse(target).error?.issues ?? []).toEqual([]);
  expect(usesOf(target, SOFT)).toBe(1);
  expect(nodesOfText(text, target, {}, () => id(`more${n++}`)).compounds).toEqual([]);
  const damaged = text.replace('"note": ""', '"note": 5');
  expect(why(() => nodesOfText(damaged, effect, {}, () => id('new')))).toMatch(
    /compounds does not hold together/,
  );
});
