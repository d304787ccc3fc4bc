/** A flat thing that shows the camera picture, or a part of it. */
import { DataTexture, Group, NoColorSpace, RGBAFormat } from 'three';
import type { Live } from '../../../core/document/schema';
import { fitOf, tileCounts } from '../../../core/placing/fit';
import { FlatMesh } from './flat';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

let sheet: DataTexture | null = null;
/** What stands for the camera picture where there is none. */
export const standIn = (): DataTexture => {
  if (sheet) return sheet;
  sheet = new DataTexture(new Uint8Array([150, 156, 160, 255]), 1, 1, RGBAFormat);
  sheet.colorSpace = NoColorSpace;
  sheet.needsUpdate = true;
  return sheet;
};

export class LiveView implements ObjectView<Live> {
  readonly node = new Group();
  private readonly flat: FlatMesh;

  constructor(private readonly tools: ViewTools) {
    this.flat = new FlatMesh(tools);
    this.node.add(this.flat.mesh);
  }

  update({ object, opacity, face, order, layering, aspect }: ObjectNow<Live>): boolean {
    if (opacity === 0) return false;
    const { camera } = this.tools;
    // Space has no camera picture: a plain sheet stands for it, so that it can be seen and taken hold of.
    const texture = camera ? camera.get(object.part, object.blur, face) : standIn();
    if (!texture) return false;
    // The picture runs from the lower left, cards from the upper left.
    const [x, y, w, h] = object.crop;
    this.flat.style(object, texture, object.flip ? [x + w, 1 - y, -w, -h] : [x, 1 - y, w, -h], opacity);
    this.flat.repeat =
      fitOf(object, layering) === 'tile' ? tileCounts(object.extent, object.scale, aspect) : [1, 1];
    this.flat.mesh.scale.set(object.extent[0], object.extent[1], 1);
    this.flat.order = order;
    return true;
  }

  dispose(): void {
    this.flat.dispose();
  }
}
