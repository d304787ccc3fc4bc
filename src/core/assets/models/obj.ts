/** Wavefront OBJ (version 3.0 of its specification: polygons) and its MTL materials, with the PBR additions. */
import type { Vec3 } from '../../maths/vec3';
import { clamp } from '../../maths/scalar';
import { toLinear } from '../../maths/srgb';
import { MOST_TRIANGLES } from '../limits';
import { refuse } from '../refuse';
import { NO_COMPANIONS, type Companions } from './companions';
import { PLAIN_MATERIAL, type PlainMaterial, type PlainMesh } from './plain-model';
import { triangulate } from './triangulate';
import { cutText } from '../../text';

export interface ObjModel {
  readonly meshes: readonly PlainMesh[];
  readonly materials: ReadonlyMap<string, PlainMaterial>;
  /** Sentences on what is missing. */
  readonly notes: readonly string[];
}

/** Lines with continuations joined, comments and blanks left out; `at` is the line's number from 1. */
function* linesOf(text: string): Generator<{ readonly words: readonly string[]; readonly at: number }> {
  let held = '';
  let at = 0;
  for (const raw of text.split(/\r\n|\n|\r/)) {
    at++;
    const line = held + raw;
    held = '';
    if (line.endsWith('\\')) {
      held = `${line.slice(0, -1)} `;
      continue;
    }
    const words = line.replace(/#.*$/, '').trim().split(/\s+/);
    if (words[0]) yield { words, at };
  }
}

/** The file a map statement names: the last words, after options such as `-s 1 1 1` or `-bm 0.2`. */
const mapFile = (words: readonly string[]): string => {
  let at = 1;
  while (at < words.length && /^-[a-z]/i.test(words[at]!)) {
    at++;
    while (at < words.length - 1 && /^(-?[\d.]+(e[-+]?\d+)?|on|off|[rgbmlz])$/i.test(words[at]!)) at++;
  }
  return words.slice(at).join(' ');
};

/** Reads an MTL. Textures that did not come along are named in `missing`. */
export const readMtl = (
  text: string,
  companions: Companions,
  missing: Set<string>,
): Map<string, PlainMaterial> => {
  const materials = new Map<string, PlainMaterial>();
  let name: string | null = null;
  const set = (change: Partial<PlainMaterial>): void => {
    if (name !== null) materials.set(name, { ...materials.get(name)!, ...change });
  };
  for (const { words } of linesOf(text)) {
    const numbers = words.slice(1).map(Number);
    const colour = (): [number, number, number] | null => {
      const [r, g = r, b = r] = numbers;
      return [r, g, b].every((x) => Number.isFinite(x))
        ? ([r, g, b].map((x) => clamp(x!, 0, 1)) as [number, number, number])
        : null;
    };
    const unit = numbers[0] !== undefined && Number.isFinite(numbers[0]) ? clamp(numbers[0], 0, 1) : null;
    const file = (): Uint8Array | null => {
      const path = mapFile(words);
      const bytes = path ? companions.find(path) : null;
      if (path && !bytes) missing.add(path.replace(/^.*[\\/]/, ''));
      return bytes;
    };
    switch (words[0]!.toLowerCase()) {
      case 'newmtl':
        name = words.slice(1).join(' ');
        materials.set(name, { ...PLAIN_MATERIAL, name: name || 'Material' });
        break;
      case 'kd': {
        const c = colour();
        if (c) set({ colour: [toLinear(c[0]), toLinear(c[1]), toLinear(c[2])] });
        break;
      }
      case 'ke': {
        const c = colour();
        if (c) set({ emission: c });
        break;
      }
      case 'd':
        if (unit !== null) set({ opacity: unit });
        break;
      case 'tr':
        if (unit !== null) set({ opacity: 1 - unit });
        break;
      case 'ns':
        // Blinn-Phong exponent to roughness: alpha = sqrt(2 / (n + 2)), roughness = sqrt(alpha).
        if (Number.isFinite(numbers[0]))
          set({ roughness: clamp(Math.sqrt(Math.sqrt(2 / (Math.max(0, numbers[0]!) + 2))), 0.05, 1) });
        break;
      case 'pr':
        if (unit !== null) set({ roughness: unit });
        break;
      case 'pm':
        if (unit !== null) set({ metallic: unit });
        break;
      case 'map_kd': {
        const bytes = file();
        // With a picture the colour usually says nothing: 0.8 would only darken it.
        if (bytes) set({ colourMap: bytes, colour: [1, 1, 1] });
        break;
      }
      case 'norm': {
        const bytes = file();
        if (bytes) set({ normalMap: bytes });
        break;
      }
    }
  }
  return materials;
};

interface Growing {
  part: string;
  material: string;
  positions: number[];
  uvs: number[];
  normals: number[];
}

/** Throws `IconiaError`: `model.*`. */
export const readObj = (
  bytes: Uint8Array,
  name: string,
  companions: Companions = NO_COMPANIONS,
): ObjModel => {
  const positions: number[] = [];
  const uvs: number[] = [];
  const normals: number[] = [];
  const meshes = new Map<string, Growing>();
  let part = '';
  let material = '';
  const missing = new Set<string>();
  const materials = new Map<string, PlainMaterial>();
  let triangles = 0;
  let faces = 0;
  let skipped = 0;

  const wrong = (at: number, what: string): never =>
    refuse('model.broken', `${name}, line ${at}: ${what} Export the model again.`);
  const push = (list: number[], words: readonly string[], count: number, at: number): void => {
    for (let k = 1; k <= count; k++) {
      const value = words[k] === undefined && k === 2 && count === 2 ? 0 : Number(words[k]);
      if (words[k] === undefined && !(k === 2 && count === 2)) wrong(at, 'a number is missing.');
      list.push(value);
    }
  };
  const indexOf = (word: string | undefined, count: number, at: number): number | null => {
    if (word === undefined || word === '') return null;
    const n = Number(word);
    if (!Number.isInteger(n) || n === 0) return wrong(at, `“${cutText(word, 20)}” is no number of a point.`);
    // Negative numbers count back from the last point read so far.
    const index = n > 0 ? n - 1 : count + n;
    return index >= 0 && index < count ? index : wrong(at, `point ${n} is not there.`);
  };
  const meshOf = (): Growing => {
    const key = `${part}\n${material}`;
    const known = meshes.get(key);
    if (known) return known;
    const grown: Growing = {
      part: part || name.replace(/^.*\//, '').replace(/\.[^.]+$/, ''),
      material,
      positions: [],
      uvs: [],
      normals: [],
    };
    meshes.set(key, grown);
    return grown;
  };

  for (const { words, at } of linesOf(new TextDecoder().decode(bytes))) {
    switch (words[0]) {
      case 'v':
        push(positions, words, 3, at);
        break;
      case 'vt':
        push(uvs, words, 2, at);
        break;
      case 'vn':
        push(normals, words, 3, at);
        break;
      case 'o':
      case 'g':
        part = cutText(words.slice(1).join(' '), 80) || part;
        break;
      case 'usemtl':
        material = words.slice(1).join(' ');
        break;
      case 'mtllib': {
        const path = words.slice(1).join(' ');
        const file = companions.find(path);
        if (!file) missing.add(path.replace(/^.*[\\/]/, ''));
        else
          for (const [key, value] of readMtl(new TextDecoder().decode(file), companions, missing))
            materials.set(key, value);
        break;
      }
      case 'f': {
        if (words.length - 1 > 1000) wrong(at, 'a face has more than a thousand corners.');
        const corners = words.slice(1).map((word) => {
          const [v, t, n] = word.split('/');
          const position = indexOf(v, positions.length / 3, at);
          if (position === null) return wrong(at, 'a corner names no point.');
          return { position, uv: indexOf(t, uvs.length / 2, at), normal: indexOf(n, normals.length / 3, at) };
        });
        faces++;
        const points = corners.map((c): Vec3 => [
          positions[c.position * 3]!,
          positions[c.position * 3 + 1]!,
          positions[c.position * 3 + 2]!,
        ]);
        if (points.some((p) => !p.every((x) => Number.isFinite(x)))) {
          skipped++;
          break;
        }
        const order = triangulate(points);
        triangles += order.length / 3;
        if (triangles > MOST_TRIANGLES)
          refuse(
            'model.triangles',
            `${name} has more than ${MOST_TRIANGLES / 1e6} million triangles. Simplify it before you export it.`,
          );
        const mesh = meshOf();
        for (const k of order) {
          const corner = corners[k]!;
          mesh.positions.push(...points[k]!);
          if (corner.uv !== null) mesh.uvs.push(uvs[corner.uv * 2]!, 1 - uvs[corner.uv * 2 + 1]!);
          if (corner.normal !== null)
            mesh.normals.push(
              normals[corner.normal * 3]!,
              normals[corner.normal * 3 + 1]!,
              normals[corner.normal * 3 + 2]!,
            );
        }
        break;
      }
    }
  }
  if (faces === 0)
    refuse(
      'model.empty',
      `${name} has no faces: there is nothing to see. Export the surface, not only its points.`,
    );
  if (skipped === faces)
    refuse('model.empty', `${name} has no face whose points are numbers. Export it again.`);
  return {
    meshes: [...meshes.values()],
    materials,
    notes: [
      ...(skipped > 0 ? [`${skipped} faces with points that are no numbers were left out.`] : []),
      ...(missing.size > 0
        ? [
            `These files did not come along, so what they hold is missing: ${[...missing].slice(0, 6).join(', ')}. Drop them together with ${name}.`,
          ]
        : []),
    ],
  };
};
