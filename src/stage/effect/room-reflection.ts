/** The plain room as three.js wants reflections: a cube that holds every roughness in its smaller copies. */
import {
  CompressedCubeTexture,
  DataUtils,
  HalfFloatType,
  LinearFilter,
  LinearMipmapLinearFilter,
  RGBAFormat,
} from 'three';
import type { CompressedTextureMipmap, CompressedPixelFormat } from 'three';
import { roomLevels } from '../../core/light/room';

let made: CompressedCubeTexture | null = null;

/** For a scene's `environment`; one for all contexts of a page, which nobody disposes of. */
export const roomReflection = (): CompressedCubeTexture => {
  if (made) return made;
  // Three looks cubes that were not drawn up from the other side.
  const levels = roomLevels(([x, y, z]) => [-x, y, z]);
  const faces = Array.from({ length: 6 }, (_, face) => {
    const mipmaps = levels.map(({ size, faces: all }): CompressedTextureMipmap => {
      const data = new Uint16Array(4 * size * size);
      all[face]!.forEach((value, i) => {
        const half = DataUtils.toHalfFloat(value);
        data.set([half, half, DataUtils.toHalfFloat(1.02 * value), DataUtils.toHalfFloat(1)], 4 * i);
      });
      return { data: data as never, width: size, height: size };
    });
    return { mipmaps, width: levels[0]!.size, height: levels[0]!.size };
  });
  made = new CompressedCubeTexture(
    faces as never,
    // Not compressed at all: three takes ready copies of a cube this way only.
    RGBAFormat as unknown as CompressedPixelFormat,
    HalfFloatType,
  );
  made.minFilter = LinearMipmapLinearFilter;
  made.magFilter = LinearFilter;
  (made as CompressedCubeTexture & { isPMREMTexture?: boolean }).isPMREMTexture = true;
  made.needsUpdate = true;
  return made;
};
