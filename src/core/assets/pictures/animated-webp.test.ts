import { expect, test } from '@jest/globals';
import sharp from 'sharp';
import { inspectPicture } from './picture';
import { animatedWebp } from './animated-webp';

const still = async (colour: string, lossless = false): Promise<Uint8Array> =>
  new Uint8Array(
    await sharp({ create: { width: 24, height: 40, channels: 3, background: colour } })
      .webp({ lossless })
      .toBuffer(),
  );

test('another reader finds every frame, its size, how long it is shown, and that it plays for ever', async () => {
  const colours = ['#ff0000', '#00ff00', '#0000ff'];
  const frames = await Promise.all(
    colours.map(async (colour, i) => ({ webp: await still(colour, i === 1), milliseconds: 40 + 30 * i })),
  );
  const made = animatedWebp(frames, 24, 40);
  expect(inspectPicture(made, 'loop')).toMatchObject({ format: 'webp', width: 24, height: 40 });
  const meta = await sharp(Buffer.from(made), { animated: true }).metadata();
  expect([meta.pages, meta.width, meta.pageHeight, meta.loop, meta.delay]).toEqual([
    3,
    24,
    40,
    0,
    [40, 70, 100],
  ]);
  const { data, info } = await sharp(Buffer.from(made), { animated: true })
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  colours.forEach((colour, i) => {
    const at = (i * 40 + 20) * info.width * 3 + 36;
    const want = [1, 3, 5].map((n) => parseInt(colour.slice(n, n + 2), 16));
    want.forEach((level, k) => expect(Math.abs(data[at + k]! - level)).toBeLessThan(12));
  });
});

test('a frame may have a header, a profile and transparency of its own, as browsers write them', async () => {
  const seenThrough = await sharp({
    create: { width: 24, height: 40, channels: 4, background: { r: 255, g: 0, b: 0, alpha: 0.5 } },
  })
    .withMetadata({ icc: 'srgb' })
    .webp()
    .toBuffer();
  const names = seenThrough.toString('latin1');
  expect(['VP8X', 'ICCP', 'ALPH'].every((name) => names.includes(name))).toBe(true);
  const frame = { webp: new Uint8Array(seenThrough), milliseconds: 50 };
  const made = Buffer.from(animatedWebp([frame, frame], 24, 40));
  expect(made.toString('latin1')).not.toContain('ICCP');
  const { data } = await sharp(made, { page: 1 }).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  expect(Math.abs(data[0]! - 255)).toBeLessThan(12);
  expect(Math.abs(data[3]! - 128)).toBeLessThan(4);
});

test('what is no WebP is refused with a sentence', async () => {
  expect(() => animatedWebp([{ webp: new Uint8Array(40), milliseconds: 40 }], 2, 2)).toThrow(/is no WebP/);
  const cut = (await still('#ff0000')).subarray(0, 20);
  expect(() => animatedWebp([{ webp: cut, milliseconds: 40 }], 2, 2)).not.toThrow(RangeError);
});
