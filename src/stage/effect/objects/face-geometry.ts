/** The skin of a tracked face as a mesh, in head space. */
import { BufferAttribute, BufferGeometry } from 'three';
import { FACE_LANDMARKS } from '../../../core/face/landmarks';
import { TRIANGLES, UV } from '../../../core/face/neutral';
import { landmarkNormals } from '../../../core/face/landmark-normals';
import type { TrackedFace } from '../../../core/tracking/track-frame';

export const faceGeometry = (): BufferGeometry => {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(new Float32Array(FACE_LANDMARKS * 3), 3));
  geometry.setAttribute('uv', new BufferAttribute(Float32Array.from(UV), 2));
  geometry.setIndex([...TRIANGLES]);
  return geometry;
};

/** Brings a face's mesh to where its landmarks are; `lit` also says which way each of them faces. */
export const fitFace = (geometry: BufferGeometry, face: TrackedFace, lit = true): void => {
  const position = geometry.getAttribute('position') as BufferAttribute;
  (position.array as Float32Array).set(face.landmarks.subarray(0, FACE_LANDMARKS * 3));
  position.needsUpdate = true;
  if (!lit) return;
  const normals = landmarkNormals(face.landmarks);
  const normal = geometry.getAttribute('normal') as BufferAttribute | undefined;
  if (!normal) geometry.setAttribute('normal', new BufferAttribute(normals, 3));
  else {
    (normal.array as Float32Array).set(normals);
    normal.needsUpdate = true;
  }
};
