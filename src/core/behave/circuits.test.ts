/** Behaviour circuits as they run: what they read and write, when, and that any moment can be gone back to. */
import { describe, expect, test } from '@jest/globals';
import { newDrive, newVariable } from '../document/new-cues';
import { newMaterial } from '../document/new-material';
import { newCircuit } from '../document/new-circuit';
import type {
  Circuit,
  CircuitId,
  CueId,
  DriveId,
  Effect,
  MaterialId,
  NodeId,
  ObjectId,
  TextObject,
  VariableId,
} from '../document/schema';
import { effectSchema } from '../document/schema';
import { newBehaviourNode, type BehaviourNode, type NodeKind } from '../kinds/nodes/nodes';
import { FOREHEAD } from '../kinds/objects/placed';
import { newText } from '../kinds/objects/text';
import { compile } from '../program/program';
import { Runtime } from './runtime';
import { CARD, card, cueOf, effectOf, faceWith, STILL, TAP } from './testing';

const CIRCUIT = 'circuit_main' as CircuitId;
const id = (name: string) => `node_${name.padEnd(4, 'x')}` as NodeId;
const wire = (from: string, port = 'value') => ({ node: id(from), port });
const node = <K extends NodeKind>(
  name: string,
  kind: K,
  inputs: Record<string, { node: NodeId; port: string }> = {},
  more: { readonly set?: object; readonly values?: BehaviourNode['values'] } = {},
): BehaviourNode => newBehaviourNode(id(name), kind, [0, 0], { inputs, ...more });
const circuitOf = (nodes: readonly BehaviourNode[], more: Partial<Circuit> = {}): Circuit => ({
  ...newCircuit(CIRCUIT, 'Main', 0),
  nodes: Object.fromEntries(nodes.map((n) => [n.id, n])) as Circuit['nodes'],
  ...more,
});
const withCircuit = (
  nodes: readonly BehaviourNode[],
  more: Partial<Effect> = {},
  of: Partial<Circuit> = {},
): Effect =>
  effectOf([], [card()], { circuits: { [CIRCUIT]: circuitOf(nodes, of) } as Effect['circuits'], ...more });
const SCORE = newVariable('variable_score' as VariableId, 'Score', 0);
const VARIABLES = { variables: { [SCORE.id]: SCORE } as Effect['variables'] };
const toScore = { set: { to: { kind: 'variable', variable: SCORE.id } } };
const toCard = (property: string) => ({ set: { to: { kind: 'number', objects: [CARD], property } } });
const signal = (of: object) => ({ set: { signal: of } });
const started = (effect: Effect): Runtime => new Runtime(compile(effect));

test('a number of the face drives a number of an object', () => {
  const effect = withCircuit([
    node('mouth', 'signal', {}, signal({ kind: 'expression', face: 1, name: 'jawOpen' })),
    node('more', 'remap', { value: wire('mouth') }, { values: { 'new from': 1, 'new to': 3 } }),
    node('out', 'write', { value: wire('more') }, toCard('size')),
  ]);
  expect(effectSchema.safeParse(effect).error).toBeUndefined();
  const runtime = started(effect);
  runtime.step(faceWith({ jawOpen: 0.5 }));
  expect(runtime.values(0).scale[0]).toBeCloseTo(2 * card().scale[0], 9);
  expect(runtime.nodeValue(CIRCUIT, id('more'), 'value')).toBe(2);
  expect(runtime.nodeValue(CIRCUIT, id('gone'), 'value')).toBeUndefined();
});

test('taps are counted into a variable', () => {
  const runtime = started(
    withCircuit(
      [
        node('tap', 'trigger'),
        node('count', 'counter', { up: wire('tap', 'event') }),
        node('out', 'write', { value: wire('count', 'count') }, toScore),
      ],
      VARIABLES,
    ),
  );
  runtime.step(STILL);
  for (const taps of [1, 2, 3]) {
    runtime.step(STILL, TAP);
    expect(runtime.variable(SCORE.id)).toBe(taps);
    runtime.step(STILL);
  }
});

test('a cue is started in the step in which the event passes', () => {
  const cue = { ...cueOf('screenTapped', [[{ kind: 'hide' }]]), triggers: [] };
  const runtime = started(
    withCircuit(
      [
        node('tap', 'trigger'),
        node('fifth', 'everyNth', { event: wire('tap', 'event') }, { values: { every: 2 } }),
        node('fire', 'cue', { event: wire('fifth', 'event') }, { set: { do: 'start', cue: cue.id } }),
      ],
      { cues: { [cue.id]: cue } as Effect['cues'] },
    ),
  );
  expect(runtime.step(STILL, TAP)).toEqual([]);
  expect(runtime.step(STILL)).toEqual([]);
  expect(runtime.step(STILL, TAP).map((f) => f.cue)).toEqual([cue.id]);
  expect(runtime.values(0).visible).toBe(false);
});
test('a circuit hears that a cue has ended', () => {
  const cue = cueOf('screenTapped', [[{ kind: 'fade', duration: 0.1 } as never]]);
  const ends = { kind: 'cue', cue: cue.id, moment: 'ends', at: 0 };
  const runtime = started(
    withCircuit(
      [
        node('end', 'trigger', {}, { set: { trigger: ends } }),
        node('count', 'counter', { up: wire('end', 'event') }),
        node('out', 'write', { value: wire('count', 'count') }, toScore),
      ],
      { ...VARIABLES, cues: { [cue.id]: cue } as Effect['cues'] },
    ),
  );
  runtime.step(STILL, TAP);
  for (let n = 0; n < 12; n++) runtime.step(STILL);
  expect(runtime.variable(SCORE.id)).toBe(1);
});

describe('what is written', () => {
  const one = node('one', 'number', {}, { values: { value: 0.25 } });
  const out = node('out', 'write', { value: wire('one') }, toCard('opacity'));
  test('lies over cues and drives, and what is beneath shows when the circuit is off', () => {
    const drive = newDrive(
      'drive_aaaa' as DriveId,
      0,
      { kind: 'time' },
      { kind: 'number', objects: [CARD], property: 'opacity' },
    );
    const more = {
      drives: { [drive.id]: { ...drive, remap: { ...drive.remap, to: [0.6, 0.6] } } } as Effect['drives'],
    };
    const opacity = (of: Partial<Circuit>, nodes = [one, out]): number => {
      const runtime = started(withCircuit(nodes, more, of));
      runtime.step(STILL);
      return runtime.values(0).opacity;
    };
    expect(opacity({})).toBe(0.25);
    expect(opacity({ enabled: false })).toBe(0.6);
    expect(opacity({ owner: 'obj_gone' as never })).toBe(0.6);
    expect(opacity({ owner: CARD })).toBe(0.25);
    expect(opacity({}, [one, { ...out, off: true }])).toBe(0.6);
    // What is switched off before it gives nothing to write.
    expect(opacity({}, [{ ...one, off: true }, out])).toBe(0.6);
  });
  test('is written while it is yes, and not while it has no value', () => {
    const asked = node(
      'out',
      'write',
      { value: wire('mouth'), while: wire('open', 'yes') },
      toCard('opacity'),
    );
    const runtime = started(
      withCircuit([
        node('mouth', 'signal', {}, signal({ kind: 'expression', face: 1, name: 'jawOpen' })),
        node('open', 'between', { value: wire('mouth') }, { values: { from: 0.4, to: 1 } }),
        asked,
      ]),
    );
    const at = (jawOpen: number): number => {
      runtime.step(faceWith({ jawOpen }));
      return runtime.values(0).opacity;
    };
    expect([at(0.2), at(0.5), at(0.3)]).toEqual([1, 0.5, 1]);
    runtime.step({ ...STILL, faces: [] });
    expect(runtime.values(0).opacity).toBe(1);
  });
});

test('a score is shown as text, and a colour goes with it', () => {
  const words = newText('obj_words' as ObjectId, 'Score', 0, FOREHEAD);
  const runtime = started({
    ...withCircuit(
      [
        node('tap', 'trigger'),
        node('count', 'counter', { up: wire('tap', 'event') }),
        node('say', 'formatNumber', { number: wire('count', 'count') }, { values: { before: 'Crabs: ' } }),
        node('out', 'writeText', { text: wire('say', 'text') }, { set: { object: words.id } }),
        node('red', 'colour', {}, { values: { colour: '#b53a2e' } }),
        node('paint', 'writeColour', { colour: wire('red', 'colour') }, { set: { object: words.id } }),
        // A card says nothing: it is left alone.
        node('card', 'writeText', { text: wire('say', 'text') }, { set: { object: CARD } }),
      ],
      VARIABLES,
    ),
    objects: { [CARD]: card(), [words.id]: words } as Effect['objects'],
  });
  const said = () => {
    const at = [0, 1].find((k) => runtime.objectNow(k).kind === 'text')!;
    return runtime.objectNow(at) as TextObject;
  };
  runtime.step(STILL);
  expect(said()).toMatchObject({ text: 'Crabs: 0', colour: '#b53a2e' });
  runtime.step(STILL, TAP);
  expect(said().text).toBe('Crabs: 1');
  // The same object as long as nothing of it changes, so that it is not drawn anew.
  const now = said();
  runtime.step(STILL);
  expect(said()).toBe(now);
});

describe('a node that nothing runs into', () => {
  test('writes nothing, as it says, until something does', () => {
    const runtime = started(withCircuit([node('out', 'write', {}, toCard('size'))]));
    runtime.step(STILL);
    expect(runtime.values(0).scale).toEqual(card().scale);
  });
});

test('an input of a surface circuit and a length are as they were as soon as nothing writes them', () => {
  const noise = { id: id('nois'), type: 'noise', at: [0, 0], values: { size: 3 }, inputs: {}, picture: null };
  const water = { ...newMaterial('material_aaaa' as MaterialId, 'Water'), circuit: { [noise.id]: noise } };
  const ring = cueOf('effectStarts', [
    [{ kind: 'turn', duration: 4, by: [0, 0, 90], mode: 'by', easing: 'steady' } as never],
  ]);
  const mouth = node('mouth', 'signal', {}, signal({ kind: 'expression', face: 1, name: 'jawOpen' }));
  const open = node('open', 'between', { value: wire('mouth') }, { values: { from: 0.4, to: 1 } });
  const writes = (name: string, to: object): BehaviourNode =>
    node(name, 'write', { value: wire('mouth'), while: wire('open', 'yes') }, { set: { to } });
  const effect = withCircuit(
    [
      mouth,
      open,
      writes('surf', { kind: 'circuit', material: water.id, node: noise.id, port: 'size' }),
      writes('long', { kind: 'duration', cue: ring.id, action: ring.beats[0]!.actions[0]!.id }),
    ],
    {
      materials: { [water.id]: water } as unknown as Effect['materials'],
      cues: { [ring.id]: ring } as Effect['cues'],
    },
  );
  const runtime = started(effect);
  const sizeNow = () => runtime.effectNow().materials[water.id]!.circuit![noise.id]!.values['size'];
  const turnIn = (jawOpen: number): number => {
    const before = runtime.values(0).turn[2];
    runtime.step(faceWith({ jawOpen }));
    return runtime.values(0).turn[2] - before;
  };
  for (let n = 0; n < 4; n++) turnIn(0.5);
  expect(sizeNow()).toBe(0.5);
  // 90 degrees in half a second.
  expect(turnIn(0.5)).toBeCloseTo(3, 6);
  for (let n = 0; n < 4; n++) turnIn(0.1);
  expect(runtime.effectNow()).toBe(effect);
  expect(turnIn(0.1)).toBeCloseTo(90 / 4 / 60, 6);
});

test('while one cue is looked at by itself, circuits start no other', () => {
  const other = {
    ...cueOf('screenTapped', [[{ kind: 'hide' }]], { id: 'cue_other' as CueId }),
    triggers: [],
  };
  const alone = cueOf('screenTapped', [[{ kind: 'move', by: [1, 0, 0], mode: 'by', duration: 0 } as never]]);
  const effect = withCircuit(
    [
      node('begin', 'begins'),
      node('fire', 'cue', { event: wire('begin', 'event') }, { set: { do: 'start', cue: other.id } }),
    ],
    { cues: { [other.id]: other, [alone.id]: alone } as Effect['cues'] },
  );
  const seen = (only: CueId | null) =>
    new Runtime(compile(effect), { only }).step(STILL).map(({ cue }) => cue);
  expect(seen(null)).toEqual([other.id]);
  expect(seen(alone.id)).toEqual([alone.id]);
});

test('a circle through a step before counts by itself', () => {
  const runtime = started(
    withCircuit([
      node('sum', 'add', { a: wire('back') }, { values: { b: 2 } }),
      node('back', 'before', { value: wire('sum') }),
      node('out', 'write', { value: wire('sum') }, toCard('moveX')),
    ]),
  );
  const seen = [1, 2, 3].map(() => {
    runtime.step(STILL);
    return runtime.values(0).move[0];
  });
  expect(seen).toEqual([2, 4, 6]);
});
test('a circle of wires that is closed all the same stops nothing', () => {
  const runtime = started(
    withCircuit([
      node('a', 'add', { a: wire('b') }, { values: { b: 1 } }),
      node('b', 'negate', { a: wire('a') }),
      node('one', 'number', {}, { values: { value: 0.5 } }),
      node('out', 'write', { value: wire('one') }, toCard('opacity')),
    ]),
  );
  runtime.step(STILL);
  expect(runtime.values(0).opacity).toBe(0.5);
});

test('on a document that is changed while it runs what nodes have kept goes on', () => {
  const nodes = [
    node('tap', 'trigger'),
    node('count', 'counter', { up: wire('tap', 'event') }),
    node('out', 'write', { value: wire('count', 'count') }, toScore),
  ];
  const before = compile(withCircuit(nodes, VARIABLES));
  const runtime = new Runtime(before);
  for (let n = 0; n < 3; n++) {
    runtime.step(STILL, TAP);
    runtime.step(STILL);
  }
  // Another node stands before it now, so everything is kept elsewhere.
  const more = [node('aaa', 'smooth', { value: wire('count', 'count') }), ...nodes];
  const after = new Runtime(compile(withCircuit(more, VARIABLES)));
  after.carryOn(before, runtime.save());
  after.step(STILL, TAP);
  expect(after.variable(SCORE.id)).toBe(4);
});

test('of two nodes “A step before” behind each other each takes a step, in whichever order they stand', () => {
  const mouth = signal({ kind: 'expression', face: 1, name: 'jawOpen' });
  for (const names of [
    ['aaaa', 'bbbb'],
    ['bbbb', 'aaaa'],
  ] as const) {
    const [first, second] = names;
    const nodes = [
      node('mouth', 'signal', {}, mouth),
      node(first, 'before', { value: wire('mouth') }),
      node(second, 'before', { value: wire(first) }),
    ];
    for (const order of [nodes, [...nodes].reverse()]) {
      const runtime = started(withCircuit(order));
      const seen = [0.1, 0.2, 0.3, 0.4].map((jawOpen) => {
        runtime.step(faceWith({ jawOpen }));
        return runtime.nodeValue(CIRCUIT, id(second), 'value');
      });
      // Read behind a step it is what the next one sees.
      expect(seen).toEqual([0, 0.1, 0.2, 0.3]);
    }
  }
});
