/** What several interface tests do on the pages. */
import { expect, type Locator, type Page } from '@playwright/test';
import sharp from 'sharp';
import { blankEffect, newPicture } from '../../src/core/document/defaults';
import type { AssetId, Effect, FileRef, PictureAsset } from '../../src/core/document/schema';
import { plainPng } from './plain-png';
import type { Atelier } from './window';

export { plainPng };

/** Makes an effect on the server and gives its id. */
export const createEffect = async (
  page: Page,
  name: string,
  effect: Effect = blankEffect(name),
): Promise<string> => {
  const response = await page.request.post('/api/effects', { data: { ...effect, name } });
  expect(response.status(), await response.text()).toBe(201);
  return ((await response.json()) as { id: string }).id;
};

/** Releases an effect and gives the path of its show page. */
export const releasedPath = async (page: Page, effect: Effect): Promise<string> => {
  const id = await createEffect(page, effect.name, effect);
  const response = await page.request.post(`/api/effects/${id}/releases`, { data: { revision: 1 } });
  expect(response.status(), await response.text()).toBe(201);
  return `/show/${((await response.json()) as { slug: string }).slug}`;
};

/** The document as the server has it on disk. */
export const serverEffect = async (page: Page, id: string): Promise<Effect> =>
  ((await (await page.request.get(`/api/effects/${id}`)).json()) as { document: Effect }).document;

/** Puts something into the browser's storage, as if it had been kept there before. */
export const keepInBrowser = async (page: Page, key: string, value: string): Promise<void> => {
  // A page that has been nowhere yet has no storage.
  if (page.url() === 'about:blank') await page.goto('/healthz');
  await page.evaluate(([k, v]) => localStorage.setItem(k!, v!), [key, value]);
};

/** Waits until the autosave has been acknowledged. */
export const savedByItself = (page: Page): Promise<void> => expect(page.getByText('all saved')).toBeVisible();
/** The same, without the pause in the work that an autosave waits for. */
export const saved = async (page: Page): Promise<void> => {
  await page.evaluate(() => {
    const app = document.querySelector<Atelier>('#app')?.__vue_app__;
    const store = app?.config.globalProperties.$pinia._s.get('effect') as unknown as
      | { flush(): Promise<unknown> }
      | undefined;
    // What goes wrong is said in the bar.
    store?.flush().catch(() => undefined);
  });
  await savedByItself(page);
};

/** Scrubs the take strip to a time. */
export const seek = async (page: Page, seconds: number): Promise<void> => {
  const track = page.getByRole('slider', { name: 'Time in the take' });
  const box = (await track.boundingBox())!;
  await page.mouse.click(box.x + (seconds / 12) * box.width, box.y + 20);
};

/** Scrubs to a share of the take, whatever its length. */
export const seekShare = async (page: Page, share: number): Promise<void> => {
  const box = (await page.getByRole('slider', { name: 'Time in the take' }).boundingBox())!;
  await page.mouse.click(box.x + share * box.width, box.y + 20);
};

/** Waits until the Viewfinder shows all that is wanted of it: the canvas names what is not there yet. */
export const drawnOut = (page: Page): Promise<void> =>
  expect(page.locator('.finder canvas')).toHaveAttribute('data-wants', '', { timeout: 60_000 });

/** An asset in the library, by its name. */
export const tileOf = (page: Page, name: string): Locator =>
  page.locator('.tile').filter({ has: page.getByText(name, { exact: true }) });

/** Keeps a file on the server and gives what a document says about it. */
export const keptFile = async (page: Page, name: string, bytes: Buffer): Promise<FileRef> => {
  const response = await page.request.post(`/api/files?name=${encodeURIComponent(name)}`, {
    data: bytes,
    headers: { 'Content-Type': 'application/octet-stream' },
  });
  expect(response.status()).toBe(201);
  return (await response.json()) as FileRef;
};

/** A picture in one colour, kept on the server, as an asset `asset_<name>`. */
export const keptPicture = async (
  page: Page,
  name: string,
  colour: string,
  width = 200,
  height = 120,
): Promise<PictureAsset> => {
  const file = await keptFile(page, `${name}.png`, await plainPng(colour, width, height));
  return newPicture(`asset_${name}` as AssetId, `${name}.png`, file, width, height);
};

/** Some of an element's pixels, as it is seen: how many, where their middle is, and how far they reach, 0 to 1. */
export interface Blob {
  readonly share: number;
  readonly x: number;
  readonly y: number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

export interface Seen {
  /** Three bytes a pixel. */
  readonly data: Uint8Array;
  readonly width: number;
  readonly height: number;
}

/** An element as it is seen. A canvas is read within the page, anything else from a screenshot. */
export const lookAt = async (element: Locator): Promise<Seen> => {
  const read = await element.evaluate((node) => {
    if (!(node instanceof HTMLCanvasElement)) return null;
    const [width, height] = [node.clientWidth, node.clientHeight];
    const small = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
    small.drawImage(node, 0, 0, width, height);
    const { data } = small.getImageData(0, 0, width, height);
    let text = '';
    for (let i = 0; i < data.length; i += 8192) text += String.fromCharCode(...data.subarray(i, i + 8192));
    return { rgba: btoa(text), width, height };
  });
  if (read) {
    const { rgba, width, height } = read;
    const all = Buffer.from(rgba, 'base64');
    const data = Buffer.alloc(3 * width * height);
    for (let from = 0, to = 0; from < all.length; from += 4, to += 3) all.copy(data, to, from, from + 3);
    return { data, width, height };
  }
  const { data, info } = await sharp(await element.screenshot())
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
};

export type Rgb = readonly [number, number, number];

/** The mean of a square of pixels around a point, in levels. */
export const meanAround = ({ data, width, height }: Seen, x: number, y: number, size: number): Rgb => {
  const half = Math.round((size * height) / 2);
  const sum = [0, 0, 0];
  let count = 0;
  for (let row = Math.round(y * height) - half; row < Math.round(y * height) + half; row++)
    for (let column = Math.round(x * width) - half; column < Math.round(x * width) + half; column++) {
      for (let c = 0; c < 3; c++) sum[c]! += data[3 * (row * width + column) + c]!;
      count++;
    }
  return sum.map((one) => one / count) as unknown as Rgb;
};
/** How far two colours are apart where they are so most, in levels. */
export const furthest = (a: Rgb, b: Rgb): number => Math.max(...a.map((one, i) => Math.abs(one - b[i]!)));

/** The pixels of a picture that answer a question; `i` is the index of their first byte. */
export const blobOf = (
  { data, width, height }: Seen,
  asked: (r: number, g: number, b: number, i: number) => boolean,
): Blob => {
  let [hits, x, y] = [0, 0, 0];
  let [left, right, top, bottom] = [1, 0, 1, 0];
  for (let i = 0; i < width * height; i++)
    if (asked(data[3 * i]!, data[3 * i + 1]!, data[3 * i + 2]!, 3 * i)) {
      const [u, v] = [(i % width) / width, Math.floor(i / width) / height];
      hits++;
      x += u;
      y += v;
      [left, right, top, bottom] = [
        Math.min(left, u),
        Math.max(right, u),
        Math.min(top, v),
        Math.max(bottom, v),
      ];
    }
  return { share: hits / (width * height), x: x / hits, y: y / hits, left, right, top, bottom };
};

export const pixelsWhere = async (
  element: Locator,
  asked: (r: number, g: number, b: number) => boolean,
): Promise<Blob> => blobOf(await lookAt(element), asked);

/** Share of an element's pixels, as it is seen, that are near a colour. */
export const shareOf = async (
  element: Locator,
  [r, g, b]: readonly [number, number, number],
  near = 40,
): Promise<number> =>
  (
    await pixelsWhere(
      element,
      (r2, g2, b2) => Math.abs(r2 - r) < near && Math.abs(g2 - g) < near && Math.abs(b2 - b) < near,
    )
  ).share;

/**
 * Keeps in `window.clipStamp` which moment of the clip was tracked last, from 1: reads the squares at the lower edge of each
 * picture when the page takes it over together with its track frame. Call before the page is opened.
 */
export const watchStamps = async (page: Page, { mirrored = true } = {}): Promise<void> => {
  await page.addInitScript((isMirrored) => {
    const draw = CanvasRenderingContext2D.prototype.drawImage as (...args: unknown[]) => void;
    const watched = function (this: CanvasRenderingContext2D, ...args: unknown[]): void {
      draw.apply(this, args);
      const [source] = args;
      const { width, height } = this.canvas;
      if (!(source instanceof HTMLCanvasElement) || width !== 640 || height !== 480) return;
      let stamp = 0;
      // Where the page mirrors the picture, bit 0 stands at the right.
      for (let bit = 0; bit < 8; bit++) {
        const x = 8 + 16 * bit;
        if (this.getImageData(isMirrored ? width - x : x, height - 8, 1, 1).data[0]! > 127) stamp |= 1 << bit;
      }
      (window as unknown as { clipStamp: number }).clipStamp = stamp;
    };
    CanvasRenderingContext2D.prototype.drawImage =
      watched as typeof CanvasRenderingContext2D.prototype.drawImage;
  }, mirrored);
};
/** What one drawn frame showed. */
export interface SeenFrame {
  /** Share of the picture's pixels near the colour. */
  readonly share: number;
  /** Their middle, 0 to 1; meaningless where there are none. */
  readonly x: number;
  readonly y: number;
  /** The clip's moment that was tracked last; 0 without a clip. */
  readonly stamp: number;
}

/**
 * Looks at every frame a page draws into a canvas, from within the page: a screenshot now and then would miss
 * what is there for a second only. Call when the canvas is on screen; ask for what was seen with `seenFrames`.
 */
export const watchFrames = (page: Page, selector: string, colour: readonly number[]): Promise<void> =>
  page.evaluate(
    ([selector, colour]) => {
      const [width, height] = [90, 160];
      const small = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
      const seen: SeenFrame[] = [];
      const store = window as unknown as { seenFrames: SeenFrame[]; clipStamp?: number };
      store.seenFrames = seen;
      const look = (): void => {
        // The page's own drawing was asked for before this, so the picture is still in the drawing buffer.
        small.drawImage(document.querySelector<HTMLCanvasElement>(selector)!, 0, 0, width, height);
        const { data } = small.getImageData(0, 0, width, height);
        let [hits, x, y] = [0, 0, 0];
        for (let i = 0; i < data.length; i += 4) {
          if (!colour.every((value, channel) => Math.abs(data[i + channel]! - value) < 40)) continue;
          hits++;
          x += (((i / 4) % width) + 0.5) / width;
          y += (Math.floor(i / 4 / width) + 0.5) / height;
        }
        const share = hits / (width * height);
        seen.push({ share, x: x / hits, y: y / hits, stamp: store.clipStamp ?? 0 });
        requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
    },
    [selector, colour] as const,
  );
export const seenFrames = (page: Page): Promise<SeenFrame[]> =>
  page.evaluate(() => (window as unknown as { seenFrames: SeenFrame[] }).seenFrames);
