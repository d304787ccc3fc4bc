/** The triangles of a model or solid in its own space, to spread copies over. */
import { Mesh, Vector3, type BufferGeometry, type Object3D } from 'three';
import type { Effect, EffectObject } from '../../core/document/schema';
import type { TriangleSurface } from '../../core/placing/spread';
import { solidGeometry } from '../../stage/effect/objects/solid-view';
import type { ModelStore } from '../../stage/effect/model-store';

const trianglesOf = (geometry: BufferGeometry): number[] => {
  const { index } = geometry;
  return index
    ? [...index.array]
    : Array.from({ length: geometry.getAttribute('position').count }, (_, i) => i);
};

/** Null for what has no surface, or a model that is still on its way. */
export const surfaceOf = (
  effect: Effect,
  object: EffectObject,
  models: ModelStore,
): TriangleSurface | null => {
  if (object.kind === 'solid') {
    const geometry = solidGeometry(object);
    return { positions: geometry.getAttribute('position').array, triangles: trianglesOf(geometry) };
  }
  const asset = object.kind === 'model' ? effect.assets[object.asset] : undefined;
  const model = asset?.kind === 'model' ? models.get(asset) : null;
  if (!model) return null;
  const positions: number[] = [];
  const triangles: number[] = [];
  model.scene.updateWorldMatrix(true, true);
  model.scene.traverse((node: Object3D) => {
    if (!(node instanceof Mesh)) return;
    const geometry = node.geometry as BufferGeometry;
    const first = positions.length / 3;
    const position = geometry.getAttribute('position');
    const point = new Vector3();
    for (let i = 0; i < position.count; i++) {
      point.fromBufferAttribute(position, i).applyMatrix4(node.matrixWorld);
      positions.push(point.x, point.y, point.z);
    }
    for (const i of trianglesOf(geometry)) triangles.push(first + i);
  });
  return { positions, triangles };
};
