/** The face in its UV layout: a template to paint on, make-up masks for every region, the neutral head. */
import type { Document } from '@gltf-transform/core';
import { Random } from '../../src/core/maths/random';
import {
  faceRegion,
  FACE_REGIONS,
  outlinePath,
  regionCentre,
  type FaceRegion,
} from '../../src/core/face/regions';
import { regionMask } from '../../src/core/face/region-mask';
import { SHELL_TRIANGLES, shellPositions, shellUv } from '../../src/core/face/head-shell';
import { NEUTRAL_FACE, OPEN_TRIANGLES, UV } from '../../src/core/face/neutral';
import { cornerNormals } from '../../src/core/assets/models/normals';
import { REGION_WORDS } from '../../src/atelier/face-words';
import { Maker } from './mesh';

/** The stock's masks: every region but the whole layout, which needs none. */
export const MASKED = FACE_REGIONS.filter((name) => name !== 'face' && name !== 'teeth');

export const REGION_LABELS: Record<FaceRegion, string> = { ...REGION_WORDS, skin: 'Whole face' };

/** A mask as the application makes it: white where the region is, transparent elsewhere, with its usual soft edge. */
export const maskRaster = (name: FaceRegion, size: number): Uint8Array => {
  const rgba = new Uint8Array(4 * size * size).fill(255);
  regionMask(name, size).forEach((alpha, i) => (rgba[4 * i + 3] = alpha));
  return rgba;
};

/** Freckles and glitter are dots strewn over regions. */
export const dotsSvg = (kind: 'freckles' | 'glitter', size: number): string => {
  const random = new Random(kind === 'freckles' ? 5 : 17);
  const over: readonly FaceRegion[] = kind === 'freckles' ? ['cheeks', 'nose'] : ['lids', 'cheekbones'];
  const clip = over
    .flatMap((name) => faceRegion(name).outlines.map((line) => outlinePath(line, size)))
    .join('');
  const dots = Array.from({ length: kind === 'freckles' ? 420 : 1600 }, () => {
    const [x, y] = [random.next() * size, random.next() * size];
    const r =
      size *
      (kind === 'freckles' ? 0.0012 + random.next() ** 2 * 0.003 : 0.0007 + random.next() ** 3 * 0.0026);
    return `<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="${r.toFixed(2)}" opacity="${(0.35 + 0.65 * random.next()).toFixed(2)}"/>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${size}" height="${size}" viewBox="0 0 ${size} ${size}"><defs><clipPath id="c"><path d="${clip}"/></clipPath></defs><g clip-path="url(#c)" fill="#fff">${dots.join('')}</g></svg>`;
};

/** The template: the net of the face, every region outlined and named. */
export const templateSvg = (size: number): string => {
  const p = (i: number) => `${(UV[2 * i]! * size).toFixed(1)} ${(UV[2 * i + 1]! * size).toFixed(1)}`;
  let net = '';
  for (let t = 0; t < OPEN_TRIANGLES.length; t += 3)
    net += `M${p(OPEN_TRIANGLES[t]!)}L${p(OPEN_TRIANGLES[t + 1]!)}L${p(OPEN_TRIANGLES[t + 2]!)}Z`;
  const regions = MASKED.filter((name) => name !== 'skin');
  const groups = regions.map((name, i) => {
    const region = faceRegion(name);
    const path = [...region.outlines, ...region.holes].map((line) => outlinePath(line, size)).join('');
    const [u, v] = regionCentre(name);
    // Names stand beside the face, with a line to where they belong.
    const right = i % 2 === 0;
    const [x, y] = [
      right ? size * 0.985 : size * 0.015,
      size * (0.05 + (Math.floor(i / 2) * 0.9) / Math.ceil(regions.length / 2)),
    ];
    const target = right ? 1 - u : u;
    const to = region.outlines.length === 2 ? (right ? Math.max(u, 1 - u) : Math.min(u, 1 - u)) : target;
    return `<g id="${name}"><path d="${path}" fill="#0f6b62" fill-opacity="0.10" fill-rule="evenodd" stroke="#0f6b62" stroke-width="${size / 900}"/><path d="M${x} ${y}L${(to * size).toFixed(1)} ${(v * size).toFixed(1)}" stroke="#1d2327" stroke-width="${size / 1800}" opacity="0.55" fill="none"/><text x="${x}" y="${y - size * 0.004}" text-anchor="${right ? 'end' : 'start'}" font-family="sans-serif" font-size="${size * 0.0145}" fill="#1d2327" stroke="#fff" stroke-width="${size * 0.004}" paint-order="stroke">${REGION_LABELS[name]}</text></g>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${size}" height="${size}" viewBox="0 0 ${size} ${size}"><g id="net"><path d="${net}" fill="none" stroke="#8a8478" stroke-width="${size / 2400}" opacity="0.7"/></g>${groups.join('')}</svg>`;
};

/** The neutral head with the layout's UVs: to paint on in three dimensions. */
export const neutralHead = (): Document => {
  const m = new Maker();
  const positions = Float32Array.from(shellPositions(NEUTRAL_FACE));
  const corner = cornerNormals(positions, SHELL_TRIANGLES, 180);
  const normals = new Float32Array(positions.length);
  SHELL_TRIANGLES.forEach((point, i) => normals.set(corner.subarray(i * 3, i * 3 + 3), point * 3));
  m.part(
    'Neutral head',
    { positions: [...positions], normals: [...normals], uvs: shellUv(), indices: [...SHELL_TRIANGLES] },
    m.material('Clay', [0.86, 0.82, 0.76], { roughness: 0.7 }),
  );
  return m.document;
};
