/** The triangles of a model as it stands, in its own space. */
import { Mesh, Vector3, type Object3D } from 'three';

/** Nine numbers each. */
export const trianglesOfModel = (scene: Object3D): Float32Array => {
  const out: number[] = [];
  scene.updateMatrixWorld(true);
  const back = scene.matrixWorld.clone().invert();
  const p = new Vector3();
  scene.traverse((node) => {
    if (!(node instanceof Mesh)) return;
    const position = node.geometry.getAttribute('position');
    const { index } = node.geometry as { index: { count: number; getX(i: number): number } | null };
    const count = index ? index.count : (position?.count ?? 0);
    for (let i = 0; i + 2 < count; i += 3)
      for (let k = 0; k < 3; k++) {
        p.fromBufferAttribute(position, index ? index.getX(i + k) : i + k);
        p.applyMatrix4(node.matrixWorld).applyMatrix4(back);
        out.push(p.x, p.y, p.z);
      }
  });
  return Float32Array.from(out);
};
