/** What trackers are said to weigh is what is served of them. */
import { expect, test } from '@jest/globals';
import { statSync } from 'node:fs';
import { blankEffect } from '../document/defaults';
import type { Effect, ObjectId } from '../document/schema';
import { handAnchor, headAnchor } from '../kinds/objects/placed';
import { newSolid } from '../kinds/objects/solid';
import { requirementsOf } from './requirements';
import { TRACKER_COSTS, trackersOf } from './tracker-costs';

const weighs = (folder: string, ...files: string[]): number =>
  files.reduce((sum, file) => sum + statSync(`node_modules/@mediapipe/${folder}/${file}`).size, 0);
const off = (said: number, is: number): number => Math.abs(said - is) / is;

test('within two per cent', () => {
  const faces = weighs(
    'face_mesh',
    'face_mesh.js',
    'face_mesh.binarypb',
    'face_mesh_solution_packed_assets.data',
    'face_mesh_solution_packed_assets_loader.js',
    'face_mesh_solution_simd_wasm_bin.js',
    'face_mesh_solution_simd_wasm_bin.wasm',
  );
  const hands = weighs(
    'hands',
    'hands.js',
    'hands.binarypb',
    'hand_landmark_lite.tflite',
    'hands_solution_packed_assets.data',
    'hands_solution_packed_assets_loader.js',
    'hands_solution_simd_wasm_bin.js',
    'hands_solution_simd_wasm_bin.wasm',
  );
  const people = weighs(
    'selfie_segmentation',
    'selfie_segmentation.js',
    'selfie_segmentation.binarypb',
    'selfie_segmentation.tflite',
    'selfie_segmentation_solution_simd_wasm_bin.js',
    'selfie_segmentation_solution_simd_wasm_bin.wasm',
  );
  expect(off(TRACKER_COSTS.faces.bytes, faces)).toBeLessThan(0.02);
  expect(off(TRACKER_COSTS.hands.bytes, hands)).toBeLessThan(0.02);
  expect(off(TRACKER_COSTS.people.bytes, people)).toBeLessThan(0.02);
});
test('only those that an effect needs', () => {
  const on = (...anchors: Parameters<typeof newSolid>[3][]): Effect => ({
    ...blankEffect('Costs'),
    objects: Object.fromEntries(
      anchors.map((anchor, i) => {
        const id = `obj_bead${i}` as ObjectId;
        return [id, newSolid(id, 'sphere', i, anchor)];
      }),
    ),
  });
  expect(trackersOf(requirementsOf(on()))).toEqual([]);
  expect(trackersOf(requirementsOf(on({ kind: 'world', surface: 'floor' })))).toEqual([]);
  expect(trackersOf(requirementsOf(on(handAnchor('palm'), headAnchor('chin'))))).toEqual(['faces', 'hands']);
});
