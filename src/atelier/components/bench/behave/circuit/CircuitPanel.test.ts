/** @jest-environment ./scripts/jest-page.mjs */
import { afterEach, beforeAll, expect, test } from '@jest/globals';
import { enableAutoUnmount, flushPromises, type VueWrapper } from '@vue/test-utils';
import { blankEffect } from '../../../../../core/document/defaults';
import { newCircuit } from '../../../../../core/document/new-circuit';
import type { Circuit, CircuitId, NodeId } from '../../../../../core/document/schema';
import { newBehaviourNode, type BehaviourNode } from '../../../../../core/kinds/nodes/nodes';
import { useEffectStore } from '../../../../stores/effect';
import ChoiceField from '../../../common/ChoiceField.vue';
import NodeBoard from '../../../common/board/NodeBoard.vue';
import { mounted, openEffect } from '../../../testing';
import CircuitPanel from './CircuitPanel.vue';

enableAutoUnmount(afterEach);
// What runs ahead has nobody to run it here.
beforeAll(() => {
  globalThis.Worker ??= class {
    postMessage(): void {}
    terminate(): void {}
  } as never;
});
afterEach(() => useEffectStore().close());

const ID = 'circuit_main' as CircuitId;
const id = (name: string) => `node_${name}` as NodeId;
const opened = (...nodes: BehaviourNode[]) => {
  const circuit: Circuit = {
    ...newCircuit(ID, 'Main', 0),
    nodes: Object.fromEntries(nodes.map((n) => [n.id, n])) as Circuit['nodes'],
  };
  return openEffect({ ...blankEffect('Tide'), circuits: { [ID]: circuit } });
};
const board = (panel: VueWrapper) => panel.findComponent(NodeBoard as never) as VueWrapper;
const port = (node: string, name: string) => ({ node: id(node), port: name });
const inputsOf = (node: string) => useEffectStore().effect.circuits[ID]!.nodes[id(node)]!.inputs;

test('a circuit is made, and a node is added by what it is sought by; both are undone', async () => {
  const store = openEffect(blankEffect('Tide'));
  const panel = mounted(CircuitPanel);
  await panel.get('button').trigger('click');
  const [made] = Object.values(store.effect.circuits);
  expect(made).toMatchObject({ name: 'Circuit 1', enabled: true, owner: null, nodes: {} });
  await flushPromises();
  const add = panel.findAllComponents(ChoiceField).find((c) => c.props('label') === 'Add a node')!;
  const options = (
    add.props('options') as unknown as { label: string; options: { value: string; seek?: string }[] }[]
  ).flatMap((group) => group.options);
  expect(options.find(({ value }) => value === 'counter')!.seek).toContain('score');
  add.vm.$emit('change', 'counter');
  add.vm.$emit('change', 'trigger:mouthOpens');
  const nodes = Object.values(store.effect.circuits[made!.id]!.nodes as Record<string, BehaviourNode>);
  expect(nodes.map(({ kind }) => kind)).toEqual(['counter', 'trigger']);
  expect(nodes[1]!.set).toMatchObject({ trigger: { kind: 'level', signal: { name: 'jawOpen' } } });
  // Beside each other, not on each other.
  expect(nodes[0]!.at).not.toEqual(nodes[1]!.at);
  store.undo();
  store.undo();
  expect(store.effect.circuits[made!.id]!.nodes).toEqual({});
});

test('a wire runs where its type is read; what is not read there, and a circle, are refused in a sentence', async () => {
  opened(
    newBehaviourNode(id('words'), 'text'),
    newBehaviourNode(id('open'), 'yesNo'),
    newBehaviourNode(id('aaaa'), 'add'),
    newBehaviourNode(id('bbbb'), 'negate'),
    newBehaviourNode(id('back'), 'before'),
  );
  const panel = mounted(CircuitPanel);
  const connect = async (from: ReturnType<typeof port>, to: ReturnType<typeof port>): Promise<string> => {
    board(panel).vm.$emit('connect', from, to);
    await flushPromises();
    return panel.find('[role="alert"]').exists() ? panel.get('[role="alert"]').text() : '';
  };
  expect(await connect(port('words', 'text'), port('aaaa', 'a'))).toContain(
    'That gives a text, and a number is wanted there. Put a node between them: Length of a text.',
  );
  expect(inputsOf('aaaa')).toEqual({});
  // Yes is read as 1.
  expect(await connect(port('open', 'yes'), port('aaaa', 'b'))).toBe('');
  expect(inputsOf('aaaa')).toEqual({ b: port('open', 'yes') });
  await connect(port('aaaa', 'value'), port('bbbb', 'a'));
  expect(await connect(port('bbbb', 'value'), port('aaaa', 'a'))).toContain('would run in a circle');
  expect(inputsOf('aaaa')).not.toHaveProperty('a');
  await connect(port('bbbb', 'value'), port('back', 'value'));
  expect(await connect(port('back', 'value'), port('aaaa', 'a'))).toBe('');
  expect(inputsOf('aaaa')).toHaveProperty('a');
});

test('what is typed into a node is read out by its name, and is kept in the document', async () => {
  const store = opened(newBehaviourNode(id('words'), 'text'), newBehaviourNode(id('move'), 'fall'));
  const panel = mounted(CircuitPanel);
  await flushPromises();
  const field = panel.get('[aria-label="Text, text"]');
  await field.setValue('Ebb');
  const node = (name: string) => store.effect.circuits[ID]!.nodes[id(name)]!;
  expect(node('words').values).toEqual({ text: 'Ebb' });
  // Metres are typed as centimetres.
  const floor = panel.get('[aria-label="Fall, floor"] input, input[aria-label="Fall, floor"]');
  await floor.setValue('12');
  await floor.trigger('change');
  await floor.trigger('blur');
  expect(node('move').values['floor']).toBeCloseTo(0.12, 9);
});

test('nodes are switched off, copied with their wires and deleted, by buttons and by key', async () => {
  const store = opened(
    newBehaviourNode(id('aaaa'), 'number', [0, 0], { values: { value: 4 } }),
    newBehaviourNode(id('bbbb'), 'negate', [220, 0], { inputs: { a: port('aaaa', 'value') } }),
  );
  const nodes = () => Object.values(store.effect.circuits[ID]!.nodes as Record<string, BehaviourNode>);
  const panel = mounted(CircuitPanel);
  board(panel).vm.$emit('select', [id('aaaa'), id('bbbb')]);
  await flushPromises();
  await panel.get('[aria-label="Switch the selected nodes off or on"]').trigger('click');
  expect(nodes().every((n) => n.off)).toBe(true);
  // One step for all of them.
  store.undo();
  expect(nodes().every((n) => !n.off)).toBe(true);
  store.redo();
  await panel.get('[aria-label="Switch the selected nodes off or on"]').trigger('click');
  expect(nodes().every((n) => !n.off)).toBe(true);
  await panel.get('[aria-label="Copy the selected nodes"]').trigger('click');
  expect(nodes()).toHaveLength(4);
  const copy = nodes().find((n) => n.kind === 'negate' && n.id !== id('bbbb'))!;
  expect(nodes().find((n) => n.id === copy.inputs['a']!.node)).toMatchObject({
    kind: 'number',
    values: { value: 4 },
  });
  expect(copy.inputs['a']!.node).not.toBe(id('aaaa'));
  await panel.get('section').trigger('keydown', { key: 'Delete' });
  expect(
    nodes()
      .map((n) => n.id)
      .sort(),
  ).toEqual([id('aaaa'), id('bbbb')]);
});

test('a wire says what it is read as; an input that needs a wire has no field; undoing leads back to the circuit', async () => {
  const store = opened(
    newBehaviourNode(id('open'), 'yesNo'),
    newBehaviourNode(id('aaaa'), 'add', [220, 0], { inputs: { a: port('open', 'yes') } }),
    newBehaviourNode(id('many'), 'counter', [440, 0]),
  );
  const panel = mounted(CircuitPanel);
  await flushPromises();
  const wire = panel.get('[aria-label="Take the wire off a of Add"]');
  expect(wire.text()).toBe('wire y → n');
  expect(wire.attributes('title')).toBe('Brings yes or no, read as a number: 1 for yes, 0 for no.');
  const counter = panel.get('[aria-label="Counter"]');
  expect(counter.text()).toContain('no wire');
  expect(counter.find('[aria-label="Counter, up"]').exists()).toBe(false);
  expect(counter.find('input[aria-label="Counter, start"]').exists()).toBe(true);

  await wire.trigger('click');
  expect(inputsOf('aaaa')).toEqual({});
  await panel
    .findAll('button')
    .find((b) => b.text() === '+ Circuit')!
    .trigger('click');
  expect(panel.find('[aria-label="Counter"]').exists()).toBe(false);
  store.undo();
  store.undo();
  await flushPromises();
  expect(inputsOf('aaaa')).toEqual({ a: port('open', 'yes') });
  expect(panel.find('[aria-label="Counter"]').exists()).toBe(true);
});

test('a wire let go of in the empty: only what fits is offered, and is put there and wired in one step', async () => {
  const store = opened(
    newBehaviourNode(id('open'), 'yesNo'),
    newBehaviourNode(id('many'), 'counter', [300, 0]),
  );
  const panel = mounted(CircuitPanel);
  const wireField = () =>
    panel.findAllComponents(ChoiceField).find((c) => String(c.props('label')).startsWith('What the wire'))!;
  const letGo = async (from: ReturnType<typeof port>, isOutput: boolean): Promise<string[]> => {
    board(panel).vm.$emit('loose', from, isOutput, [500, 40]);
    await flushPromises();
    const field = wireField();
    return (field.props('options') as unknown as { options: { value: string }[] }[]).flatMap(({ options }) =>
      options.map(({ value }) => value),
    );
  };
  const offered = await letGo(port('open', 'yes'), true);
  expect(offered).toContain('not');
  expect(offered).toContain('add');
  expect(offered).not.toContain('joinTexts');
  expect(offered).not.toContain('trigger:mouthOpens');
  const choose = (value: string): void => void wireField().vm.$emit('change', value);
  choose('not');
  const made = Object.values(store.effect.circuits[ID]!.nodes).find((n) => n.kind === 'not')!;
  expect(made.inputs).toEqual({ a: port('open', 'yes') });
  // Where it was let go of, or close by where there is room.
  expect(Math.hypot(made.at[0] - 500, made.at[1] - 40)).toBeLessThan(80);
  store.undo();
  expect(Object.values(store.effect.circuits[ID]!.nodes)).toHaveLength(2);
  // While a node is sought too, what the wire runs to is asked first.
  await panel.get('[aria-label="Find on the board"]').trigger('click');
  // Back from an input: what gives it is offered, and what is ready is set as it says.
  expect(await letGo(port('many', 'up'), false)).toContain('trigger:mouthOpens');
  choose('trigger:mouthOpens');
  const trigger = Object.values(store.effect.circuits[ID]!.nodes).find((n) => n.kind === 'trigger')!;
  expect(inputsOf('many')).toEqual({ up: { node: trigger.id, port: 'event' } });
});

test('nodes are copied as text and pasted from it, cut, and refused with a sentence', async () => {
  const store = opened(
    newBehaviourNode(id('aaaa'), 'number', [0, 0], { values: { value: 4 } }),
    newBehaviourNode(id('bbbb'), 'negate', [220, 0], { inputs: { a: port('aaaa', 'value') } }),
  );
  const nodes = () => Object.values(store.effect.circuits[ID]!.nodes as Record<string, BehaviourNode>);
  const panel = mounted(CircuitPanel);
  let clipboard = '';
  const send = async (type: 'copy' | 'cut' | 'paste', on: Element = document.body): Promise<void> => {
    const event = new Event(type, { bubbles: true, cancelable: true });
    Object.assign(event, {
      clipboardData: { setData: (_: string, text: string) => (clipboard = text), getData: () => clipboard },
    });
    on.dispatchEvent(event);
    await flushPromises();
  };
  board(panel).vm.$emit('select', [id('aaaa'), id('bbbb')]);
  await flushPromises();
  await send('copy');
  await send('paste');
  expect(nodes()).toHaveLength(4);
  const copy = nodes().find((n) => n.kind === 'negate' && n.id !== id('bbbb'))!;
  expect(nodes().find((n) => n.id === copy.inputs['a']!.node)).toMatchObject({ values: { value: 4 } });
  store.undo();
  // What is written elsewhere is not the board's.
  const field = document.createElement('input');
  document.body.append(field);
  await send('paste', field);
  field.remove();
  expect(nodes()).toHaveLength(2);
  board(panel).vm.$emit('select', [id('bbbb')]);
  await flushPromises();
  await send('cut');
  expect(nodes()).toHaveLength(1);
  clipboard = '{"format":"iconia-nodes","schema":9999,"nodes":[]}';
  await send('paste');
  expect(panel.get('[role="alert"]').text()).toContain('copied from a newer Iconia');
  expect(nodes()).toHaveLength(1);
});

test('within a compound: what it has itself stays, a new circuit leads out, and the chip of a circuit to its board', async () => {
  const store = opened(
    newBehaviourNode(id('aaaa'), 'number'),
    newBehaviourNode(id('bbbb'), 'negate', [200, 0], { inputs: { a: port('aaaa', 'value') } }),
  );
  const panel = mounted(CircuitPanel);
  await flushPromises();
  const press = async (name: string): Promise<void> => {
    await panel
      .findAll('button')
      .find((b) => b.attributes('aria-label') === name || b.text() === name)!
      .trigger('click');
    await flushPromises();
  };
  const shown = (): string[] => Object.keys((board(panel).props() as { graph: object }).graph).sort();
  board(panel).vm.$emit('select', [id('bbbb')]);
  await flushPromises();
  await press('Make the selected nodes one');
  const [compound] = Object.values(store.effect.compounds);
  await press(compound!.name);
  expect(shown()).toEqual(Object.keys(compound!.nodes).sort());
  // The settings of the circuit are not those of the compound.
  expect(panel.findAll('button').some((b) => b.attributes('aria-label') === 'Name, whom it belongs to')).toBe(
    false,
  );
  board(panel).vm.$emit('select', shown());
  await flushPromises();
  await press('Delete the selected nodes');
  expect(shown()).toHaveLength(2);
  expect(panel.get('[role="alert"]').text()).toContain('stays');
  await press('+ Circuit');
  expect(shown()).toEqual([]);
  expect(Object.keys(store.effect.circuits)).toHaveLength(2);
  await press('Main');
  expect(shown()).toHaveLength(2);
});
