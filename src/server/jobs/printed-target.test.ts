/** What a printed picture is found by is made from its file as a viewer's device would see it. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { Random } from '../../core/maths/random';
import { Frame } from '../../core/vision/frame-features';
import { Grey, pyramidOf } from '../../core/vision/grey';
import { PictureTracker } from '../../core/vision/picture-tracker';
import { cameraOf } from '../../core/vision/plane-pose';
import { randomPose, simulateFrame } from '../../core/vision/simulated-frame';
import { readTarget } from '../../core/vision/target-file';
import { testPoster } from '../../core/vision/testing';
import { targetOf } from './printed-target';

const poster = testPoster(11);
const raw = { width: poster.width, height: poster.height, channels: 1 as const };
const drawn = () => sharp(poster.data, { raw });
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'printed-'));
});
afterAll(() => rm(folder, { recursive: true }));
const kept = async (name: string, bytes: Uint8Array): Promise<string> => {
  const path = join(folder, name);
  await writeFile(path, bytes);
  return path;
};
/** Whether a camera finds the poster by it, straight before it. */
const finds = (made: Uint8Array): boolean => {
  const camera = cameraOf(320, 240, 44);
  const frame = new Frame(camera.width, camera.height);
  const random = new Random(4);
  frame.load(simulateFrame(pyramidOf(poster), camera, randomPose(camera, 0.5, 0.3, random), {}, random));
  return new PictureTracker(readTarget(made, poster), camera).find(frame, frame.features()) !== null;
};

test('a camera finds the picture by it', async () => {
  expect(finds(await targetOf(await kept('plain.png', await drawn().png().toBuffer()), 'Card'))).toBe(true);
});
test('a picture that lies on its side in the file is found upright', async () => {
  const turned = await drawn().rotate(270).jpeg({ quality: 95 }).withMetadata({ orientation: 6 }).toBuffer();
  expect(finds(await targetOf(await kept('turned.jpg', turned), 'Card'))).toBe(true);
});
test('what is clear is white paper', async () => {
  const shape = { width: 60, height: 40 };
  const clear = sharp({ create: { ...shape, channels: 4, background: '#00000000' } });
  const made = await targetOf(await kept('clear.png', await clear.png().toBuffer()), 'Card');
  const white = new Grey(60, 40);
  white.data.fill(255);
  expect(readTarget(made, white).described.count).toBe(0);
});
test('a file that is no picture is named', async () => {
  await expect(targetOf(await kept('none.png', Buffer.from('none')), 'Tide card')).rejects.toMatchObject({
    code: 'target.picture',
    message: expect.stringContaining('Tide card'),
  });
});
