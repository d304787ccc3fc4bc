import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import sharp from 'sharp';
import { IconiaError } from '../../errors';
import { MOST_PICTURE_BYTES } from '../limits';
import { sniff } from '../sniff';
import { apng, gif, plain, png } from '../testing';
import { decodePng } from './decode-png';
import { inspectPicture } from './picture';
import { readSvg, svgPixels } from './svg';

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
    expect(facts).toMatchObject({ format, width: 31, height: 17, frames: 1 });
  });
  test('with transparency and the number of frames', async () => {
    const see = (bytes: Uint8Array) => inspectPicture(bytes, 'x');
    const clear = { r: 1, g: 2, b: 3, alpha: 0.5 };
    const avif = await sharp({ create: { width: 64, height: 48, channels: 4, background: clear } })
      .avif()
      .toBuffer();
    expect(see(new Uint8Array(avif))).toMatchObject({ format: 'avif', width: 64, height: 48, alpha: true });
    const frames = [plain(5, 5, [1, 2, 3, 255]), plain(5, 5, [9, 2, 3, 255]), plain(5, 5, [9, 9, 3, 255])];
    expect(see(apng(frames, 50))).toMatchObject({ format: 'png', frames: 3, alpha: true });
    const indices = Array<number>(16).fill(1);
    expect(see(gif(4, 4, [{ indices }, { indices }]))).toMatchObject({ format: 'gif', frames: 2 });
    const strip = sharp({ create: { width: 6, height: 18, channels: 4, background: clear } });
    const raw = await strip.raw().toBuffer();
    const animated = await sharp(raw, { raw: { width: 6, height: 18, channels: 4, pageHeight: 6 } })
      .webp({ loop: 0, delay: [50, 50, 50] })
      .toBuffer();
    expect(see(new Uint8Array(animated))).toMatchObject({ format: 'webp', width: 6, height: 6 });
  });
  test.each([1, 2, 4, 8] as const)('a PNG of %i bits a colour is decoded', async (depth) => {
    const grey = Buffer.from([0, 255, 0, 255, 255, 255, 0, 0, 0, 255, 0, 255, 0, 0, 255, 255]);
    const bytes = await sharp(grey, { raw: { width: 8, height: 2, channels: 1 } })
      .png({ palette: true, colours: 2 ** Math.min(depth, 8) })
      .toBuffer();
    const wanted = await sharp(bytes).ensureAlpha().raw().toBuffer();
    expect([...decodePng(new Uint8Array(bytes), 'x.png').data]).toEqual([...wanted]);
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
  test('a PNG that unpacks to far more than its size says', () => {
    const bomb = png(plain(2000, 2000, [1, 2, 3, 255]));
    new DataView(bomb.buffer).setUint32(16, 4);
    new DataView(bomb.buffer).setUint32(20, 4);
    expect(() => decodePng(bomb, 'x.png')).toThrow(expect.objectContaining({ code: 'picture.bomb' }));
  });
  test('too many bytes', () => {
    const heavy = new Uint8Array(MOST_PICTURE_BYTES + 1);
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

describe('SVG drawings', () => {
  const svg = (inside: string, attributes = 'width="10" height="20"') =>
    text(`<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inside}</svg>`);
  test.each<[string, string, number, number]>([
    ['in pixels', 'width="10" height="20"', 10, 20],
    ['in millimetres', 'width="25.4mm" height="50.8mm"', 96, 192],
    ['by its viewBox', 'viewBox="0 0 300 100"', 300, 100],
    ['half and half', 'width="30" viewBox="0 0 300 100"', 30, 10],
    ['in per cent', 'width="100%" height="100%" viewBox="0 0 4 2"', 4, 2],
    ['without one', '', 300, 150],
  ])('have a size %s', (_what, attributes, width, height) => {
    const drawing = readSvg(svg('<path d="M0 0"/>', attributes), 'kelp.svg');
    expect(drawing.width).toBeCloseTo(width, 6);
    expect(drawing.height).toBeCloseTo(height, 6);
  });
  test('are kept large enough for a phone', () =>
    expect(svgPixels({ width: 10, height: 20 })).toEqual({ width: 512, height: 1024 }));
  test('may refer to themselves and carry pictures', () => {
    const own =
      '<defs><linearGradient id="g"/></defs><rect fill="url(#g)"/><use href="#g"/><image href="data:image/png;base64,AAAA"/><a href="https://example.invalid">x</a>';
    expect(readSvg(svg(own), 'kelp.svg')).toEqual({ width: 10, height: 20, hasText: false });
  });
  test('tell whether they have words', () => {
    expect(readSvg(svg('<g><text x="1" y="9">Tide</text></g>'), 'kelp.svg').hasText).toBe(true);
    expect(readSvg(svg('<title>text</title>'), 'kelp.svg').hasText).toBe(false);
  });
  test.each<[string, string, string]>([
    ['a script', '<script>alert(1)</script>', 'picture.svg-script'],
    [
      'a script in another namespace',
      '<x:script xmlns:x="http://www.w3.org/2000/svg">1</x:script>',
      'picture.svg-script',
    ],
    ['an event', '<g onload="alert(1)"/>', 'picture.svg-script'],
    // No XML parser reads entities in names, so no browser does.
    ['an event written in entities', '<g o&#110;load="alert(1)"/>', 'picture.broken'],
    ['an address that is a script', '<a href="java&#115;cript:alert(1)">x</a>', 'picture.svg-script'],
    ['a web page inside', '<foreignObject><b/></foreignObject>', 'picture.svg-script'],
    ['a picture from outside', '<image href="https://example.invalid/a.png"/>', 'picture.svg-outside'],
    ['a drawing from outside', '<use xlink:href="other.svg#a"/>', 'picture.svg-outside'],
    [
      'a style that fetches',
      '<style>@import url(https://example.invalid/a.css);</style>',
      'picture.svg-outside',
    ],
    [
      'a fill that fetches',
      '<rect style="fill: url(https://example.invalid/a.svg#b)"/>',
      'picture.svg-outside',
    ],
  ])('%s is refused', (_what, inside, code) => {
    expect(() => readSvg(svg(inside), 'kelp.svg')).toThrow(
      expect.objectContaining({ code, message: expect.stringContaining('kelp.svg') }),
    );
  });
  test('entities of their own are refused', () =>
    expect(() => readSvg(text('<!DOCTYPE svg [<!ENTITY a "aaaa">]><svg>&a;</svg>'), 'kelp.svg')).toThrow(
      expect.objectContaining({ code: 'picture.svg-entity' }),
    ));
  test('twelve levels of ten each are refused at once; the same parts used a few times are not', () => {
    const level = (n: number): string => `<g id="l${n}">${`<use href="#l${n - 1}"/>`.repeat(10)}</g>`;
    const bomb = `<defs><path id="l0" d="M0 0h1"/>${Array.from({ length: 12 }, (_, i) => level(i + 1)).join('')}</defs><use href="#l12"/>`;
    const began = performance.now();
    expect(() => readSvg(svg(bomb), 'kelp.svg')).toThrow(
      expect.objectContaining({ code: 'picture.svg-heavy' }),
    );
    expect(performance.now() - began).toBeLessThan(2000);
    const few = `<defs><path id="l0" d="M0 0h1"/>${level(1)}${level(2)}</defs><use href="#l2"/>`;
    expect(readSvg(svg(few), 'kelp.svg').width).toBe(10);
    // By patterns, masks and markers just as well; what uses itself is drawn by nobody.
    const ways = ['fill="url(#p)"', 'mask="url(#p)"', 'style="fill:url(\'#p\')"'];
    for (const way of ways) {
      const part = `<pattern id="p">${'<use href="#q"/>'.repeat(400)}</pattern><g id="q">${'<path/>'.repeat(400)}</g>`;
      expect(() => readSvg(svg(`${part}<rect ${way}/>`), 'kelp.svg')).toThrow(
        expect.objectContaining({ code: 'picture.svg-heavy' }),
      );
    }
    expect(readSvg(svg('<g id="a"><use href="#a"/></g>'), 'kelp.svg').width).toBe(10);
    expect(() => readSvg(svg('<filter><feTurbulence numOctaves="100000"/></filter>'), 'kelp.svg')).toThrow(
      expect.objectContaining({ code: 'picture.svg-heavy' }),
    );
  });
  test.each([
    ['addresses that never end', `<rect style="fill:${'url('.repeat(40_000)}"/>`],
    ['blanks in an address', `<rect style="fill:url(${' '.repeat(200_000)}#a)"/>`],
    ['escapes', `<style>${'\\75 '.repeat(60_000)}</style>`],
    ['an expression that does not come', `<style>${`expression${' '.repeat(50)}`.repeat(3000)}</style>`],
    ['attributes', `<g ${Array.from({ length: 20_000 }, (_, i) => `a${i}="url(#x"`).join(' ')}/>`],
    ['comments', '<!-- -->'.repeat(50_000)],
  ])('%s: read from left to right, once', (_what, inside) => {
    const began = performance.now();
    try {
      readSvg(svg(inside), 'kelp.svg');
    } catch (error) {
      expect((error as { code: string }).code).toMatch(/^picture\./);
    }
    expect(performance.now() - began).toBeLessThan(2500);
  });
  test('a document type that goes on and on, and a width of a hundred thousand digits', () => {
    const began = performance.now();
    for (const text_ of ['<!DOCTYPE '.repeat(40_000), `<svg width="${'9'.repeat(100_000)}" height="1"/>`])
      try {
        readSvg(text(text_), 'kelp.svg');
      } catch (error) {
        expect((error as { code: string }).code).toMatch(/^picture\./);
      }
    expect(performance.now() - began).toBeLessThan(2500);
  });
  test.each([
    ['an address written in escapes', '<rect style="fill: u\\72l(https://example.invalid/a)"/>'],
    ['a set of pictures', '<rect style="fill: image-set(\'a.png\' 1x)"/>'],
    ['a style sheet in a style sheet', '<style>@im\\70ort "a.css";</style>'],
  ])('%s reaches out', (_what, inside) => {
    expect(() => readSvg(svg(inside), 'kelp.svg')).toThrow(
      expect.objectContaining({ code: 'picture.svg-outside' }),
    );
  });
  test('what is no drawing, or nested without end', () => {
    expect(() => readSvg(text('<html/>'), 'kelp.svg')).toThrow(
      expect.objectContaining({ code: 'picture.broken' }),
    );
    expect(() => readSvg(svg('<g>'.repeat(500) + '</g>'.repeat(500)), 'kelp.svg')).toThrow(
      expect.objectContaining({ name: 'IconiaError' }),
    );
  });
});
