/** The outline of a touch area in Space: where a finger counts as touching the object. */
import {
  BoxGeometry,
  EdgesGeometry,
  Group,
  LineBasicMaterial,
  LineSegments,
  SphereGeometry,
  WireframeGeometry,
} from 'three';
import type { TouchArea } from '../core/document/schema';
import type { Matrix } from '../core/maths/matrix';

export class TouchOutline {
  readonly node = new Group();
  private readonly ink = new LineBasicMaterial({ color: 0xb7791f });
  private readonly box = new LineSegments(new EdgesGeometry(new BoxGeometry()), this.ink);
  private readonly ball = new LineSegments(new WireframeGeometry(new SphereGeometry(0.5, 16, 10)), this.ink);

  constructor() {
    this.node.add(this.box, this.ball);
    this.node.matrixAutoUpdate = false;
    this.node.visible = false;
  }

  /** `matrix` leads from the object's own space to that of the view; null shows nothing. */
  show(area: TouchArea | null, matrix: Matrix | null): void {
    this.node.visible = area !== null && matrix !== null;
    if (!area || !matrix) return;
    this.node.matrix.fromArray(matrix as number[]);
    this.node.matrixWorldNeedsUpdate = true;
    this.box.visible = area.shape === 'box';
    this.ball.visible = area.shape === 'ball';
    for (const lines of [this.box, this.ball]) {
      lines.position.fromArray(area.centre);
      lines.scale.fromArray(area.size);
    }
  }

  dispose(): void {
    this.box.geometry.dispose();
    this.ball.geometry.dispose();
    this.ink.dispose();
  }
}
