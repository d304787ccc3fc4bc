// Reads the neutral face (468 points, UV, triangles, pose-fit weights) out of the face tracker's own data
// file and writes src/core/face/topology.data.ts. Run again only when the tracker's version changes.
import { readFileSync, writeFileSync } from 'node:fs';

const root = new URL('..', import.meta.url);
const from = new URL('node_modules/@mediapipe/face_mesh/', root);
const loader = readFileSync(new URL('face_mesh_solution_packed_assets_loader.js', from), 'utf8');
const packed = readFileSync(new URL('face_mesh_solution_packed_assets.data', from));
const place = loader.match(/geometry_pipeline_metadata_landmarks\.binarypb", "start": (\d+), "end": (\d+)/);
if (!place)
  throw new Error('The tracker package no longer holds geometry_pipeline_metadata_landmarks.binarypb.');

/** Protocol Buffers, just enough of the wire format: varints, 32 and 64 bit numbers, byte runs. */
function varint(bytes, at) {
  let value = 0;
  let shift = 0;
  let byte;
  do {
    byte = bytes[at++];
    value += (byte & 127) * 2 ** shift;
    shift += 7;
  } while (byte & 128);
  return [value, at];
}
function fields(bytes) {
  const found = [];
  let at = 0;
  while (at < bytes.length) {
    let tag, value;
    [tag, at] = varint(bytes, at);
    const wire = tag & 7;
    if (wire === 0) [value, at] = varint(bytes, at);
    else if (wire === 1) {
      value = bytes.readDoubleLE(at);
      at += 8;
    } else if (wire === 5) {
      value = bytes.readFloatLE(at);
      at += 4;
    } else if (wire === 2) {
      let length;
      [length, at] = varint(bytes, at);
      value = bytes.subarray(at, at + length);
      at += length;
    } else throw new Error(`Unexpected wire type ${wire}`);
    found.push({ field: tag >>> 3, wire, value });
  }
  return found;
}

const metadata = fields(packed.subarray(Number(place[1]), Number(place[2])));
const weights = [];
let mesh = [];
for (const { wire, value } of metadata) {
  if (wire !== 2) continue;
  if (value.length > 1000) mesh = fields(value);
  else {
    const entry = fields(value);
    weights.push([
      entry.find((x) => x.field === 1)?.value ?? 0,
      entry.find((x) => x.field === 2)?.value ?? 0,
    ]);
  }
}
const vertices = [];
const triangles = [];
for (const { field, wire, value } of mesh) {
  if (wire === 5) vertices.push(value);
  else if (wire === 0 && field > 2) triangles.push(value);
  else if (wire === 2 && field === 3)
    for (let i = 0; i < value.length; i += 4) vertices.push(value.readFloatLE(i));
  else if (wire === 2 && field === 4) {
    let at = 0;
    let index;
    while (at < value.length) {
      [index, at] = varint(value, at);
      triangles.push(index);
    }
  }
}
if (vertices.length !== 468 * 5 || triangles.length !== 898 * 3) throw new Error('Unexpected mesh size.');
const positions = [];
const uv = [];
for (let i = 0; i < vertices.length; i += 5) {
  // centimetres to metres
  positions.push(...vertices.slice(i, i + 3).map((cm) => +(cm / 100).toFixed(7)));
  uv.push(...vertices.slice(i + 3, i + 5).map((x) => +x.toFixed(5)));
}
const lines = (name, doc, list) => {
  const rows = [];
  for (let i = 0; i < list.length; i += 24) rows.push('  ' + list.slice(i, i + 24).join(',') + ',');
  return `/** ${doc} */\nexport const ${name}: readonly number[] = [\n${rows.join('\n')}\n];\n`;
};
writeFileSync(
  new URL('src/core/face/topology.data.ts', root),
  `// Made by scripts/extract-face-topology.mjs from the face tracker's data file (Apache-2.0, see NOTICE).\n` +
    lines('NEUTRAL_POSITIONS', '468 x (x, y, z) in metres, +Y up, +Z out of the face.', positions) +
    lines('FACE_UV', '468 x (u, v); v runs down.', uv) +
    lines('FACE_TRIANGLES', '898 triangles, counter-clockwise seen from outside.', triangles) +
    lines(
      'POSE_WEIGHTS',
      '33 x (landmark, weight): the points least moved by expressions.',
      weights.flat().map((x) => +x.toFixed(6)),
    ),
);
console.log(`468 points, ${triangles.length / 3} triangles, ${weights.length} weighted points.`);
