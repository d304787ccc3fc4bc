/** Plain solids, ten centimetres large, standing on their base. */
import type { Document } from '@gltf-transform/core';
import { box, grid, Maker, revolve, tube, type Shape } from './mesh';

const R = 0.05;

/** A box whose edges are rounded: a sphere pushed out to the sides. */
const rounded = (half: number, edge: number): Shape =>
  grid(48, 32, (u, v) => {
    const [a, b] = [u * 2 * Math.PI, v * Math.PI];
    const d = [Math.sin(b) * Math.sin(a), Math.cos(b), Math.sin(b) * Math.cos(a)];
    const push = (x: number) => Math.sign(x) * Math.min(1, Math.abs(x) * 2.2) * (half - edge);
    return [push(d[0]!) + edge * d[0]!, push(d[1]!) + edge * d[1]! + half, push(d[2]!) + edge * d[2]!];
  });

const SOLIDS: Record<string, () => Shape> = {
  Box: () => box([-R, 0, -R], [R, 2 * R, R]),
  'Soft box': () => rounded(R, 0.02),
  Ball: () => revolve((v) => [R * Math.sin(v * Math.PI), R + R * Math.cos(v * Math.PI)]),
  Cylinder: () =>
    revolve(
      (v) =>
        v < 0.2
          ? [(R * v) / 0.2, 2 * R]
          : v > 0.8
            ? [(R * (1 - v)) / 0.2, 0]
            : [R, 2 * R * (1 - (v - 0.2) / 0.6)],
      48,
      40,
    ),
  Cone: () =>
    revolve((v) => (v > 0.8 ? [(R * (1 - v)) / 0.2, 0] : [(R * v) / 0.8, 2 * R * (1 - v / 0.8)]), 48, 40),
  Capsule: () =>
    revolve((v) => {
      const r = R * 0.6;
      const a = v * Math.PI;
      return [r * Math.sin(a), (v < 0.5 ? 2 * R - r : r) + r * Math.cos(a)];
    }),
  Ring: () =>
    tube(
      (t) => [0.04 * Math.cos(t * 2 * Math.PI), 0.05 + 0.04 * Math.sin(t * 2 * Math.PI), 0],
      () => 0.01,
      64,
      20,
    ),
  Sheet: () => grid(1, 1, (u, v) => [(u - 0.5) * 2 * R, (1 - v) * 2 * R, 0]),
};

export const solids = (): Map<string, Document> =>
  new Map(
    Object.entries(SOLIDS).map(([name, shape]) => {
      const maker = new Maker();
      maker.part(
        name,
        shape(),
        maker.material('Clay', [0.72, 0.7, 0.66], { roughness: 0.6, twoSided: name === 'Sheet' }),
      );
      return [name, maker.document];
    }),
  );
