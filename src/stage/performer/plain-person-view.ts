/**
 * A person as a plain figure: the same head, moving the same way, with a quarter of the triangles, in flat colours without hair, lashes
 * and cloth. All of it wears one kind of material, so that a machine without graphics card has one program to make ready, not a dozen.
 */
import { Group, Mesh, MeshLambertMaterial, SphereGeometry, type Texture } from 'three';
import { EYEBALL_RADIUS } from '../../core/face/neutral';
import {
  BROW_LEFT,
  BROW_RIGHT,
  INNER_LIP_LOWER,
  INNER_LIP_UPPER,
  OUTER_LIP_LOWER,
  OUTER_LIP_UPPER,
} from '../../core/face/landmarks';
import { coarseTopology, eyeGaze, gazeOf, headMesh } from '../../core/takes/head-mesh';
import type { Performer } from '../../core/takes/performer';
import type { Person } from '../../core/takes/scene';
import { SKINS } from '../../core/takes/skin-tones';
import type { Hex, Metres } from '../../core/units';
import { markPart, type Part } from '../parts';
import { paintCanvas, textureOf, type Context } from './canvas';
import { SHEET, trace } from './face-painting';
import { HeadView } from './head-view';
import type { PersonView } from './person-view';

const PIXELS = 256;

const painted = (width: number, height: number, paint: (g: Context) => void): MeshLambertMaterial => {
  const { canvas, context } = paintCanvas(width, height);
  paint(context);
  return new MeshLambertMaterial({ map: textureOf(canvas) });
};
const plain = (colour: Hex): MeshLambertMaterial =>
  painted(1, 1, (g) => {
    g.fillStyle = colour;
    g.fillRect(0, 0, 1, 1);
  });

/** Tone, lips and brows: as much as an expression needs to be read. */
const faceMaterial = ({ tone, brows }: Performer): MeshLambertMaterial => {
  const { base, lips } = SKINS[tone];
  const material = painted(PIXELS, PIXELS, (g) => {
    g.fillStyle = base;
    g.fillRect(0, 0, PIXELS, PIXELS);
    g.scale(PIXELS / SHEET, PIXELS / SHEET);
    g.fillStyle = lips;
    for (const [outer, inner] of [
      [OUTER_LIP_UPPER, INNER_LIP_UPPER],
      [OUTER_LIP_LOWER, INNER_LIP_LOWER],
    ] as const) {
      trace(g, [...outer, ...[...inner].reverse()]);
      g.fill();
    }
    g.fillStyle = brows.colour;
    for (const brow of [BROW_LEFT, BROW_RIGHT]) {
      trace(g, brow);
      g.fill();
    }
  });
  // The topology's V runs down, as the canvas does.
  (material.map as Texture).flipY = false;
  return material;
};

/** A three.js sphere shows u = 0.25 towards +Z. */
const eyeMaterial = (iris: Hex): MeshLambertMaterial =>
  painted(64, 32, (g) => {
    g.fillStyle = '#f1ece6';
    g.fillRect(0, 0, 64, 32);
    for (const [radius, colour] of [
      [5, iris],
      [2, '#0a0807'],
    ] as const) {
      g.fillStyle = colour;
      g.beginPath();
      g.arc(16, 16, radius, 0, 2 * Math.PI);
      g.fill();
    }
  });

interface Ellipsoid {
  readonly at: readonly [Metres, Metres, Metres];
  readonly radii: readonly [Metres, Metres, Metres];
}
const NECK: Ellipsoid = { at: [0, -0.1, -0.05], radii: [0.052, 0.09, 0.05] };
const TORSO: Ellipsoid = { at: [0, -0.4, -0.055], radii: [0.2, 0.25, 0.105] };
/** Behind the face: its front stays inside the head. */
const CAP: Ellipsoid = { at: [0, 0.05, -0.058], radii: [0.082, 0.086, 0.084] };
const INSIDE: Ellipsoid = { at: [0, -0.056, 0.018], radii: [0.022, 0.026, 0.024] };

const BALL = new SphereGeometry(1, 20, 14);
const ellipsoid = ({ at, radii }: Ellipsoid, material: MeshLambertMaterial, part: Part): Mesh => {
  // Each has its own, so that letting go of one leaves the others.
  const mesh = new Mesh(BALL.clone(), material);
  mesh.position.set(...at);
  mesh.scale.set(...radii);
  markPart(mesh, part);
  return mesh;
};

export class PlainPersonView implements PersonView {
  readonly group = new Group();
  private readonly headGroup = new Group();
  private readonly body = new Group();
  private readonly head: HeadView;
  private readonly eyes: readonly Mesh[];

  constructor(readonly performer: Performer) {
    this.head = new HeadView(performer, faceMaterial(performer), coarseTopology());
    const eye = eyeMaterial(performer.iris);
    const radii = [EYEBALL_RADIUS, EYEBALL_RADIUS, EYEBALL_RADIUS] as const;
    this.eyes = headMesh(performer).eyes.map((at) => ellipsoid({ at, radii }, eye, 'eyes'));
    this.headGroup.add(this.head.mesh, ...this.eyes, ellipsoid(INSIDE, plain('#230b0a'), 'skin'));
    if (performer.hair.style !== 'bald')
      this.headGroup.add(ellipsoid(CAP, plain(performer.hair.colour), 'hair'));
    this.body.add(
      ellipsoid(NECK, plain(SKINS[performer.tone].base), 'skin'),
      ellipsoid(TORSO, plain(performer.clothes.colour), 'body'),
    );
    this.group.add(this.headGroup, this.body);
  }

  update({ head, body, expressions }: Person): void {
    this.headGroup.position.fromArray(head.position);
    this.headGroup.quaternion.fromArray(head.rotation);
    this.body.position.fromArray(body.position);
    this.body.quaternion.fromArray(body.rotation);
    this.head.update(expressions);
    const gaze = gazeOf(expressions);
    this.eyes.forEach((eye, which) => {
      const { x, y } = eyeGaze(gaze, which);
      eye.rotation.set((-y * Math.PI) / 180, (x * Math.PI) / 180, 0, 'YXZ');
    });
  }
}
