/** What an open mouth shows: the dark inside, two rows of teeth, the tongue. */
import {
  BackSide,
  CylinderGeometry,
  DoubleSide,
  Group,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  MeshPhongMaterial,
  SphereGeometry,
  type Texture,
} from 'three';
import { shapedPoint } from '../../core/face/head-shape';
import type { Performer } from '../../core/takes/performer';
import type { Expressions } from '../../core/tracking/track-frame';
import { markPart } from '../parts';
import { paintCanvas, textureOf } from './canvas';

/** A row of teeth with dark gaps; the gum shows at one edge. */
const teethTexture = (upper: boolean): Texture => {
  const { canvas, context: g } = paintCanvas(256, 32);
  g.fillStyle = '#f0e9dd';
  g.fillRect(0, 0, 256, 32);
  const count = upper ? 12 : 14;
  for (let i = 0; i <= count; i++) {
    const x = (i / count) * 256;
    const fill = g.createLinearGradient(x - 4, 0, x + 4, 0);
    fill.addColorStop(0, 'rgba(120,90,78,0)');
    fill.addColorStop(0.5, 'rgba(120,90,78,0.75)');
    fill.addColorStop(1, 'rgba(120,90,78,0)');
    g.fillStyle = fill;
    g.fillRect(x - 4, 0, 8, 32);
  }
  // Towards the sides it grows dark in the mouth.
  const side = g.createLinearGradient(0, 0, 256, 0);
  for (const [at, o] of [
    [0, 0.7],
    [0.28, 0.12],
    [0.5, 0],
    [0.72, 0.12],
    [1, 0.7],
  ] as const)
    side.addColorStop(at, `rgba(40,16,14,${o})`);
  g.fillStyle = side;
  g.fillRect(0, 0, 256, 32);
  const gum = g.createLinearGradient(0, upper ? 0 : 32, 0, upper ? 9 : 23);
  gum.addColorStop(0, 'rgba(176,90,88,0.9)');
  gum.addColorStop(1, 'rgba(176,90,88,0)');
  g.fillStyle = gum;
  g.fillRect(0, 0, 256, 32);
  return textureOf(canvas);
};

export class MouthView {
  readonly group = new Group();
  private readonly cavity: Mesh;
  private readonly upper: Mesh;
  private readonly lower = new Group();
  private readonly tongue: Mesh;

  constructor(performer: Performer) {
    markPart(this.group, 'skin');
    this.cavity = new Mesh(
      new SphereGeometry(0.01, 28, 20),
      new MeshBasicMaterial({ color: 0x230b0a, side: BackSide }),
    );
    const row = (upper: boolean, y: number, height: number) => {
      const teeth = new Mesh(
        new CylinderGeometry(0.0195, 0.019, height, 32, 1, true, -1.15, 2.3),
        new MeshLambertMaterial({ map: teethTexture(upper), side: DoubleSide }),
      );
      teeth.position.set(0, y, 0.0255);
      return teeth;
    };
    this.tongue = new Mesh(
      new SphereGeometry(0.01, 24, 16),
      new MeshPhongMaterial({ color: 0xb25a5a, specular: 0x553333, shininess: 30 }),
    );
    this.lower.add(row(false, -0.0565, 0.006), this.tongue);
    this.upper = row(true, -0.0412, 0.0078);
    this.group.add(this.cavity, this.upper, this.lower);
    // What is inside the mouth must not darken the chin.
    this.group.traverse((object) => (object.userData.noShadow = true));
    // The mouth lies where this performer's lips are.
    const [, y, z] = shapedPoint([0, -0.0424, 0.053], performer.shape);
    this.group.position.set(0, y + 0.0424, z - 0.053);
    this.group.scale.x = 1 + 0.1 * (performer.shape.mouthWidth ?? 0) + 0.05 * (performer.shape.width ?? 0);
  }

  update(expressions: Expressions): void {
    const value = (name: keyof Expressions) => expressions[name] ?? 0;
    const open = value('jawOpen') * (1 - value('mouthClose'));
    const bared =
      Math.max(value('mouthUpperUpLeft'), value('mouthUpperUpRight')) +
      Math.max(value('mouthLowerDownLeft'), value('mouthLowerDownRight'));
    const funnel = value('mouthFunnel');
    const out = value('tongueOut');
    this.cavity.scale.set(2.3, 0.45 + 2.2 * open + 0.5 * Math.max(bared, funnel), 2.2 - 0.5 * open);
    this.cavity.position.set(0, -0.0445 - 0.009 * open, 0.026 - 0.004 * open + 0.004 * funnel);
    this.lower.position.set(
      0.008 * (value('jawLeft') - value('jawRight')),
      0.004 - 0.0165 * open,
      -0.012 * open,
    );
    this.tongue.scale.set(1.65 - 0.25 * out, 0.6 - 0.14 * out, 1.7 + 0.6 * out);
    this.tongue.position.set(0, -0.0555 + 0.005 * out, 0.028 + 0.0275 * out);
    this.tongue.rotation.x = 0.42 * out;
    // Behind shut lips only the dark inside stays, so that the seam is dark from every side.
    const teeth = open > 0.02 || bared > 0.05 || funnel > 0.05 || out > 0.05;
    this.upper.visible = this.lower.visible = teeth;
  }
}
