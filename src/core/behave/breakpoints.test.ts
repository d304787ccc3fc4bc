import { expect, test } from '@jest/globals';
import { newCircuit } from '../document/new-circuit';
import type { CircuitId, NodeId } from '../document/schema';
import { newBehaviourNode } from '../kinds/nodes/nodes';
import { readyTrigger } from '../kinds/triggers/ready-triggers';
import { FIRST_TAKE } from '../takes/library';
import { firstBreakpoint, type Breakpoint } from './breakpoints';
import { isSamePort } from './port-place';
import { Player } from './player';
import { recordedTaps } from './recorded';
import { effectOf } from './testing';

const CIRCUIT = 'circuit_main' as CircuitId;
const id = (name: string) => `node_${name}` as NodeId;
const at = (node: string, port: string): Breakpoint => ({ circuit: CIRCUIT, node: id(node), port });
const tapped = (times: readonly number[]): Player => {
  const nodes = [
    newBehaviourNode(id('taps'), 'trigger', [0, 0], { set: { trigger: readyTrigger('screenTapped') } }),
    newBehaviourNode(id('turn'), 'toggle', [0, 0], {
      inputs: { event: { node: id('taps'), port: 'event' } },
    }),
  ];
  const circuit = {
    ...newCircuit(CIRCUIT, 'Main', 0),
    nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
  };
  return new Player(effectOf([], [], { circuits: { [CIRCUIT]: circuit } } as never), FIRST_TAKE, {
    recorded: recordedTaps(times.map((time) => ({ time, x: 0.5, y: 0.5 }))),
  });
};

test('a take stops at the step in which an event passes, and goes on to the next one', () => {
  const player = tapped([1, 2]);
  const stops = [at('taps', 'event')];
  const first = firstBreakpoint(player, stops, 0, 5)!;
  expect([first.time, first.breakpoint]).toEqual([1, stops[0]]);
  expect(firstBreakpoint(player, stops, first.time, 5)!.time).toBe(2);
  expect(firstBreakpoint(player, stops, 2, 5)).toBeNull();
  expect(firstBreakpoint(player, stops, 0, 0.9)).toBeNull();
});

test('what is yes or no stops it when it comes true, not while it stays so', () => {
  const player = tapped([1, 2, 3]);
  const stops = [at('turn', 'yes')];
  const times: number[] = [];
  for (let from = 0; ;) {
    const hit = firstBreakpoint(player, stops, from, 6);
    if (!hit) break;
    times.push((from = hit.time));
  }
  expect(times).toEqual([1, 3]);
});

test('of several the first counts, and one of a node that is gone stops nothing', () => {
  const player = tapped([1]);
  expect(firstBreakpoint(player, [at('gone', 'event')], 0, 5)).toBeNull();
  expect(firstBreakpoint(player, [at('gone', 'event'), at('taps', 'event')], 0, 5)!.time).toBe(1);
  expect(isSamePort(at('taps', 'event'), at('taps', 'event'))).toBe(true);
  expect(isSamePort(at('taps', 'event'), at('turn', 'event'))).toBe(false);
});

test('from the beginning what happens in the first step counts too', () => {
  const player = tapped([0, 1]);
  const stops = [at('taps', 'event')];
  expect(firstBreakpoint(player, stops, null, 2)!.time).toBe(0);
  expect(firstBreakpoint(player, stops, 0, 2)!.time).toBe(1);
});
