import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import sharp from 'sharp';
import { IconiaError } from '../errors';
import { inspectPicture, MOST_BYTES } from './picture';
import { sniff } from './sniff';

const made = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#2a7' } });
const text = (s: string) => new TextEncoder().encode(s);
const refusal = (bytes: Uint8Array, name = 'kelp.png'): IconiaError => {
  try {
    inspectPicture(bytes, name);
  } catch (error) {
    return error as IconiaError;
  }
  throw new Error('It was taken in.');
};

describe('pictures are taken in', () => {
  test.each([
    ['png', made(31, 17).png()],
    ['jpeg', made(31, 17).jpeg()],
    ['jpeg', made(31, 17).jpeg({ progressive: true })],
    ['webp', made(31, 17).webp()],
    ['webp', made(31, 17).webp({ lossless: true })],
    [
      'webp',
      sharp({
        create: { width: 31, height: 17, channels: 4, background: { r: 1, g: 2, b: 3, alpha: 0.5 } },
      }).webp(),
    ],
  ])('%s with its size', async (format, picture) => {
    const facts = inspectPicture(new Uint8Array(await picture.toBuffer()), 'whatever.txt');
    expect(facts).toEqual({ format, mime: `image/${format}`, width: 31, height: 17 });
  });
});

describe('bad files are refused with a sentence', () => {
  test('a text file renamed .png', () => {
    const error = refusal(text('hello, I am a letter'));
    expect(error.code).toBe('picture.not-a-picture');
    expect(error.message).toContain('kelp.png');
  });
  test('nothing at all', () => expect(refusal(new Uint8Array()).code).toBe('picture.empty'));
  test('60 megapixels', async () => {
    const png = new Uint8Array(await made(10, 10).png().toBuffer());
    new DataView(png.buffer).setUint32(16, 10_000);
    new DataView(png.buffer).setUint32(20, 6_000);
    const error = refusal(png);
    expect(error.code).toBe('picture.too-large');
    expect(error.message).toContain('60 megapixels');
  });
  test.each(['png', 'jpeg', 'webp'] as const)('a %s cut off anywhere', async (format) => {
    const whole = new Uint8Array(await made(64, 64).toFormat(format).toBuffer());
    for (const share of [0.2, 0.5, 0.8, 0.97]) {
      const code = refusal(whole.slice(0, Math.floor(whole.length * share))).code;
      expect(['picture.cut-off', 'picture.broken']).toContain(code);
    }
  });
  test('an SVG with a script, in any disguise, and one without', () => {
    for (const svg of [
      '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>',
      '<?xml version="1.0"?>\n<!-- drawn by hand -->\n<svg onload="alert(1)"/>',
      '<!DOCTYPE svg><svg><a href="javascript:alert(1)"/></svg>',
    ])
      expect(refusal(text(svg)).code).toBe('picture.svg-script');
    expect(refusal(text('<svg xmlns="http://www.w3.org/2000/svg"/>')).code).toBe('picture.svg');
  });
  test('too many bytes', () => {
    const heavy = new Uint8Array(MOST_BYTES + 1);
    heavy.set([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
    expect(refusal(heavy).code).toBe('picture.too-heavy');
  });
  test('whatever bytes come, the answer is a picture or a sentence', () => {
    const heads = [
      [],
      [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
      [0xff, 0xd8, 0xff],
      [...text('RIFF')],
      [...text('GIF8')],
    ];
    fc.assert(
      fc.property(fc.constantFrom(...heads), fc.uint8Array({ maxLength: 400 }), (head, body) => {
        const bytes = Uint8Array.from([...head, ...body]);
        sniff(bytes);
        try {
          inspectPicture(bytes, 'x.png');
        } catch (error) {
          return error instanceof IconiaError && error.message.endsWith('.');
        }
        return true;
      }),
    );
  });
  test('damaged real files never do anything worse', async () => {
    const whole = new Uint8Array(await made(40, 40).jpeg().toBuffer());
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { maxLength: 6 }), (hits) => {
        const bytes = whole.slice();
        for (const [at, value] of hits) bytes[at] = value;
        try {
          inspectPicture(bytes, 'x.jpg');
        } catch (error) {
          return error instanceof IconiaError;
        }
        return true;
      }),
    );
  });
});
