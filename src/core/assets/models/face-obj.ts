/** The face as a mesh to sculpt in any modelling program (Wavefront OBJ): its texture coordinates are the face layout. */
import { FACE_LANDMARKS } from '../../face/landmarks';
import { NEUTRAL_FACE, TRIANGLES, UV } from '../../face/neutral';

/** Metres, +Y up, +Z out of the face. `moves` (x, y, z a landmark) shapes it; without them it is the neutral face. */
export const faceObj = (moves: ArrayLike<number> | null = null): string => {
  const lines = [
    '# A face to sculpt. Keep its texture coordinates, and every point is found again.',
    'o Face',
  ];
  const at = (k: number): string => (NEUTRAL_FACE[k]! + (moves?.[k] ?? 0)).toFixed(6);
  for (let i = 0; i < FACE_LANDMARKS; i++) lines.push(`v ${at(3 * i)} ${at(3 * i + 1)} ${at(3 * i + 2)}`);
  // OBJ counts texture coordinates upwards.
  for (let i = 0; i < FACE_LANDMARKS; i++)
    lines.push(`vt ${UV[2 * i]!.toFixed(6)} ${(1 - UV[2 * i + 1]!).toFixed(6)}`);
  for (let t = 0; t < TRIANGLES.length; t += 3)
    lines.push(`f ${[0, 1, 2].map((k) => `${TRIANGLES[t + k]! + 1}/${TRIANGLES[t + k]! + 1}`).join(' ')}`);
  return `${lines.join('\n')}\n`;
};
