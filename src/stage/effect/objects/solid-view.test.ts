import { describe, expect, test } from '@jest/globals';
import { newSolid } from '../../../core/kinds/objects/solid';
import { SOLID_SHAPES, type ObjectId } from '../../../core/document/schema';
import { FramebufferCopy } from '../framebuffer-copy';
import { solidGeometry, SolidView } from './solid-view';
import type { ObjectNow, ViewTools } from './object-view';
import type { Solid } from '../../../core/document/schema';

const solid = (shape: Solid['shape'], extent: [number, number, number]): Solid => ({
  ...newSolid('obj_solid' as ObjectId, shape, 0),
  extent,
});

describe('solids', () => {
  test.each(SOLID_SHAPES)('%s is as wide, high and deep as it says', (shape) => {
    const extent: [number, number, number] =
      shape === 'plane' ? [0.2, 0.3, 0.001] : shape === 'torus' ? [0.3, 0.2, 0.05] : [0.2, 0.3, 0.1];
    const geometry = solidGeometry(solid(shape, extent));
    geometry.computeBoundingBox();
    const { min, max } = geometry.boundingBox!;
    const size = [max.x - min.x, max.y - min.y, max.z - min.z];
    // Round ones are polygons: they miss their circle by a little.
    size.slice(0, shape === 'plane' ? 2 : 3).forEach((s, i) => {
      expect(s).toBeLessThanOrEqual(extent[i]! * 1.001);
      expect(s).toBeGreaterThan(extent[i]! * 0.95);
    });
  });
  test('a flat capsule and a fat ring still have a shape', () => {
    for (const geometry of [
      solidGeometry(solid('capsule', [0.3, 0.1, 0.2])),
      solidGeometry(solid('torus', [0.1, 0.1, 0.5])),
    ])
      expect([...geometry.getAttribute('position').array].every(Number.isFinite)).toBe(true);
  });
  test('the view is made anew only when the shape changes; nothing is drawn at no opacity', () => {
    const view = new SolidView({ beneath: new FramebufferCopy() } as ViewTools);
    const now = (object: Solid, opacity = 1) =>
      view.update({ object, opacity, order: 3, effect: { materials: {} } } as unknown as ObjectNow<Solid>);
    expect(now(solid('box', [1, 1, 1]))).toBe(true);
    const mesh = view.node.children[0] as unknown as { geometry: unknown; renderOrder: number };
    const first = mesh.geometry;
    now({ ...solid('box', [1, 1, 1]), colour: '#ff0000' });
    expect(mesh.geometry).toBe(first);
    expect(mesh.renderOrder).toBe(3);
    now(solid('box', [1, 2, 1]));
    expect(mesh.geometry).not.toBe(first);
    expect(now(solid('box', [1, 2, 1]), 0)).toBe(false);
    view.dispose();
  });
});
