/** Files that were captured, decoded again by other programs than those that made them. */
import type { Locator, Page } from '@playwright/test';
import sharp from 'sharp';

/** The file that a button saves. */
export const savedBy = async (page: Page, label: string): Promise<string> => {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: label }).click();
  return (await download).path();
};

/** How much of a picture is magenta, 0 to 1. */
export const pinkIn = async (picture: ReturnType<typeof sharp>): Promise<number> => {
  const { data, info } = await picture.removeAlpha().raw().toBuffer({ resolveWithObject: true });
  let pink = 0;
  for (let i = 0; i < data.length; i += 3)
    if (data[i]! > 180 && data[i + 1]! < 90 && data[i + 2]! > 150) pink++;
  return pink / (info.width * info.height);
};

/** A moving picture: its size, its pictures, how long they are shown together. */
export const movingFacts = async (path: string) => {
  const meta = await sharp(path, { animated: true }).metadata();
  return {
    format: meta.format,
    width: meta.width,
    height: meta.pageHeight,
    loop: meta.loop,
    pictures: meta.pages!,
    milliseconds: meta.delay!.reduce((sum, ms) => sum + ms, 0),
    lastPink: await pinkIn(sharp(path, { page: meta.pages! - 1 })),
  };
};

/** A video that a page shows: its size, its length in seconds, whether it has sound. */
export const videoFacts = (video: Locator) =>
  video.evaluate(async (element: HTMLVideoElement) => {
    // A recording says how long it is once its end was sought.
    element.currentTime = 1e6;
    await new Promise((done) => element.addEventListener('seeked', done, { once: true }));
    const heard = (element as unknown as { captureStream(): MediaStream }).captureStream();
    return {
      width: element.videoWidth,
      height: element.videoHeight,
      length: element.currentTime,
      sounds: heard.getAudioTracks().length > 0,
    };
  });
