/** Nodes that ask where things are, as they run: faces, hands, taps and objects of a take; what they write to; what they need. */
import { describe, expect, test } from '@jest/globals';
import { newCircuit } from '../document/new-circuit';
import { sampleAsset } from '../document/sample';
import type { AssetId, CircuitId, Effect, NodeId, ObjectId } from '../document/schema';
import { newBehaviourNode, type BehaviourNode, type NodeKind } from '../kinds/nodes/nodes';
import { positionOf } from '../maths/matrix';
import { distance, type Vec3 } from '../maths/vec3';
import { compile } from '../program/program';
import { faceCount } from '../requirements/face-count';
import { requirementsOf } from '../requirements/requirements';
import { FIRST_TAKE, SHIPPED_TAKES } from '../takes/library';
import { colourBytes, type TakeColours } from '../takes/take-colours';
import { Player } from './player';
import { Runtime } from './runtime';
import { card, CARD, effectOf, NOBODY_THERE, STILL, TAP } from './testing';

const CIRCUIT = 'circuit_main' as CircuitId;
const id = (name: string) => `node_${name.padEnd(4, 'x')}` as NodeId;
const node = (
  name: string,
  kind: NodeKind,
  inputs: Readonly<Record<string, readonly [from: string, port: string]>> = {},
  set: object = {},
  values: BehaviourNode['values'] = {},
): BehaviourNode =>
  newBehaviourNode(id(name), kind, [0, 0], {
    set,
    values,
    inputs: Object.fromEntries(
      Object.entries(inputs).map(([to, [from, port]]) => [to, { node: id(from), port }]),
    ),
  });
const OTHER = 'obj_other' as ObjectId;
const SCREEN = { kind: 'screen', pin: 'centre' } as const;
const effectWith = (nodes: readonly BehaviourNode[], objects = [card()]): Effect =>
  effectOf([], objects, {
    circuits: {
      [CIRCUIT]: {
        ...newCircuit(CIRCUIT, 'Main', 0),
        nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
      },
    } as Effect['circuits'],
  });
const started = (...given: Parameters<typeof effectWith>): Runtime =>
  new Runtime(compile(effectWith(...given)));
const at = (runtime: Runtime, name: string, port: string): unknown =>
  runtime.nodeValue(CIRCUIT, id(name), port);

describe('where things are', () => {
  test('a point of a face is where an object that sticks to it is, and nowhere when nobody is there', () => {
    const nose = card(CARD, { anchor: { kind: 'head', face: 1, point: 'noseTip', grows: false } });
    const runtime = started(
      [
        node('nose', 'facePlace'),
        node('crab', 'theObject', {}, { object: CARD }),
        node('place', 'objectPlace', { object: ['crab', 'object'] }),
      ],
      [nose],
    );
    runtime.step(STILL);
    const position = at(runtime, 'nose', 'position') as Vec3;
    expect(distance(position, at(runtime, 'place', 'position') as Vec3)).toBeLessThan(1e-9);
    expect(distance(position, positionOf(runtime.places()[0]!.places[0]!.matrix))).toBeLessThan(1e-9);
    expect([at(runtime, 'nose', 'there'), at(runtime, 'place', 'there')]).toEqual([1, 1]);
    const empty = started([node('nose', 'facePlace')]);
    empty.step(NOBODY_THERE);
    expect(at(empty, 'nose', 'there')).toBe(0);
  });
  test('on every face an object has copies, which are listed', () => {
    const every = card(CARD, { anchor: { kind: 'head', face: 'every', point: 'crown', grows: false } });
    const two = SHIPPED_TAKES.find(({ id }) => id === 'two-people')!.frameAt(1);
    const runtime = started(
      [
        node('crab', 'theObject', {}, { object: CARD }),
        node('copies', 'copiesOf', { object: ['crab', 'object'] }),
      ],
      [every],
    );
    for (let i = 0; i < 30; i++) runtime.step(two);
    expect(two.faces).toHaveLength(2);
    expect(at(runtime, 'copies', 'count')).toBe(2);
    expect(at(runtime, 'copies', 'x')).toEqual(
      runtime.places()[0]!.places.map(({ matrix }) => positionOf(matrix)[0]),
    );
  });
  test('a tap meets the object that lies there; beside it nothing', () => {
    const crab = card(CARD, { anchor: SCREEN });
    const runtime = started([node('tap', 'tapPlace')], [crab]);
    runtime.step(STILL, TAP);
    expect([at(runtime, 'tap', 'tapped'), at(runtime, 'tap', 'object')]).toEqual([1, CARD]);
    runtime.step(STILL, { taps: [{ x: 0.02, y: 0.98 }], fingers: [] });
    expect([at(runtime, 'tap', 'tapped'), at(runtime, 'tap', 'object')]).toEqual([1, '']);
    runtime.step(STILL);
    expect([at(runtime, 'tap', 'tapped'), at(runtime, 'tap', 'across')]).toEqual([0, 0.02]);
  });
  test('a tap on the middle of a face meets a plane at its nose where its nose is', () => {
    const runtime = started([
      node('tap', 'tapPlace'),
      node('nose', 'facePlace'),
      node('seen', 'onPicture', { position: ['nose', 'position'] }),
      node(
        'plane',
        'rayToPlane',
        { from: ['tap', 'from'], along: ['tap', 'along'], point: ['nose', 'position'] },
        {},
        { up: [0, 0, 1] },
      ),
    ]);
    runtime.step(STILL);
    const [x, y] = [at(runtime, 'seen', 'across') as number, at(runtime, 'seen', 'down') as number];
    runtime.step(STILL, { taps: [{ x, y }], fingers: [] });
    expect(
      distance(at(runtime, 'plane', 'at') as Vec3, at(runtime, 'nose', 'position') as Vec3),
    ).toBeLessThan(1e-6);
  });
});

describe('what is written', () => {
  test('to whichever of two objects comes: the nearest to a place', () => {
    const objects = [card(CARD, { anchor: SCREEN }), card(OTHER, { anchor: SCREEN, move: [0.03, 0, 0] })];
    const runtime = started(
      [
        node('crab', 'theObject', {}, { object: CARD }),
        node('gull', 'theObject', {}, { object: OTHER }),
        node(
          'near',
          'nearestObject',
          { a: ['crab', 'object'], b: ['gull', 'object'] },
          {},
          { to: [0.03, 0, 0] },
        ),
        node(
          'out',
          'writeOf',
          { object: ['near', 'object'], value: ['four', 'value'] },
          { property: 'turnZ' },
        ),
        node('four', 'number', {}, {}, { value: 40 }),
      ],
      objects,
    );
    runtime.step(STILL);
    const turns = () => [0, 1].map((i) => runtime.values(i).turn[2]);
    const indexOf = [CARD, OTHER].map((one) => compile(effectWith([], objects)).indexOf.get(one)!);
    runtime.step(STILL);
    expect(indexOf.map((i) => turns()[i])).toEqual([0, 40]);
  });
  test('a card shows the picture that comes, as wide as it is, and its own again without', () => {
    const tall = { ...sampleAsset(1), width: 100, height: 300 };
    const nodes = [
      node('open', 'signal', {}, { signal: { kind: 'expression', face: 1, name: 'jawOpen' } }),
      node('is', 'compare', { a: ['open', 'value'] }, {}, { b: 0.5 }),
      node('kelp', 'thePicture', {}, { picture: tall.id }),
      node('out', 'writePicture', { picture: ['kelp', 'picture'], while: ['is', 'yes'] }, { object: CARD }),
    ];
    const effect = effectWith(nodes);
    const runtime = new Runtime(compile({ ...effect, assets: { ...effect.assets, [tall.id]: tall } }));
    const open = (jawOpen: number) => ({
      ...STILL,
      faces: [{ ...STILL.faces[0]!, expressions: { jawOpen } }],
    });
    const own = runtime.objectNow(0) as { asset: AssetId; extent: [number, number] };
    runtime.step(open(0));
    expect(runtime.objectNow(0)).toBe(own);
    runtime.step(open(0.9));
    const shown = runtime.objectNow(0) as typeof own;
    expect(shown.asset).toBe(tall.id);
    expect(shown.extent[0]).toBe(own.extent[0]);
    expect(shown.extent[1]).toBeCloseTo(3 * own.extent[0], 9);
    runtime.step(open(0.9));
    expect(runtime.objectNow(0)).toBe(shown);
    runtime.step(open(0));
    expect(runtime.objectNow(0)).toBe(own);
  });
});

test('as many faces are told apart as nodes ask for; all where the number comes by a wire', () => {
  const count = (...nodes: BehaviourNode[]): number =>
    faceCount(effectWith(nodes, [card(CARD, { anchor: SCREEN })]));
  expect(count(node('nose', 'facePlace'))).toBe(1);
  expect(count(node('nose', 'facePlace', {}, {}, { face: 3 }))).toBe(3);
  expect(count(node('which', 'number'), node('nose', 'facePlace', { face: ['which', 'value'] }))).toBe(4);
});
test('what it needs to know of the world is asked for', () => {
  expect(requirementsOf(effectWith([], [card(CARD, { anchor: SCREEN })]))).toMatchObject({
    hands: false,
    faces: false,
  });
  const needs = requirementsOf(
    effectWith(
      [node('hand', 'handPlace'), node('nose', 'facePlace'), node('floor', 'surfacePlace')],
      [card(CARD, { anchor: SCREEN })],
    ),
  );
  expect(needs).toMatchObject({ hands: true, faces: true });
  expect([...needs.surfaces]).toEqual(['floor']);
});

describe('the colours of the camera picture', () => {
  /** A take that is red for its first second, then green. */
  const colours: TakeColours = {
    aspect: 1,
    rate: 1,
    count: 2,
    rgb: Uint8Array.from({ length: 2 * colourBytes(1) }, (_, i) =>
      i % 3 === (i < colourBytes(1) ? 0 : 1) ? 255 : 0,
    ),
  };
  const wired = effectWith([
    node('point', 'pictureColour'),
    node('paint', 'writeColour', { colour: ['point', 'colour'] }, { object: CARD }),
  ]);
  test('are found again when a moment is run again, and are asked for', () => {
    const player = new Player(wired, FIRST_TAKE, { colours });
    const colourAt = (time: number): string | undefined => player.at(time).values(0).colour ?? undefined;
    expect([colourAt(0.5), colourAt(1.5), colourAt(0.5), colourAt(2.5)]).toEqual([
      '#ff0000',
      '#00ff00',
      '#ff0000',
      '#ff0000',
    ]);
    expect(requirementsOf(wired).colours).toBe(true);
    expect(requirementsOf(effectWith([node('light', 'pictureLight')])).colours).toBe(false);
  });
  test('while they are not known nothing is painted, and the node says so', () => {
    const player = new Player(wired, FIRST_TAKE);
    const runtime = player.at(0.5);
    expect(at(runtime, 'point', 'known')).toBe(0);
    expect(runtime.values(0).colour).toEqual(new Player(effectWith([]), FIRST_TAKE).at(0.5).values(0).colour);
  });
});
