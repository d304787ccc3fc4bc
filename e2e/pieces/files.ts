/** What the pieces are made of: drawings, frames, maps and models of the sample world. */
import { readFileSync } from 'node:fs';
import { lantern } from '../../src/core/assets/models/testing';
import { writeGlb } from '../../src/core/assets/models/open-model';
import { framesZip, svgPng, texturedGlb, wav, type MadeFile } from '../harness/files';
import { tableOf } from '../../src/core/assets/colour/table';
import { faceObj } from '../../src/core/assets/models/face-obj';
import { FACE_LANDMARKS } from '../../src/core/face/landmarks';
import { NEUTRAL_FACE } from '../../src/core/face/neutral';
import { pointAt } from '../../src/core/maths/vec3';
import { writeCube } from '../../src/core/assets/colour/cube';

const drawing = async (name: string, inside: string): Promise<MadeFile> => ({
  name,
  bytes: await svgPng(
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100" width="400" height="400">${inside}</svg>`,
  ),
});
const stock = (path: string): MadeFile => ({
  name: path.replace(/^.*\//, ''),
  bytes: new Uint8Array(readFileSync(`stock/${path}`)),
});

/** Scales over the face layout: rows of arcs, every second row shifted by half a scale. */
const scaleRows = (one: (x: number, y: number) => string): string => {
  const arcs: string[] = [];
  for (let y = 0; y < 25; y++)
    for (let x = -1; x < 26; x++) arcs.push(one(4 * x + (y % 2 === 0 ? 0 : 2), 4 * y));
  return arcs.join('');
};
/** The face as it was sculpted outside: broader brows and a keel along the nose. */
const scaledFace = (): string => {
  const moves = new Float32Array(3 * FACE_LANDMARKS);
  for (let i = 0; i < FACE_LANDMARKS; i++) {
    const [x, y] = pointAt(NEUTRAL_FACE, i);
    const keel = Math.exp(-((x / 0.008) ** 2)) * Math.min(1, Math.max(0, (y + 0.03) / 0.03));
    moves[3 * i + 2] = 0.008 * keel;
  }
  return faceObj(moves);
};

export const pieceFiles = async (): Promise<MadeFile[]> => [
  stock('creatures/shell-with-pearl.glb'),
  stock('creatures/crab.glb'),
  stock('creatures/jellyfish.glb'),
  wav('lap.wav'),
  wav('bell.wav', 1),
  ...(await Promise.all(
    [1, 2, 3].map((i) =>
      drawing(`cap-${i}.png`, `<path d="M10 70a40 40 0 0 1 80 0z" fill="hsl(${i * 60},60%,45%)"/>`),
    ),
  )),
  { name: 'lighthouse.glb', bytes: await writeGlb(lantern()) },
  await texturedGlb('buoy.glb', 1, 64),
  await drawing(
    'buoy_BaseColor.png',
    '<rect width="100" height="100" fill="#c4422f"/><rect y="40" width="100" height="20" fill="#f3ead9"/>',
  ),
  await drawing('buoy_normal.png', '<rect width="100" height="100" fill="#8080ff"/>'),
  await drawing('buoy_roughness.png', '<rect width="100" height="100" fill="#777777"/>'),
  await drawing(
    'tide-card.png',
    '<rect width="100" height="100" fill="#e9dcc0"/><path d="M5 60q15-20 30 0t30 0 30 0" stroke="#0f6b62" fill="none" stroke-width="4"/><circle cx="70" cy="25" r="12" fill="#d99a2b"/><path d="M10 85h30M15 92h50" stroke="#333"/>',
  ),
  framesZip('bubbles.zip', 8),
  await drawing('wave.png', '<path d="M2 60q16-40 32 0t32 0 32 0v38H2z" fill="#12808c"/>'),
  await drawing(
    'deep.png',
    '<rect width="100" height="100" fill="#052b3a"/><circle cx="30" cy="30" r="20" fill="#0b4f63"/>',
  ),
  {
    name: 'deep.cube',
    bytes: writeCube(tableOf('Deep', 5, ([r, g, b]) => [r * 0.6, g * 0.85, Math.min(1, b * 1.15)])),
  },
  await drawing(
    'badge-ring.png',
    '<circle cx="50" cy="50" r="44" fill="none" stroke="#0f6b62" stroke-width="8" stroke-dasharray="20 6"/>',
  ),
  await drawing(
    'badge-wave.png',
    '<path d="M15 55q12-16 24 0t24 0 24 0" stroke="#d99a2b" fill="none" stroke-width="7"/>',
  ),
  { name: 'scales.obj', bytes: new TextEncoder().encode(scaledFace()) },
  await drawing(
    'scales_BaseColor.png',
    `<rect width="100" height="100" fill="#2f7f78"/>${scaleRows((x, y) => `<path d="M${x} ${y}a2 3 0 0 0 4 0" fill="#3f9a8e" stroke="#14443f" stroke-width=".4"/>`)}`,
  ),
  await drawing(
    'scales_normal.png',
    `<rect width="100" height="100" fill="#8080ff"/>${scaleRows((x, y) => `<path d="M${x} ${y}a2 3 0 0 0 4 0" fill="#80a0f0"/><path d="M${x} ${y}a2 3 0 0 0 4 0" fill="none" stroke="#8050e0" stroke-width=".5"/>`)}`,
  ),
  await drawing('scales_ORM.png', '<rect width="100" height="100" fill="#ff5a40"/>'),
  await drawing(
    'painted-fish.png',
    '<ellipse cx="50" cy="52" rx="46" ry="40" fill="#e2711d"/><path d="M50 12l18-10-4 14zM50 92l16 8-6-12z" fill="#b8541a"/><path d="M20 30q30-18 60 0" stroke="#f6c28b" stroke-width="3" fill="none"/>',
  ),
  await drawing(
    'sea-star.png',
    '<path d="M50 6l12 28 30 4-22 20 6 32-26-16-26 16 6-32L8 38l30-4z" fill="#d9705f"/>',
  ),
  await drawing(
    'little-crab.png',
    '<ellipse cx="50" cy="58" rx="30" ry="20" fill="#b23a32"/><circle cx="22" cy="34" r="12" fill="#b23a32"/><circle cx="78" cy="34" r="12" fill="#b23a32"/>',
  ),
  await drawing(
    'badge-star.png',
    '<path d="M50 20l7 18h19l-15 11 6 18-17-11-17 11 6-18-15-11h19z" fill="#b23a32"/>',
  ),
];
