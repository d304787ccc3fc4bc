/** A camera within the page whose picture a test decides: what no clip before the fake device can show. */
import type { Page } from '@playwright/test';

/** What stands before it from now on. */
export interface CameraView {
  /** Pictures by their addresses, each with its place in the picture, from 0 to 1; none shows black. */
  readonly pictures: readonly {
    readonly url: string;
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  }[];
  /** A turned phone gives pictures of another shape. */
  readonly size?: readonly [number, number];
  /** Head over heels. */
  readonly upsideDown?: boolean;
  /** All that is bright is white. */
  readonly overexposed?: boolean;
  /** Pictures a second. */
  readonly rate?: number;
}
interface PageCamera {
  show(view: CameraView): Promise<void>;
  unplug(): void;
}
type WithCamera = { readonly pageCamera: PageCamera };

/** Runs in the page, before anything of it. */
const install = (): void => {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [640, 480];
  const g = canvas.getContext('2d')!;
  let draw = (): void => {};
  let timer: ReturnType<typeof setInterval> | null = null;
  const streams: MediaStream[] = [];
  const pageCamera: PageCamera = {
    async show({ pictures, size = [640, 480], upsideDown, overexposed, rate = 30 }) {
      const images = await Promise.all(
        pictures.map(async ({ url, ...place }) => {
          const bytes = Uint8Array.from(atob(url.slice(url.indexOf(',') + 1)), (c) => c.charCodeAt(0));
          return { image: await createImageBitmap(new Blob([bytes])), ...place };
        }),
      );
      draw = () => {
        if (canvas.width !== size[0] || canvas.height !== size[1]) [canvas.width, canvas.height] = size;
        const [width, height] = size;
        g.setTransform(1, 0, 0, 1, 0, 0);
        g.filter = 'none';
        g.fillStyle = '#000';
        g.fillRect(0, 0, width, height);
        if (upsideDown) g.setTransform(-1, 0, 0, -1, width, height);
        if (overexposed) g.filter = 'brightness(5)';
        for (const p of images)
          g.drawImage(p.image, p.x * width, p.y * height, p.width * width, p.height * height);
        // A picture that stays as it is would not be given again.
        g.filter = 'none';
        g.fillStyle = performance.now() % 2 < 1 ? '#010101' : '#020202';
        g.fillRect(0, 0, 2, 2);
      };
      draw();
      if (timer !== null) clearInterval(timer);
      timer = setInterval(() => draw(), 1000 / rate);
    },
    unplug: () => {
      for (const track of streams.flatMap((stream) => stream.getTracks())) {
        track.stop();
        // Only a device that goes away says so by itself.
        track.dispatchEvent(new Event('ended'));
      }
    },
  };
  Object.assign(globalThis, { pageCamera });
  navigator.mediaDevices.getUserMedia = () => {
    const stream = canvas.captureStream();
    streams.push(stream);
    draw();
    return Promise.resolve(stream);
  };
};

/** To be called before the page is opened. */
export const standInCamera = async (page: Page): Promise<void> => {
  await page.addInitScript(install);
};
export const showBefore = (page: Page, view: CameraView): Promise<void> =>
  page.evaluate((view) => (window as unknown as WithCamera).pageCamera.show(view), view);
export const unplugCamera = (page: Page): Promise<void> =>
  page.evaluate(() => (window as unknown as WithCamera).pageCamera.unplug());
