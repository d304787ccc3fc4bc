/** The real camera path: a clip of the take before the fake camera, the shipped face tracker on it. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { toAngles } from '../src/core/maths/quaternion';
import { FIRST_TAKE } from '../src/core/takes/library';
import { CLIP_MOMENTS } from './harness/clip';
import { createEffect, watchStamps } from './harness/pages';

interface Reading {
  stamp: number;
  yaw: number;
  pitch: number;
  roll: number;
  distance: number;
  jawOpen: number;
  mouthPucker: number;
  eyeBlinkLeft: number;
  eyeBlinkRight: number;
}

/** Reads the stamp in the tracked picture and the readings on the bench at the same instant. */
const read = (page: Page): Promise<Reading | null> =>
  page.evaluate(() => {
    const values: Record<string, number> = {};
    for (const element of document.querySelectorAll<HTMLElement>('[data-reading]'))
      values[element.dataset.reading!] = parseFloat(element.textContent ?? '');
    values.stamp = (window as unknown as { clipStamp?: number }).clipStamp ?? 0;
    return 'yaw' in values ? (values as unknown as Reading) : null;
  });

test('the tracker locks on, and pose and mouth agree with the truth', async ({ page }) => {
  test.setTimeout(240_000);
  await watchStamps(page);
  const id = await createEffect(page, 'Tracking');
  await page.goto(`/effects/${id}/try`);
  await page.getByRole('button', { name: /Your camera/ }).click();
  await expect(page.getByTestId('readings')).toBeVisible();
  await expect(page.locator('canvas[data-source="camera"]')).toBeVisible({ timeout: 60_000 });

  const seen = new Map<number, Reading[]>();
  const complete = () => CLIP_MOMENTS.every((_, i) => (seen.get(i + 1)?.length ?? 0) >= 3);
  const until = Date.now() + 150_000;
  let last = 0;
  let same = 0;
  while (!complete() && Date.now() < until) {
    const reading = await read(page);
    const stamp = reading?.stamp ?? 0;
    same = stamp === last ? same + 1 : 0;
    last = stamp;
    // The picture has stood still for a while, so what is read belongs to it.
    if (reading && stamp > 0 && same >= 5) seen.set(stamp, [...(seen.get(stamp) ?? []), reading]);
    await page.waitForTimeout(100);
  }
  for (const [i, time] of CLIP_MOMENTS.entries()) {
    const readings = seen.get(i + 1) ?? [];
    expect(readings.length, `moment ${time} s was tracked`).toBeGreaterThanOrEqual(3);
    const reading = readings[Math.floor(readings.length / 2)]!;
    const face = FIRST_TAKE.frameAt(time).faces[0]!;
    const [pitch, yaw, roll] = toAngles(face.pose.rotation);
    if (process.env.ICONIA_E2E_PRINT)
      console.log(
        time,
        {
          yaw,
          pitch,
          roll,
          jaw: face.expressions.jawOpen,
          pucker: face.expressions.mouthPucker,
          blink: face.expressions.eyeBlinkLeft,
        },
        reading,
      );
    // The picture is mirrored, so yaw and roll change sign.
    expect(Math.abs(reading.yaw + yaw), `yaw at ${time} s`).toBeLessThan(6);
    expect(Math.abs(reading.pitch - pitch), `pitch at ${time} s`).toBeLessThan(6);
    expect(Math.abs(reading.roll + roll), `roll at ${time} s`).toBeLessThan(5);
    expect(Math.abs(reading.distance - 56), `distance at ${time} s`).toBeLessThan(6);
    const opens = (face.expressions.jawOpen ?? 0) > 0.5;
    expect(reading.jawOpen > 0.4, `mouth open at ${time} s: ${reading.jawOpen}`).toBe(opens);
    const puckers = (face.expressions.mouthPucker ?? 0) > 0.5;
    expect(reading.mouthPucker > 0.45, `pucker at ${time} s: ${reading.mouthPucker}`).toBe(puckers);
  }
});
