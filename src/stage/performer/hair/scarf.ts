/** A head scarf: cloth over the skull that leaves the face free, closes under the chin and lies on the shoulders. */
import { BufferGeometry, Color, Float32BufferAttribute } from 'three';
import { OVAL } from '../../../core/face/landmarks';
import { NEUTRAL_FACE } from '../../../core/face/neutral';
import { lerp, smoothstep } from '../../../core/maths/scalar';
import { add, normalise, pointAt, scale, subtract, type Vec3 } from '../../../core/maths/vec3';
import { shapedPoint, type HeadShape } from '../../../core/face/head-shape';
import type { Hex } from '../../../core/units';

const ROWS = 20;
const MIDDLE: Vec3 = [0, 0.01, -0.03];
/** Behind the head, where all folds run to. */
const BACK: Vec3 = [0, 0.0, -0.142];
/** Half-axes of the cloth over the head. */
const CLOTH: Vec3 = [0.0905, 0.112, 0.1];

/** The opening: on the forehead and the cheeks it lies on the skin, the chin stays free. */
const opening = (): Vec3[] => {
  const ring: Vec3[] = [];
  for (let i = 0; i < OVAL.length; i++)
    for (const t of [0, 0.5]) {
      const [a, b] = [pointAt(NEUTRAL_FACE, OVAL[i]!), pointAt(NEUTRAL_FACE, OVAL[(i + 1) % OVAL.length]!)];
      const [x, y, z] = [0, 1, 2].map((k) => lerp(a[k]!, b[k]!, t)) as [number, number, number];
      const high = smoothstep(0.02, 0.08, y);
      const low = smoothstep(-0.05, -0.09, y);
      const side = (1 - high) * (1 - low);
      ring.push([
        x * (0.97 - 0.02 * side),
        y * (1 - 0.075 * high) - 0.006 * low,
        z + 0.0075 * high + 0.018 * side - 0.012 * low,
      ]);
    }
  return ring;
};

export const scarfGeometry = (colour: Hex, shape: HeadShape): BufferGeometry => {
  const ring = opening();
  const positions: number[] = [];
  const colours: number[] = [];
  const index: number[] = [];
  const base = new Color(colour);
  const around = ring.length;
  const point = (i: number, v: number): Vec3 => {
    const start = ring[i % around]!;
    if (v === 0) return start;
    // From the opening over an ellipsoid to the back; folds run along.
    const [x, y, z] = [0, 1, 2].map((k) => lerp(start[k]!, BACK[k]!, v)) as [number, number, number];
    const d = subtract([x, y, z], MIDDLE);
    const far = Math.hypot(d[0] / CLOTH[0], d[1] / CLOTH[1], d[2] / CLOTH[2]) || 1;
    const onCloth = add(MIDDLE, scale(d, 1 / far));
    const k = smoothstep(0, 0.06 + 0.14 * smoothstep(-0.04, -0.09, start[1]), v);
    // A rolled hem stands off the skin.
    const hem = 0.0032 * smoothstep(0, 0.02, v) * smoothstep(0.2, 0.04, v);
    const low = smoothstep(0.0, -0.07, start[1]);
    const fold =
      hem +
      0.0024 * (Math.sin(i * 0.55 + 5 * v) + 0.6 * Math.sin(i * 1.1 - 4 * v)) * smoothstep(0.08, 0.45, v);
    const out = normalise(d);
    const p = [0, 1, 2].map((c) => lerp([x, y, z][c]!, onCloth[c]!, k) + out[c]! * fold) as unknown as Vec3;
    return [p[0], p[1] + 0.012 * low * k, p[2]];
  };
  for (let j = 0; j <= ROWS; j++)
    for (let i = 0; i <= around; i++) {
      const v = (j / ROWS) ** 1.25;
      positions.push(...shapedPoint(point(i, v), shape));
      const tone =
        0.9 +
        0.13 * (Math.sin(i * 0.55 + 5 * v) + 0.6 * Math.sin(i * 1.1 - 4 * v)) * smoothstep(0.05, 0.4, v) -
        (j === 0 ? 0.4 : 0);
      colours.push(base.r * tone, base.g * tone, base.b * tone);
    }
  for (let j = 0; j < ROWS; j++)
    for (let i = 0; i < around; i++) {
      const a = j * (around + 1) + i;
      const b = a + around + 1;
      index.push(a, a + 1, b, b, a + 1, b + 1);
    }
  // The part that falls from under the chin over neck and shoulders.
  const skirt: readonly (readonly [number, number, number, number])[] = [
    [-0.082, 0.058, 0.062, -0.038],
    [-0.1, 0.068, 0.07, -0.042],
    [-0.12, 0.082, 0.079, -0.047],
    [-0.142, 0.112, 0.09, -0.052],
    [-0.162, 0.146, 0.1, -0.055],
    [-0.19, 0.168, 0.108, -0.056],
    [-0.225, 0.178, 0.115, -0.056],
  ];
  const first = positions.length / 3;
  const sides = 64;
  skirt.forEach(([y, rx, rz, cz], r) => {
    for (let i = 0; i <= sides; i++) {
      const a = (i / sides) * 2 * Math.PI;
      const fold = 1 + 0.028 * Math.sin(a * 9 + r * 0.7) * (r / 4);
      const dip = 0.012 * Math.sin(a) * (r / 6);
      positions.push(Math.cos(a) * rx * fold, y - dip, cz + Math.sin(a) * rz * fold);
      const tone = (0.6 + 0.06 * r) * (1 + 0.14 * Math.sin(a * 9 + r * 0.7));
      colours.push(base.r * tone, base.g * tone, base.b * tone);
    }
  });
  for (let r = 0; r < skirt.length - 1; r++)
    for (let i = 0; i < sides; i++) {
      const a = first + r * (sides + 1) + i;
      const b = a + sides + 1;
      index.push(a, a + 1, b, b, a + 1, b + 1);
    }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setAttribute('color', new Float32BufferAttribute(colours, 3));
  geometry.setAttribute('uv', new Float32BufferAttribute(new Float32Array((positions.length / 3) * 2), 2));
  geometry.setAttribute('loose', new Float32BufferAttribute(new Float32Array(positions.length / 3), 1));
  geometry.setIndex(index);
  geometry.computeVertexNormals();
  return geometry;
};
