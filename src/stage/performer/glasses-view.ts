/** Glasses: two rims, a bridge, temples to the ears, lenses that glint. They sit on the nose and stay there. */
import {
  CatmullRomCurve3,
  DoubleSide,
  Group,
  Mesh,
  MeshBasicMaterial,
  MeshPhongMaterial,
  Shape,
  ShapeGeometry,
  TubeGeometry,
  Vector3,
} from 'three';
import { headMesh } from '../../core/takes/head-mesh';
import { shapedPoint } from '../../core/face/head-shape';
import type { Performer } from '../../core/takes/performer';
import { markPart } from '../parts';

const RIM_Z = 0.0515;
/** Points of one rim around the eye, metres from its middle. */
const rim = (kind: 'round' | 'square', side: number): Vector3[] =>
  Array.from({ length: 28 }, (_, i) => {
    const a = (i / 28) * 2 * Math.PI;
    const [c, s] = [Math.cos(a), Math.sin(a)];
    const power = kind === 'round' ? 1 : 0.62;
    const bend = (v: number) => Math.sign(v) * Math.abs(v) ** power;
    const [w, h] = kind === 'round' ? [0.0222, 0.021] : [0.0248, 0.0168];
    const x = bend(c) * w;
    // Rims follow the curve of the face backwards to the sides.
    return new Vector3(x, bend(s) * h - 0.003, -0.32 * Math.max(0, side * x) ** 1.25);
  });

export const glassesView = (performer: Performer): Group | null => {
  const { glasses } = performer;
  if (glasses === 'none') return null;
  const group = new Group();
  markPart(group, 'worn');
  const frame = new MeshPhongMaterial({
    color: glasses === 'round' ? 0x6a5a3c : 0x7a5d42,
    specular: glasses === 'round' ? 0xbba468 : 0x555555,
    shininess: 60,
  });
  const lens = new MeshBasicMaterial({
    color: 0xdde8ee,
    transparent: true,
    opacity: 0.1,
    side: DoubleSide,
    depthWrite: false,
  });
  const thick = glasses === 'round' ? 0.0007 : 0.001;
  const tube = (points: Vector3[], closed: boolean, radius = thick) =>
    new Mesh(
      new TubeGeometry(new CatmullRomCurve3(points, closed), closed ? 56 : 16, radius, 6, closed),
      frame,
    );
  const { eyes } = headMesh(performer);
  const bridge = shapedPoint([0, 0.0247, 0.0579], performer.shape)[2];
  const z = Math.max(RIM_Z, bridge - 0.001);
  for (const [i, side] of [
    [0, -1],
    [1, 1],
  ] as const) {
    const [ex, ey] = eyes[i];
    const middle = new Vector3(ex * 1.06, ey, z);
    const points = rim(glasses, side).map((p) => p.add(middle));
    group.add(tube(points, true));
    const shape = new Shape();
    points.forEach((p, k) => (k === 0 ? shape.moveTo(p.x, p.y) : shape.lineTo(p.x, p.y)));
    const glass = new Mesh(new ShapeGeometry(shape), lens);
    glass.position.z = z - 0.001;
    glass.renderOrder = 3;
    group.add(glass);
    const outer = points.reduce((a, b) => (side * b.x > side * a.x ? b : a));
    const ear = shapedPoint([side * 0.0785, 0.033, -0.036], performer.shape);
    group.add(
      tube(
        [
          outer,
          new Vector3(side * (Math.abs(ear[0]) - 0.0005), outer.y + 0.003, outer.z - 0.03),
          new Vector3(ear[0], ear[1], ear[2]),
          new Vector3(ear[0], ear[1] - 0.022, ear[2] - 0.014),
        ],
        false,
        thick * 1.1,
      ),
    );
  }
  const [left, right] = [eyes[1][0] * 1.06 - 0.0215, eyes[0][0] * 1.06 + 0.0215];
  group.add(
    tube(
      [
        new Vector3(right, eyes[0][1], z),
        new Vector3(0, eyes[0][1] + 0.0042, z + 0.0035),
        new Vector3(left, eyes[1][1], z),
      ],
      false,
    ),
  );
  return group;
};
