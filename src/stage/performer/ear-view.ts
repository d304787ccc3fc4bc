/** An ear: rim, fold and bowl on a patch that bends with its shape, painted by depth. */
import { BufferGeometry, Color, DoubleSide, Float32BufferAttribute, Group, Mesh } from 'three';
import { interpolate, lerp, smoothstep } from '../../core/maths/scalar';
import { shapedPoint } from '../../core/face/head-shape';
import type { Performer } from '../../core/takes/performer';
import { SKINS } from '../../core/takes/skin-tones';
import { markPart } from '../parts';
import { skinMaterial } from './skin-material';

const AROUND = 40;
/** From the bowl outwards: share of the way to the rim, and height over the side of the head, millimetres. */
const PROFILE = [
  [0, -3.5],
  [0.16, -3.4],
  [0.3, -2.4],
  [0.42, 1.6],
  [0.54, 3.6],
  [0.64, 2.2],
  [0.74, 1.2],
  [0.84, 3.8],
  [0.93, 5.6],
  [0.99, 4.6],
  [1.01, 2.2],
  [0.96, -1.5],
  [0.78, -7],
] as const;

/** Outline by degrees, 0 to the front, 90 up: half-width and height in millimetres from the middle. */
const outline = (degrees: number): readonly [number, number] => {
  const a = (degrees * Math.PI) / 180;
  const [c, s] = [Math.cos(a), Math.sin(a)];
  // Broad above, tapering to the lobe; the front edge is nearly straight.
  const half = interpolate(
    [
      [-1, 9],
      [-0.55, 11],
      [0, 16.5],
      [0.6, 18.5],
      [1, 15],
    ],
    s,
  );
  return [c > 0 ? c * half * 0.62 : c * half, s > 0 ? s * 31 : s * 27];
};

const ear = (side: 1 | -1, performer: Performer): BufferGeometry => {
  const skin = SKINS[performer.tone];
  const [base, shade, flush] = [new Color(skin.base), new Color(skin.shade), new Color(skin.flush)];
  const positions: number[] = [];
  const colours: number[] = [];
  const index: number[] = [];
  const size = 1 + 0.1 * performer.age;
  for (const [r, height] of PROFILE)
    for (let j = 0; j <= AROUND; j++) {
      const degrees = (360 * j) / AROUND;
      const [ox, oy] = outline(degrees);
      const down = smoothstep(-0.35, -0.8, Math.sin((degrees * Math.PI) / 180));
      const front = smoothstep(0.55, 0.95, Math.cos((degrees * Math.PI) / 180));
      // The lobe is plain and full; at the front the rim runs into the cheek.
      const relief = lerp(lerp(height, 1.6, 0.82 * down), Math.min(height, 1), front);
      const forward = ox * r + 2 * r;
      const up = oy * r;
      // Turned outwards by a third of a right angle, leaning back a little.
      const turn = 0.42;
      const out = (relief * Math.cos(turn) - forward * Math.sin(turn) * 0.75) * (1 - 0.4 * down) - 7 * down;
      const ahead = forward * Math.cos(turn) + relief * Math.sin(turn);
      const lean = 0.16;
      positions.push(
        side * (out / 1000) * size,
        ((up * Math.cos(lean) - ahead * Math.sin(lean) * 0.3) / 1000) * size,
        ((ahead - up * Math.sin(lean)) / 1000) * size,
      );
      const deep = smoothstep(1.2, -3.4, relief) * (1 - down);
      const red = smoothstep(3, 5.5, relief) + 0.6 * down;
      const colour = base
        .clone()
        .lerp(shade, 0.75 * deep)
        .lerp(flush, 0.34 * red);
      colours.push(colour.r, colour.g, colour.b);
    }
  for (let i = 0; i < PROFILE.length - 1; i++)
    for (let j = 0; j < AROUND; j++) {
      const a = i * (AROUND + 1) + j;
      const b = a + AROUND + 1;
      index.push(a, a + 1, b, b, a + 1, b + 1);
    }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setAttribute('color', new Float32BufferAttribute(colours, 3));
  geometry.setIndex(side > 0 ? index.reverse() : index);
  geometry.computeVertexNormals();
  return geometry;
};

export const earsView = (performer: Performer): Group => {
  const group = new Group();
  markPart(group, 'skin');
  const material = skinMaterial(performer.tone, { vertexColors: true, side: DoubleSide });
  for (const side of [-1, 1] as const) {
    const mesh = new Mesh(ear(side, performer), material);
    mesh.position.set(...shapedPoint([side * 0.0805, 0.008, -0.04], performer.shape));
    group.add(mesh);
  }
  return group;
};
