import { expect, test } from '@jest/globals';
import { newCircuit } from '../document/new-circuit';
import {
  effectSchema,
  MOST_NODES,
  type Circuit,
  type CircuitId,
  type Effect,
  type NodeId,
  type ObjectId,
} from '../document/schema';
import { applyEdit } from '../document/edit';
import { newBehaviourNode, type BehaviourNode, type NodeOf } from '../kinds/nodes/nodes';
import { sampleEffect } from '../document/sample';
import {
  addToCircuit,
  changeCircuit,
  changeInCircuit,
  moveInCircuit,
  putCircuit,
  removeCircuit,
  removeFromCircuit,
  switchInCircuit,
  wireCircuit,
} from './circuit-edits';
import { duplicateObjects } from './copy-edits';
import { removeObject } from './object-edits';
import { after, idsInTurn } from './testing';

const ID = 'circuit_swing' as CircuitId;
const OWNER = 'obj_sample0' as ObjectId;
const OTHER = 'obj_sample1' as ObjectId;
const A = 'node_aaaa' as NodeId;
const B = 'node_bbbb' as NodeId;
const nodes = (): BehaviourNode[] => [
  newBehaviourNode(A, 'signal', [0, 0], { set: { signal: { kind: 'object', object: OWNER, of: 'worldX' } } }),
  newBehaviourNode(B, 'write', [220, 0], {
    inputs: { value: { node: A, port: 'value' } },
    set: { to: { kind: 'number', objects: [OWNER, OTHER], property: 'turnZ' } },
  }),
];
const withOwner = (owner: ObjectId | null): Effect => {
  const made = after(sampleEffect(2, 1), putCircuit(newCircuit(ID, 'Swing', 0, owner)));
  return after(made, addToCircuit(made, ID, nodes()));
};
const only = (effect: Effect): Circuit => effect.circuits[ID]!;

test('a circuit is made, changed, and taken away; each edit leads there and back', () => {
  const effect = withOwner(null);
  expect(effectSchema.safeParse(effect).error).toBeUndefined();
  for (const edit of [
    changeCircuit(effect, ID, { name: 'Sway', enabled: false }),
    changeInCircuit(effect, ID, A, { values: { x: 1 } }),
    switchInCircuit(effect, ID, [A], true),
    changeInCircuit(effect, ID, B, { set: { to: { kind: 'variable', variable: null } } }),
    moveInCircuit(effect, ID, new Map([[A, [3.4, 5.6]]])),
    wireCircuit(effect, ID, { node: B, port: 'value' }, null),
    removeFromCircuit(effect, ID, [A]),
    removeCircuit(effect, ID),
  ]) {
    const { effect: changed, inverse } = applyEdit(effect, edit);
    expect(changed).not.toEqual(effect);
    expect(effectSchema.safeParse(changed).error).toBeUndefined();
    expect(inverse.length).toBeGreaterThan(0);
  }
  expect(only(after(effect, moveInCircuit(effect, ID, new Map([[A, [3.4, 5.6]]])))).nodes[A]!.at).toEqual([
    3, 6,
  ]);
  // With the wires that ran from it.
  expect(only(after(effect, removeFromCircuit(effect, ID, [A]))).nodes[B]!.inputs).toEqual({});
});
test('what is not there changes nothing', () => {
  const effect = withOwner(null);
  const gone = 'circuit_gone' as CircuitId;
  for (const edit of [
    changeCircuit(effect, gone, { enabled: false }),
    removeFromCircuit(effect, gone, [A]),
    switchInCircuit(effect, ID, ['node_gone' as NodeId], true),
    wireCircuit(effect, ID, { node: 'node_gone', port: 'value' }, { node: A, port: 'value' }),
  ])
    expect(after(effect, edit)).toEqual(effect);
});
test('more nodes than fit are refused in a sentence, and none is added', () => {
  const effect = withOwner(null);
  const many = Array.from({ length: MOST_NODES }, (_, i) =>
    newBehaviourNode(`node_many${i}` as NodeId, 'number'),
  );
  expect(() => after(effect, addToCircuit(effect, ID, many))).toThrow(/holds 20000 nodes.*Nothing was added/);
});
test('it goes along when its object is copied, and means the copy', () => {
  const effect = withOwner(OWNER);
  const copies = new Map<ObjectId, ObjectId>();
  const copied = after(effect, duplicateObjects(effect, [OWNER], idsInTurn(), 'shared', copies));
  const copy = Object.values(copied.circuits).find(({ id }) => id !== ID)!;
  expect(copy.owner).toBe(copies.get(OWNER));
  expect((copy.nodes[A] as NodeOf<'signal'>).set.signal).toMatchObject({ object: copies.get(OWNER) });
  // What it meant beside its owner it still means.
  expect((copy.nodes[B] as NodeOf<'write'>).set.to).toMatchObject({ objects: [copies.get(OWNER), OTHER] });
  expect(only(copied)).toEqual(only(effect));
  expect(effectSchema.safeParse(copied).error).toBeUndefined();
  const another = after(effect, duplicateObjects(effect, [OTHER], idsInTurn()));
  expect(Object.keys(another.circuits)).toEqual([ID]);
});
test('it goes when its object is deleted; the effect’s own stays, and means nothing there any more', () => {
  const owned = withOwner(OWNER);
  expect(after(owned, removeObject(owned, OWNER)).circuits).toEqual({});
  const free = withOwner(null);
  const { circuits } = after(free, removeObject(free, OWNER));
  expect((circuits[ID]!.nodes[A] as NodeOf<'signal'>).set.signal).toMatchObject({ object: null });
  expect((circuits[ID]!.nodes[B] as NodeOf<'write'>).set.to).toMatchObject({ objects: [OTHER] });
});
