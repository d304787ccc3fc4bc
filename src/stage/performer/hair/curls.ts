/** Curly hair: ringlets that spring from the scalp and hang a little, over a dark ground. */
import { BufferGeometry, Color, Float32BufferAttribute } from 'three';
import { Random } from '../../../core/maths/random';
import { smoothstep } from '../../../core/maths/scalar';
import { add, cross, normalise, scale, type Vec3 } from '../../../core/maths/vec3';
import { shapedPoint, type HeadShape } from '../../../core/face/head-shape';
import type { Hex } from '../../../core/units';

export interface CurlOptions {
  readonly colour: Hex;
  readonly seed: number;
  readonly count: number;
  /** Radius of a ringlet, and how long it is. */
  readonly radius: number;
  readonly length: number;
  /** Into how many pieces each is cut. */
  readonly segments: number;
  /** 0 stands off the head, 1 hangs down. */
  readonly hang: number;
  readonly shape: HeadShape;
}

const SIDES = 3;
const CENTRE: Vec3 = [0, 0.03, -0.032];
const RADII: Vec3 = [0.0795, 0.097, 0.092];

/** Where ringlets grow: not on the face, the ears or the neck. */
const isScalp = ([x, y, z]: Vec3): boolean => {
  const forward = z - CENTRE[2];
  if (y < -0.035) return false;
  if (forward > 0.03) return y > 0.09;
  if (forward > 0.005) return y > 0.066;
  return y > (Math.abs(x) > 0.06 ? -0.005 : -0.03);
};

export const curlGeometry = (options: CurlOptions): BufferGeometry => {
  const { seed, count, radius, length, segments, hang, shape } = options;
  const random = new Random(seed);
  const positions: number[] = [];
  const normals: number[] = [];
  const colours: number[] = [];
  const loose: number[] = [];
  const uv: number[] = [];
  const index: number[] = [];
  const base = new Color(options.colour);
  let made = 0;
  for (let n = 0; n < count * 4 && made < count; n++) {
    // Even over the sphere: the golden angle.
    const h = 1 - (1.75 * (n + 0.5)) / (count * 1.55);
    const a = n * 2.399963 + random.between(-0.2, 0.2);
    const r = Math.sqrt(Math.max(0, 1 - h * h));
    const out: Vec3 = [Math.sin(a) * r, h, Math.cos(a) * r];
    const root: Vec3 = [
      CENTRE[0] + out[0] * RADII[0],
      CENTRE[1] + out[1] * RADII[1],
      CENTRE[2] + out[2] * RADII[2],
    ];
    if (!isScalp(root)) continue;
    made++;
    const long = length * random.between(0.75, 1.2);
    const wide = radius * random.between(0.75, 1.25);
    const turns = random.between(1.8, 2.8) * (long / 0.04);
    const phase = random.between(0, 6.28);
    const light = random.between(0.7, 1.45);
    const first = positions.length / 3;
    let at: Vec3 = add(root, scale(out, -0.004));
    for (let s = 0; s <= segments; s++) {
      const t = s / segments;
      // Off the head at first, then gravity bends it down.
      const fall = hang * smoothstep(0.1, 0.8, t);
      const way = normalise([
        out[0] * (1 - 0.75 * fall),
        out[1] * (1 - fall) - fall * 0.9,
        out[2] * (1 - 0.75 * fall),
      ]);
      at = add(at, scale(way, long / segments));
      const u = normalise(cross(way, Math.abs(way[1]) > 0.9 ? [1, 0, 0] : [0, 1, 0]));
      const v = cross(way, u);
      const angle = phase + turns * 2 * Math.PI * t;
      const coil = wide * smoothstep(0, 0.2, t) * (1 - 0.3 * t);
      const ring = add(scale(u, Math.cos(angle)), scale(v, Math.sin(angle)));
      const middle = add(at, scale(ring, coil));
      const thick = 0.0019 * (1 - 0.6 * t) + 0.0003;
      for (let k = 0; k < SIDES; k++) {
        const b = (k / SIDES) * 2 * Math.PI;
        const normal = add(scale(ring, Math.cos(b)), scale(way, Math.sin(b)));
        positions.push(...shapedPoint(add(middle, scale(normal, thick)), shape));
        // Lit by where it faces away from the head, too, so that the whole reads as one volume.
        normals.push(...normalise(add(scale(normal, 0.6), out)));
        const tone = light * (0.45 + 0.55 * smoothstep(0, 0.6, t)) * (0.8 + 0.35 * Math.cos(b));
        colours.push(base.r * tone, base.g * tone, base.b * tone);
        loose.push(0.75 * t);
        uv.push(0, 0);
      }
      if (s === 0) continue;
      for (let k = 0; k < SIDES; k++) {
        const [p, q] = [first + (s - 1) * SIDES + k, first + (s - 1) * SIDES + ((k + 1) % SIDES)];
        index.push(p, p + SIDES, q, q, p + SIDES, q + SIDES);
      }
    }
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setAttribute('normal', new Float32BufferAttribute(normals, 3));
  geometry.setAttribute('color', new Float32BufferAttribute(colours, 3));
  geometry.setAttribute('uv', new Float32BufferAttribute(uv, 2));
  geometry.setAttribute('loose', new Float32BufferAttribute(loose, 1));
  geometry.setIndex(index);
  return geometry;
};
