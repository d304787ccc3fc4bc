/** A card: a picture, a sequence or a video. */
import { Group } from 'three';
import { frameAt, frameIndex } from '../../../core/assets/frames/sheets';
import type { Card } from '../../../core/document/schema';
import { fitOf, tileCounts } from '../../../core/placing/fit';
import { FlatMesh, WHOLE } from './flat';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';
import { SurfaceQuad } from './surface-quad';

export class CardView implements ObjectView<Card> {
  readonly node = new Group();
  private readonly flat: FlatMesh;
  private readonly quad: SurfaceQuad;

  constructor(private readonly tools: ViewTools) {
    this.flat = new FlatMesh(tools.beneath);
    this.quad = new SurfaceQuad(tools, this.node);
    this.node.add(this.flat.mesh);
  }

  update(now: ObjectNow<Card>): boolean {
    const { object, effect, opacity, time, order, layering, aspect } = now;
    const { textures, videos } = this.tools.stores;
    const asset = effect.assets[object.asset];
    const own = Math.max(0, time - object.startDelay);
    const shown =
      asset?.kind === 'sequence' ? frameAt(asset, frameIndex(asset, own)) : { file: 0, rect: WHOLE };
    const texture =
      asset?.kind === 'picture' || asset?.kind === 'sequence'
        ? textures.get(asset, shown.file)
        : asset?.kind === 'video'
          ? // Space shows it as the Viewfinder does.
            videos.get(asset, this.tools.camera ? own : null)
          : null;
    if (!texture || opacity === 0) return false;
    const worn = object.material ? effect.materials[object.material] : undefined;
    this.flat.mesh.visible = !worn;
    if (worn) {
      this.quad.show(now, worn, { texture, rect: shown.rect });
      return true;
    }
    this.quad.hide();
    this.flat.style(object, texture, shown.rect, opacity);
    this.flat.repeat =
      fitOf(object, layering) === 'tile' ? tileCounts(object.extent, object.scale, aspect) : [1, 1];
    this.flat.mesh.scale.set(object.extent[0], object.extent[1], 1);
    this.flat.mesh.renderOrder = order;
    return true;
  }

  dispose(): void {
    this.flat.dispose();
    this.quad.dispose();
  }
}
