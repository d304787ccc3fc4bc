/** Notes, areas and bends on boards: edits that lead there and back, and text that brings them along. */
import { expect, test } from '@jest/globals';
import { applyEdit } from '../document/edit';
import { applyPatch } from '../document/patch';
import { newBoardNote, type BoardNoteId } from '../document/board-note-schema';
import { newCircuit } from '../document/new-circuit';
import { effectSchema, MOST_NOTES, type CircuitId, type Effect, type NodeId } from '../document/schema';
import { sampleEffect } from '../document/sample';
import { newBehaviourNode } from '../kinds/nodes/nodes';
import { addNotes, changeNote, copiedNotes, removeNotes } from './board-note-edits';
import {
  addToCircuit,
  bendWire,
  layOutCircuit,
  moveInCircuit,
  putCircuit,
  wireCircuit,
} from './circuit-edits';
import { nodesOfText, shiftedBy, textOfNodes } from './circuit-text';
import { after, idsInTurn } from './testing';

const BOARD = 'circuit_main' as CircuitId;
const note = (name: string) => `note_${name.padEnd(4, 'x')}` as BoardNoteId;
const A = 'node_aaaa' as NodeId;
const B = 'node_bbbb' as NodeId;
const AREA = newBoardNote(note('area'), 'area', [-20, -50.4]);
const WORDS = { ...newBoardNote(note('word'), 'note', [0, 300]), text: 'Tide comes in here' };
const made = (): Effect => {
  const empty = after(sampleEffect(1, 0), putCircuit(newCircuit(BOARD, 'Main', 0)));
  const wired = after(
    empty,
    addToCircuit(empty, BOARD, [
      newBehaviourNode(A, 'time'),
      newBehaviourNode(B, 'add', [300, 0], { inputs: { a: { node: A, port: 'seconds' } } }),
    ]),
  );
  return after(wired, addNotes(wired, BOARD, [AREA, WORDS]));
};
const board = (effect: Effect) => effect.circuits[BOARD]!;
const viaOf = (effect: Effect) => board(effect).nodes[B]!.inputs.a!.via;

test('notes are added, changed and taken away, each a step that leads back', () => {
  const effect = made();
  expect(effectSchema.safeParse(effect).error).toBeUndefined();
  expect(board(effect).notes[AREA.id]).toMatchObject({ at: [-20, -50], size: [460, 280] });
  for (const edit of [
    addNotes(effect, BOARD, [newBoardNote(note('more'), 'note', [1, 2])]),
    changeNote(effect, BOARD, AREA.id, { text: 'Score', colour: 'kelp', size: [500, 300] }),
    removeNotes(effect, BOARD, [AREA.id, WORDS.id]),
    moveInCircuit(effect, BOARD, new Map([[AREA.id, [5.6, 7]]])),
    bendWire(effect, BOARD, { node: B, port: 'a' }, [[100.4, 60]]),
  ]) {
    const there = applyEdit(effect, edit);
    expect(there.effect).not.toEqual(effect);
    expect(effectSchema.safeParse(there.effect).error).toBeUndefined();
    expect(applyPatch(there.effect, there.inverse)).toEqual(effect);
  }
  const changed = after(effect, changeNote(effect, BOARD, AREA.id, { text: 'Score', colour: 'kelp' }));
  expect(board(changed).notes[AREA.id]).toEqual({ ...AREA, text: 'Score', colour: 'kelp' });
  const gone = after(changed, removeNotes(changed, BOARD, [AREA.id]));
  expect(Object.keys(board(gone).notes)).toEqual([WORDS.id]);
  // What lay on it is still there.
  expect(Object.keys(board(gone).nodes)).toEqual([A, B]);
});

test('a board takes only so many', () => {
  const effect = made();
  const many = Array.from({ length: MOST_NOTES - 1 }, (_, i) => newBoardNote(note(`n${i}`), 'note', [0, 0]));
  expect(() => addNotes(effect, BOARD, many)).toThrow(/holds 500 notes.*Nothing was added/);
});

test('a wire is led past bends, at most eight; they go along when both its ends do, and go when nodes are laid out', () => {
  const effect = made();
  const to = { node: B, port: 'a' };
  const bent = after(
    effect,
    bendWire(effect, BOARD, to, [
      [100, 60],
      [200.4, 80],
    ]),
  );
  expect(viaOf(bent)).toEqual([
    [100, 60],
    [200, 80],
  ]);
  const both = after(
    bent,
    moveInCircuit(
      bent,
      BOARD,
      new Map([
        [A, [10, 20]],
        [B, [310, 20]],
      ]),
    ),
  );
  expect(viaOf(both)).toEqual([
    [110, 80],
    [210, 100],
  ]);
  // One end alone leaves them where they are.
  expect(viaOf(after(bent, moveInCircuit(bent, BOARD, new Map([[B, [310, 20]]]))))).toEqual([
    [100, 60],
    [200, 80],
  ]);
  const many = Array.from({ length: 12 }, (_, i) => [i, i] as const);
  expect(viaOf(after(bent, bendWire(bent, BOARD, to, many)))).toHaveLength(8);
  expect(viaOf(after(bent, bendWire(bent, BOARD, to, [])))).toBeUndefined();
  expect(viaOf(after(bent, layOutCircuit(bent, BOARD, new Map([[A, [0, 0]]]))))).toBeUndefined();
  // Another wire in its place runs straight.
  expect(viaOf(after(bent, wireCircuit(bent, BOARD, to, { node: A, port: 'seconds' })))).toBeUndefined();
});

test('text brings notes and bends along, moved as the nodes are', () => {
  const effect = made();
  const bent = after(effect, bendWire(effect, BOARD, { node: B, port: 'a' }, [[100, 60]]));
  const { nodes, notes } = board(bent);
  const text = textOfNodes(Object.values(nodes), bent, Object.values(notes));
  const pasted = nodesOfText(text, effect, {}, idsInTurn());
  expect(pasted.nodes[1]!.inputs.a!.via).toEqual([[128, 88]]);
  expect(pasted.notes.map(({ at, text: words }) => [at, words])).toEqual([
    [[8, -22], ''],
    [[28, 328], WORDS.text],
  ]);
  const farther = shiftedBy(pasted, [100, -50]);
  expect(farther.nodes.map(({ at }) => at)).toEqual(pasted.nodes.map(({ at: [x, y] }) => [x + 100, y - 50]));
  expect(farther.nodes[1]!.inputs.a!.via).toEqual([[228, 38]]);
  expect(farther.notes.map(({ id, at }) => [id, at])).toEqual(
    pasted.notes.map(({ id, at: [x, y] }) => [id, [x + 100, y - 50]]),
  );
  expect(new Set([...pasted.notes, AREA, WORDS].map(({ id }) => id)).size).toBe(4);
  // Notes alone are text too; one that does not hold together takes nothing with it.
  expect(nodesOfText(textOfNodes([], bent, [WORDS]), effect, {}, idsInTurn()).notes).toHaveLength(1);
  const damaged = text.replace('"tide"', '"plaid"');
  expect(() => nodesOfText(damaged, effect, {}, idsInTurn())).toThrow(/One of the notes.*Nothing was pasted/);
  expect(copiedNotes([WORDS], () => note('copy'))[0]).toEqual({ ...WORDS, id: note('copy'), at: [28, 328] });
});
