/** What grows back on a shaved head: short dots of hair that lie in the skin, thin on top, thick at the sides. */
import {
  BufferGeometry,
  Float32BufferAttribute,
  MeshLambertMaterial,
  Mesh,
  RepeatWrapping,
  type Texture,
} from 'three';
import { Random } from '../../../core/maths/random';
import { SKULL } from '../../../core/face/head-shell';
import { interpolate, smoothstep } from '../../../core/maths/scalar';
import type { Performer } from '../../../core/takes/performer';
import type { Hex } from '../../../core/units';
import { markPart } from '../../parts';
import { css, paintCanvas } from '../canvas';
import { madeSheet, sheetOf, sheetTexture, type Sheet } from '../made-once';
import { SHORT_HAIRLINE } from './cap';

const SIDE = 512;
const HAIRS = 1500;
/** How often the sheet repeats around the head and down it: it is some five centimetres of skin. */
const REPEAT = [12, 4] as const;

/** The shade of hair beneath the skin, and the ends that stand out of it; goes on over its edges. */
const paintStubble = (colour: Hex, seed: number): Sheet => {
  const { context: g } = paintCanvas(SIDE, SIDE);
  const random = new Random(seed);
  g.fillStyle = css(colour, [0.66, 0.68, 0.72], 0.2);
  g.fillRect(0, 0, SIDE, SIDE);
  g.lineCap = 'round';
  for (let n = 0; n < HAIRS; n++) {
    const [x, y] = [random.between(0, SIDE), random.between(0, SIDE)];
    const light = random.between(0.35, 0.8);
    g.strokeStyle = css(colour, [light, light, light], random.between(0.3, 0.75));
    g.lineWidth = random.between(1.6, 3);
    const [dx, dy] = [random.between(-3, 3), random.between(1, 6)];
    for (const [i, j] of [
      [0, 0],
      [SIDE, 0],
      [0, SIDE],
    ] as const) {
      g.beginPath();
      g.moveTo(x - i, y - j);
      g.lineTo(x - i + dx, y - j + dy);
      g.stroke();
    }
  }
  return sheetOf(g);
};

/** How thick it grows at a place of the head, 0 to 1: `above` the hairline and `y`, both metres. */
const growth = (above: number, y: number): number =>
  smoothstep(0, 0.024, above) * (0.3 + 0.7 * smoothstep(0.125, 0.07, y));

/** Lies in the skin of the head and goes along with it: the same points, with places on the sheet of stubble and how thick it grows there. */
const stubbleGeometry = (head: BufferGeometry): BufferGeometry => {
  const position = head.getAttribute('position');
  const [cx, cy, cz] = SKULL.centre;
  const uv = new Float32Array(2 * position.count);
  const colours = new Float32Array(4 * position.count).fill(1);
  for (let i = 0; i < position.count; i++) {
    const [x, y, z] = [position.getX(i) - cx, position.getY(i), position.getZ(i) - cz];
    // Alike on both sides, so that nowhere is a seam.
    const around = Math.abs(Math.atan2(x, z)) / (2 * Math.PI);
    uv.set([around, Math.atan2(y - cy, Math.hypot(x, z)) / Math.PI], 2 * i);
    colours[4 * i + 3] = growth(y - interpolate(SHORT_HAIRLINE, 360 * around), y);
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', position);
  geometry.setAttribute('normal', head.getAttribute('normal'));
  geometry.setAttribute('uv', new Float32BufferAttribute(uv, 2));
  geometry.setAttribute('color', new Float32BufferAttribute(colours, 4));
  geometry.setIndex(head.getIndex());
  return geometry;
};

const stubbleMaterial = (colour: Hex, seed: number): MeshLambertMaterial => {
  const map: Texture = sheetTexture(madeSheet(`stubble ${colour} ${seed}`, () => paintStubble(colour, seed)));
  map.wrapS = map.wrapT = RepeatWrapping;
  map.repeat.set(...REPEAT);
  return new MeshLambertMaterial({
    map,
    vertexColors: true,
    transparent: true,
    depthWrite: false,
    // It lies in the skin.
    polygonOffset: true,
    polygonOffsetFactor: -2,
    polygonOffsetUnits: -2,
  });
};

/** On the head of one performer; it counts as skin. */
export const stubbleView = ({ hair, seed }: Performer, head: BufferGeometry): Mesh => {
  const mesh = new Mesh(stubbleGeometry(head), stubbleMaterial(hair.colour, seed + 61));
  mesh.frustumCulled = false;
  mesh.userData.noShadow = true;
  markPart(mesh, 'skin');
  return mesh;
};
