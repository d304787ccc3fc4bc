/** What an open mouth shows: the dark inside, teeth, tongue. */
import {
  BackSide,
  CylinderGeometry,
  DoubleSide,
  Group,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  SphereGeometry,
} from 'three';
import type { Expressions } from '../../core/tracking/track-frame';

export class MouthView {
  readonly group = new Group();
  private readonly cavity: Mesh;
  private readonly lower = new Group();

  constructor() {
    this.cavity = new Mesh(
      new SphereGeometry(0.01, 28, 20),
      new MeshBasicMaterial({ color: 0x2a0d0c, side: BackSide }),
    );
    const enamel = new MeshLambertMaterial({ color: 0xefe8dc, side: DoubleSide });
    const row = (y: number, height: number) => {
      const teeth = new Mesh(new CylinderGeometry(0.0195, 0.019, height, 32, 1, true, -1.15, 2.3), enamel);
      teeth.position.set(0, y, 0.0255);
      return teeth;
    };
    const tongue = new Mesh(new SphereGeometry(0.01, 24, 16), new MeshLambertMaterial({ color: 0xb1605e }));
    tongue.scale.set(1.65, 0.6, 1.7);
    tongue.position.set(0, -0.058, 0.028);
    this.lower.add(row(-0.0565, 0.006), tongue);
    this.group.add(this.cavity, row(-0.0412, 0.0078), this.lower);
  }

  update(expressions: Expressions): void {
    const open = expressions.jawOpen ?? 0;
    this.cavity.scale.set(2.4, 1 + 2.3 * open, 2.3);
    this.cavity.position.set(0, -0.046 - 0.012 * open, 0.024);
    this.lower.position.y = 0.004 - 0.0165 * open;
    this.lower.position.z = -0.012 * open;
    this.group.visible = open > 0.02;
  }
}
