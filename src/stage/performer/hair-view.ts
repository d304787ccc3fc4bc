/**
 * A bob: shells that run from a parting over the skull and hang down, painted with strands whose ends fade,
 * so that the hairline is soft.
 */
import {
  BufferGeometry,
  DoubleSide,
  Float32BufferAttribute,
  Group,
  Mesh,
  MeshLambertMaterial,
  RepeatWrapping,
} from 'three';
import { SKULL } from '../../core/face/head-shell';
import { clamp, interpolate, lerp, smoothstep } from '../../core/maths/scalar';
import { Random } from '../../core/maths/random';
import type { Performer } from '../../core/takes/performer';
import { css, paintCanvas, textureOf } from './canvas';

const AROUND = 108;
const DOWN = 28;

/** How far the hair reaches down, by degrees from the front: a fringe swept to one side, the cheeks, the nape. */
const END_HEIGHT = [
  [-180, -0.088],
  [-110, -0.08],
  [-74, -0.07],
  [-62, -0.045],
  [-52, 0.004],
  [-42, 0.036],
  [-30, 0.05],
  [-12, 0.064],
  [8, 0.078],
  [18, 0.083],
  [28, 0.08],
  [40, 0.06],
  [50, 0.02],
  [62, -0.045],
  [74, -0.07],
  [110, -0.08],
  [180, -0.088],
] as const;

/** A point of the hair: degrees from the front (sign: side), 0 at the parting to 1 at the end, lift in metres. */
const hairPoint = (degrees: number, down: number, lift: number, width: number): [number, number, number] => {
  const a = (degrees * Math.PI) / 180;
  const end = interpolate(END_HEIGHT, degrees);
  const [cx, cy, cz] = SKULL.centre;
  const [rx, ry, rz] = SKULL.radii;
  // Elevation on the skull runs from the parting (90 degrees) towards the end height, then the hair hangs.
  const top = cy + ry + lift;
  const y = top + (end - top) * (1 - Math.cos((down * Math.PI) / 2)) ** 0.82;
  const t = clamp((y - cy) / (ry + lift), 0, 1);
  const radial = y >= cy ? Math.sqrt(Math.max(0, 1 - t * t)) : 1;
  const below = Math.max(0, cy - y);
  const hang = 1 + 0.75 * below * (1 - 1.15 * smoothstep(0.05, 0.125, below));
  const front = smoothstep(75, 40, Math.abs(degrees));
  const full = lift * (1 - 0.55 * front * smoothstep(0.55, 1, down));
  return [
    cx + Math.sin(a) * (rx * width + full) * radial * hang,
    y,
    cz + Math.cos(a) * (rz + full + 0.004 * front) * radial * (1 + 0.25 * below),
  ];
};

const shell = (lift: number, width: number, partAt: number): BufferGeometry => {
  const positions: number[] = [];
  const uv: number[] = [];
  const index: number[] = [];
  for (let j = 0; j <= DOWN; j++)
    for (let i = 0; i <= AROUND; i++) {
      const degrees = -180 + (360 * i) / AROUND;
      const down = j / DOWN;
      // Waves run down the lengths; strands lean away from the parting.
      const wave = 0.0022 * Math.sin(i * 0.7 + j * 0.16) * smoothstep(0.3, 1, down);
      const [x, y, z] = hairPoint(degrees, down, lift + wave, width);
      const near = 1 - smoothstep(0, 0.6, down);
      positions.push(x + partAt * near, y, z + 0.012 * near);
      uv.push(i / AROUND + 0.05 * down * Math.sign(degrees || 1), down);
    }
  for (let j = 0; j < DOWN; j++)
    for (let i = 0; i < AROUND; i++) {
      const a = j * (AROUND + 1) + i;
      const b = a + AROUND + 1;
      index.push(a, b, a + 1, a + 1, b, b + 1);
    }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setAttribute('uv', new Float32BufferAttribute(uv, 2));
  geometry.setIndex(index);
  geometry.computeVertexNormals();
  return geometry;
};

const WIDTH = 1024;
const HEIGHT = 256;

/** Strands from the parting (top) to the ends (bottom). */
const strands = (performer: Performer, seed: number) => {
  const { canvas, context: g } = paintCanvas(WIDTH, HEIGHT);
  const random = new Random(seed);
  const { hair } = performer.look;
  const fill = g.createLinearGradient(0, 0, 0, HEIGHT);
  fill.addColorStop(0, css(hair, [0.82, 0.82, 0.82]));
  fill.addColorStop(0.3, css(hair, [1.08, 1.06, 1.02]));
  fill.addColorStop(0.86, css(hair, [0.86, 0.86, 0.86]));
  fill.addColorStop(0.95, css(hair, [0.86, 0.86, 0.86], 0));
  g.fillStyle = fill;
  g.fillRect(0, 0, WIDTH, HEIGHT);
  // Plain strokes in a few tones: a gradient for each strand would take a second to paint.
  for (let n = 0; n < 1900; n++) {
    const x = random.next() * WIDTH;
    const light = lerp(0.6, 1.8, random.next() ** 1.8);
    const start = random.next() ** 2 * HEIGHT * 0.5;
    const stop = HEIGHT * (0.955 + 0.016 * Math.sin(x * 0.1) + random.between(-0.08, 0.04));
    const lean = random.between(-8, 8);
    g.strokeStyle = css(hair, [light, light * 0.98, light * 0.93], random.between(0.25, 0.55));
    g.lineWidth = random.between(0.5, 1.5);
    g.beginPath();
    g.moveTo(x, start);
    g.bezierCurveTo(x + lean, start + HEIGHT * 0.27, x - lean, stop - HEIGHT * 0.24, x + lean * 0.4, stop);
    g.stroke();
  }
  const texture = textureOf(canvas);
  texture.flipY = false;
  texture.wrapS = RepeatWrapping;
  return texture;
};

export class HairView {
  readonly group = new Group();

  constructor(performer: Performer) {
    const { width } = performer.shape;
    const layer = (lift: number, seed: number) => {
      const mesh = new Mesh(
        shell(lift, width, 0.014),
        new MeshLambertMaterial({
          map: strands(performer, seed),
          transparent: true,
          alphaTest: 0.3,
          // Both faces in one pass: the shells are closed but for their ends.
          forceSinglePass: true,
          side: DoubleSide,
        }),
      );
      mesh.frustumCulled = false;
      return mesh;
    };
    this.group.add(layer(0.006, 5), layer(0.0105, 6));
  }
}
