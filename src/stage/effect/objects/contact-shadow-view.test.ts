/** A contact shadow as it is drawn: below what it follows, weaker and wider as that rises. */
import { expect, test } from '@jest/globals';
import type { Mesh, MeshBasicMaterial } from 'three';
import { sampleEffect } from '../../../core/document/sample';
import type { ContactShadow, Effect, ObjectId } from '../../../core/document/schema';
import { newContactShadow } from '../../../core/kinds/objects/contact-shadow';
import { newSolid } from '../../../core/kinds/objects/solid';
import { composeMatrix, type Matrix } from '../../../core/maths/matrix';
import { IDENTITY } from '../../../core/maths/quaternion';
import { ContactShadowView } from './contact-shadow-view';

const FLOOR = { kind: 'world', surface: 'floor' } as const;
const [BOX, SHADOW] = ['obj_box' as ObjectId, 'obj_shadow' as ObjectId];
const at = (x: number, y: number, z: number): Matrix => composeMatrix([x, y, z], IDENTITY, [1, 1, 1]);

const box = newSolid(BOX, 'box', 1, FLOOR);
const tall = box.extent[1];
const shadow: ContactShadow = { ...newContactShadow(SHADOW, 2, FLOOR), below: BOX, density: 0.5, fadesAt: 1 };
const effect: Effect = { ...sampleEffect(0, 0), objects: { [BOX]: box, [SHADOW]: shadow } };

/** With the bottom of the box so high. */
const drawn = (thing: Matrix | null, object = shadow, followed = 1) => {
  const view = new ContactShadowView();
  const seen = view.update({
    object,
    effect,
    opacity: 1,
    face: null,
    hand: null,
    wearer: null,
    faceOf: () => null,
    time: 0,
    media: null,
    particles: null,
    parts: [],
    objectAt: () => box,
    matrix: at(0, 0, -1),
    placeOf: (id) =>
      id === BOX && thing ? { matrix: thing, opacity: followed, instance: 0, face: null, hand: null } : null,
    order: 1,
    layering: 'space',
    aspect: 1,
  });
  const oval = view.node.children[0] as Mesh;
  const { opacity } = oval.material as MeshBasicMaterial;
  view.dispose();
  return { seen, opacity, x: oval.position.x, z: oval.position.z, width: oval.scale.x };
};

test('it lies below the thing, as dense as it is said', () => {
  const { seen, opacity, x, z, width } = drawn(at(0.4, tall / 2, -1.2));
  expect(seen).toBe(true);
  expect(opacity).toBeCloseTo(0.5, 6);
  expect([x, z]).toEqual([expect.closeTo(0.4, 6), expect.closeTo(-0.2, 6)]);
  expect(width).toBeCloseTo(shadow.extent[0], 6);
});
test('it weakens and widens as the thing rises, and is gone where it is said', () => {
  const half = drawn(at(0, tall / 2 + 0.5, -1));
  expect(half.opacity).toBeCloseTo(0.25, 6);
  expect(half.width).toBeGreaterThan(shadow.extent[0]);
  expect(drawn(at(0, tall / 2 + 1.01, -1)).seen).toBe(false);
});
test('it fades with what it follows', () => {
  const standing = at(0, tall / 2, -1);
  expect(drawn(standing, shadow, 0.4).opacity).toBeCloseTo(0.2, 6);
  expect(drawn(standing, shadow, 0).seen).toBe(false);
});
test('what is hidden has none; following nothing it stays', () => {
  expect(drawn(null).seen).toBe(false);
  expect(drawn(null, { ...shadow, below: null })).toMatchObject({ seen: true, x: 0, z: 0 });
});
