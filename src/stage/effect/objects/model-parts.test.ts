/** Parts of a model that are objects of their own are drawn where core says they are. */
import { beforeAll, expect, jest, test } from '@jest/globals';
import fc from 'fast-check';
import { Mesh, Vector3, type Material, type Object3D } from 'three';
import { partFacts } from '../../../core/assets/models/part-facts';
import { glbOf, lantern } from '../../../core/assets/models/testing';
import { blankEffect } from '../../../core/document/defaults';
import { newMaterial } from '../../../core/document/new-material';
import { sampleModel } from '../../../core/document/sample-assets';
import type {
  Effect,
  MaterialId,
  ModelAsset,
  ModelObject,
  ObjectId,
  Part,
} from '../../../core/document/schema';
import { newModel } from '../../../core/kinds/objects/model';
import { newPart } from '../../../core/kinds/objects/part';
import { transformPoint } from '../../../core/maths/matrix';
import type { Vec3 } from '../../../core/maths/vec3';
import { partsNow, placesOf } from '../../../core/placing/places';
import { restHere, restState } from '../../../core/placing/rest';
import { compile } from '../../../core/program/program';
import { ModelStore, openModel, type OpenedModel } from '../model-store';
import { ModelView } from './model-view';
import type { ObjectNow, ViewTools } from './object-view';

const [LANTERN, LID, KNOB] = ['obj_lantern', 'obj_lid', 'obj_knob'] as ObjectId[];
const LID_PART = 2;
const KNOB_PART = 3;
let opened: OpenedModel;
let asset: ModelAsset;
beforeAll(async () => {
  const document = lantern();
  opened = await openModel((await glbOf(document)).slice().buffer);
  asset = {
    ...sampleModel(1),
    tree: partFacts(document),
    clips: [{ name: 'Open', duration: 1 }],
  };
});

const model = (more: Partial<ModelObject> = {}): ModelObject => ({
  ...newModel(LANTERN!, asset, 0, { kind: 'world', surface: 'floor' }),
  clip: null,
  move: [0.3, 0, -1],
  turn: [0, 40, 0],
  ...more,
});
const part = (id: ObjectId, index: number, holder: ObjectId, more: Partial<Part> = {}): Part => ({
  ...newPart(id, { id: holder, anchor: { kind: 'world', surface: 'floor' } }, index, asset.tree!, 1),
  ...more,
});
const effectOf = (objects: readonly (ModelObject | Part)[]): Effect => ({
  ...blankEffect('Lantern'),
  assets: { [asset.id]: asset },
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
});

/** The model as it is drawn, and where core has everything. */
const drawn = (effect: Effect, time = 0) => {
  const program = compile(effect);
  const rest = restState(program);
  // Hidden as the document has it.
  const state = {
    ...rest,
    values: (i: number) => ({ ...rest.values(i), visible: program.objects[i]!.visible }),
  };
  const places = placesOf(program, state, restHere(program));
  const at = program.indexOf.get(LANTERN!)!;
  const place = places[at]!.places[0]!;
  const view = new ModelView({
    stores: { models: { get: () => opened } },
    beneath: { picture: null },
  } as unknown as ViewTools);
  const seen = view.update({
    object: program.objects[at] as ModelObject,
    effect,
    opacity: place.opacity,
    time,
    order: 1,
    media: null,
    parts: partsNow(program, places, at, place.instance),
    objectAt: (i: number) => program.objects[i]!,
  } as unknown as ObjectNow<ModelObject>);
  view.node.matrixAutoUpdate = false;
  view.node.matrix.fromArray(place.matrix as number[]);
  view.node.updateMatrixWorld(true);
  const nodes: Object3D[] = [];
  view.node.traverse((node) => {
    if (typeof node.userData.part === 'number') nodes[node.userData.part] = node;
  });
  const placeOf = (id: ObjectId) => places[program.indexOf.get(id)!]!.places[0]!;
  return { view, seen, nodes, placeOf };
};
const worldOf = (node: Object3D, local: Vec3): Vec3 => {
  const { x, y, z } = new Vector3(...local).applyMatrix4(node.matrixWorld);
  return [x, y, z];
};
const close = (v: Vec3) => v.map((x) => expect.closeTo(x, 5));

test('a part that nobody moved is where the model has it, with all that hangs in it', () => {
  const alone = drawn(effectOf([model()]));
  const apart = drawn(effectOf([model(), part(LID!, LID_PART, LANTERN!), part(KNOB!, KNOB_PART, LID!)]));
  for (const i of [1, 2, 3, 4])
    expect(worldOf(apart.nodes[i]!, [1, 2, 3])).toEqual(close(worldOf(alone.nodes[i]!, [1, 2, 3])));
});

test('whatever parts do, in parts of parts too, they are drawn where core says', () => {
  const number = fc.double({ min: -1, max: 1, noNaN: true });
  const vec = fc.tuple(number, number, number);
  const pose = fc.record({
    move: vec,
    turn: vec,
    pivot: vec,
    size: fc.double({ min: 0.2, max: 3, noNaN: true }),
  });
  const posed = (p: { move: Vec3; turn: Vec3; pivot: Vec3; size: number }): Partial<Part> => ({
    move: [...p.move],
    turn: [p.turn[0] * 180, p.turn[1] * 180, p.turn[2] * 180],
    pivot: [...p.pivot],
    scale: [p.size, p.size, p.size],
  });
  fc.assert(
    fc.property(pose, pose, (lid, knob) => {
      const { nodes, placeOf } = drawn(
        effectOf([
          model(),
          part(LID!, LID_PART, LANTERN!, posed(lid)),
          part(KNOB!, KNOB_PART, LID!, posed(knob)),
        ]),
      );
      // The origin of the node is the origin of the part, and 1 cm up in the file is 1 cm up in the model.
      for (const [id, i] of [
        [LID!, LID_PART],
        [KNOB!, KNOB_PART],
      ] as const) {
        const { matrix } = placeOf(id);
        expect(worldOf(nodes[i]!, [0, 0, 0])).toEqual(close(transformPoint(matrix, [0, 0, 0])));
        expect(worldOf(nodes[i]!, [0, 0, 1])).toEqual(close(transformPoint(matrix, [0, 0.01, 0])));
      }
    }),
    { numRuns: 40 },
  );
});

test('the clip of the model moves the part, and its own motion comes on top', () => {
  const clip = { clip: 'Open' };
  const half = drawn(effectOf([model(clip)]), 0.5);
  const raised = drawn(effectOf([model(clip), part(LID!, LID_PART, LANTERN!, { move: [0, 0.1, 0] })]), 0.5);
  const from = worldOf(half.nodes[LID_PART]!, [0, 0, 0]);
  const along = new Vector3(0, 0, 10)
    .transformDirection(half.nodes[LID_PART]!.matrixWorld)
    .multiplyScalar(0.1);
  // Up of the part as the clip has turned it.
  expect(worldOf(raised.nodes[LID_PART]!, [0, 0, 0])).toEqual(
    close([from[0] + along.x, from[1] + along.y, from[2] + along.z]),
  );
  expect(half.nodes[LID_PART]!.quaternion.x).toBeCloseTo(-Math.sin(Math.PI / 8), 4);
});

test('the lists of the file and of what is drawn agree', () => {
  const store = new ModelStore(() => Promise.reject(new Error('nothing is fetched here')), {
    begin: () => undefined,
    end: () => undefined,
  } as never);
  jest.spyOn(store, 'get').mockReturnValue(opened);
  expect(store.partsOf(asset).map(({ index, name }) => [index, name])).toEqual(
    asset.tree!.map(({ name }, i) => [i, name]),
  );
});

test('it hides, fades and is picked by itself', () => {
  const hidden = drawn(effectOf([model(), part(LID!, LID_PART, LANTERN!, { visible: false })]));
  expect(hidden.nodes[LID_PART]!.visible).toBe(false);
  expect(hidden.nodes[1]!.visible).toBe(true);
  const faded = drawn(effectOf([model({ opacity: 0.8 }), part(LID!, LID_PART, LANTERN!, { opacity: 0.5 })]));
  const opacity = (i: number): number => ((faded.nodes[i] as Mesh).material as Material).opacity;
  expect(opacity(LID_PART)).toBeCloseTo(0.4, 6);
  // What hangs in it fades with it; body and glass do not.
  expect(opacity(KNOB_PART)).toBeCloseTo(0.4, 6);
  expect([opacity(1), opacity(4)]).toEqual([expect.closeTo(0.8, 6), expect.closeTo(0.8, 6)]);
  expect(faded.nodes[LID_PART]!.userData.objectId).toBe(LID);
  expect(faded.nodes[1]!.userData.objectId).toBeUndefined();
});

test('what it wears goes before what the model wears, and a part within it wears the same', () => {
  const [PEARL, TAR] = ['mat_pearl', 'mat_tar'] as MaterialId[];
  const { nodes } = drawn({
    ...effectOf([
      model({ materials: { all: TAR! } }),
      part(LID!, LID_PART, LANTERN!, { materials: { all: PEARL! } }),
      part(KNOB!, KNOB_PART, LID!),
    ]),
    materials: {
      [PEARL!]: { ...newMaterial(PEARL!, 'Pearl'), colour: '#ff0000' },
      [TAR!]: { ...newMaterial(TAR!, 'Tar'), colour: '#000000' },
    },
  });
  const red = (i: number): number =>
    ((nodes[i] as Mesh).material as Material & { color: { r: number } }).color.r;
  expect([red(1), red(LID_PART), red(KNOB_PART), red(4)]).toEqual([0, 1, 1, 0]);
});

test('without it the copy is as it was', () => {
  const effect = effectOf([model(), part(LID!, LID_PART, LANTERN!, { move: [0, 0.5, 0] })]);
  const { view } = drawn(effect);
  const before = view.node.children[0];
  view.dispose();
  expect(view.node.children).toEqual([]);
  expect(before!.parent).toBeNull();
});
