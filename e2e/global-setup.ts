/** Before all interface tests: one clip for the fake camera. */
import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { CLIP_FILE } from '../playwright.config';
import { writeClip } from './harness/clip';

export default async function setUp(): Promise<void> {
  mkdirSync(dirname(CLIP_FILE), { recursive: true });
  await writeClip(CLIP_FILE);
}
