/** A card: a picture, a sequence or a video. */
import { Group } from 'three';
import type { Card } from '../../../core/document/schema';
import { fitOf, tileCounts } from '../../../core/placing/fit';
import { pictureOf } from '../asset-picture';
import { FlatMesh } from './flat';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';
import { SurfaceQuad } from './surface-quad';

export class CardView implements ObjectView<Card> {
  readonly node = new Group();
  private readonly flat: FlatMesh;
  private readonly quad: SurfaceQuad;

  constructor(private readonly tools: ViewTools) {
    this.flat = new FlatMesh(tools);
    this.quad = new SurfaceQuad(tools, this.node);
    this.node.add(this.flat.mesh);
  }

  update(now: ObjectNow<Card>): boolean {
    const { object, effect, opacity, time, media, order, layering, aspect } = now;
    const { stores, camera } = this.tools;
    const own = media ? media.at : Math.max(0, time - object.startDelay);
    // Space shows a video as the Viewfinder does.
    const shown = pictureOf(stores, effect.assets[object.asset], own, camera !== null);
    if (!shown || opacity === 0) return false;
    const worn = object.material ? effect.materials[object.material] : undefined;
    this.flat.mesh.visible = !worn;
    if (worn) {
      this.quad.show(now, worn, shown);
      return true;
    }
    this.quad.hide();
    this.flat.style(object, shown.texture, shown.rect, opacity);
    this.flat.repeat =
      fitOf(object, layering) === 'tile' ? tileCounts(object.extent, object.scale, aspect) : [1, 1];
    this.flat.mesh.scale.set(object.extent[0], object.extent[1], 1);
    this.flat.order = order;
    return true;
  }

  dispose(): void {
    this.flat.dispose();
    this.quad.dispose();
  }
}
