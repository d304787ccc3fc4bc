/** The skin of a performer's head, deformed by the expressions each frame. */
import { BufferAttribute, BufferGeometry, Mesh, MeshPhongMaterial } from 'three';
import { deformHead, headMesh, type Performer } from '../../core/takes/performer';
import type { Expressions } from '../../core/tracking/track-frame';
import { skinTexture } from './skin-texture';

export class HeadView {
  readonly mesh: Mesh<BufferGeometry, MeshPhongMaterial>;
  private readonly points: number;
  private shown = '';

  constructor(private readonly performer: Performer) {
    const { positions, uv, triangles } = headMesh(performer);
    this.points = positions.length / 3;
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(positions.slice(), 3));
    geometry.setAttribute('uv', new BufferAttribute(uv, 2));
    geometry.setIndex(new BufferAttribute(triangles, 1));
    geometry.computeVertexNormals();
    this.mesh = new Mesh(
      geometry,
      new MeshPhongMaterial({
        map: skinTexture(performer),
        specular: 0x1c1815,
        shininess: 14,
      }),
    );
    this.mesh.frustumCulled = false;
  }

  update(expressions: Expressions): void {
    const key = JSON.stringify(expressions);
    if (key === this.shown) return;
    this.shown = key;
    const position = this.mesh.geometry.getAttribute('position') as BufferAttribute;
    deformHead(this.performer, expressions, this.points, position.array as Float32Array);
    position.needsUpdate = true;
    this.mesh.geometry.computeVertexNormals();
  }

  dispose(): void {
    this.mesh.geometry.dispose();
    this.mesh.material.map?.dispose();
    this.mesh.material.dispose();
  }
}
