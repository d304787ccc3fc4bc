/** A model as one mesh with its texture coordinates: what a sculpted face is measured by. */
import type { Document } from '@gltf-transform/core';
import type { SculptedMesh } from '../../face/morph/sculpted';
import { nodesInOrder, pointReader } from './inspect';

/** All triangles of the model in rest, in its own space. Without texture coordinates on every part it has none. */
export const sculptedMeshOf = (document: Document): SculptedMesh => {
  const positions: number[] = [];
  const uv: number[] = [];
  const triangles: number[] = [];
  let mapped = true;
  const point: number[] = [0, 0, 0];
  for (const { node } of nodesInOrder(document))
    for (const primitive of node.getMesh()?.listPrimitives() ?? []) {
      const first = positions.length / 3;
      const read = pointReader(node, primitive);
      const count = primitive.getAttribute('POSITION')!.getCount();
      const coordinates = primitive.getAttribute('TEXCOORD_0');
      mapped &&= coordinates !== null;
      for (let i = 0; i < count; i++) {
        read(i, point);
        positions.push(point[0]!, point[1]!, point[2]!);
        uv.push(...(coordinates ? coordinates.getElement(i, []) : [0, 0]));
      }
      const indices = primitive.getIndices();
      const corners = indices?.getCount() ?? count;
      for (let i = 0; i < corners - (corners % 3); i++)
        triangles.push(first + (indices ? indices.getScalar(i) : i));
    }
  return { positions, triangles, uv: mapped && uv.length > 0 ? uv : null };
};
