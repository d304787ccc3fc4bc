/** The skin of a performer's head, deformed by the expressions each frame. */
import { BufferAttribute, BufferGeometry, Mesh, type Material } from 'three';
import { deformHead, headMesh, headTopology, type HeadTriangles } from '../../core/takes/head-mesh';
import type { Performer } from '../../core/takes/performer';
import type { Expressions } from '../../core/tracking/track-frame';
import { markPart } from '../parts';

export class HeadView {
  readonly mesh: Mesh<BufferGeometry, Material>;
  private readonly points: number;
  private shown = '';

  constructor(
    private readonly performer: Performer,
    material: Material,
    { uv, triangles, count }: HeadTriangles = headTopology(),
  ) {
    const { positions } = headMesh(performer);
    this.points = count;
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(positions.slice(0, 3 * count), 3));
    geometry.setAttribute('uv', new BufferAttribute(uv, 2));
    geometry.setIndex(new BufferAttribute(triangles, 1));
    geometry.computeVertexNormals();
    this.mesh = new Mesh(geometry, material);
    this.mesh.frustumCulled = false;
    markPart(this.mesh, 'skin');
    this.mesh.userData.head = true;
  }

  /** Positions and normals as they are now, for what grows on the skin. */
  get surface(): { readonly positions: Float32Array; readonly normals: Float32Array } {
    const { geometry } = this.mesh;
    return {
      positions: geometry.getAttribute('position').array as Float32Array,
      normals: geometry.getAttribute('normal').array as Float32Array,
    };
  }

  /** True when the face has changed since the last call. */
  update(expressions: Expressions): boolean {
    const key = JSON.stringify(expressions);
    if (key === this.shown) return false;
    this.shown = key;
    const position = this.mesh.geometry.getAttribute('position') as BufferAttribute;
    deformHead(this.performer, expressions, this.points, position.array as Float32Array);
    position.needsUpdate = true;
    this.mesh.geometry.computeVertexNormals();
    return true;
  }
}
