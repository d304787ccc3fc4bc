/** Takes: the truth of one frame with its landmarks, and drawing one frame at each level of detail. */
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import type { TakePage } from '../e2e/harness/take-page';
import { FIRST_TAKE, SHIPPED_TAKES } from '../src/core/takes/library';
import { DETAILS } from '../src/stage/take-picture';
import { median, report } from './report';

const truth = (): number[] => {
  const times: number[] = [];
  for (let i = 0; i < 600; i++) {
    const take = SHIPPED_TAKES[i % SHIPPED_TAKES.length]!;
    const began = performance.now();
    const { faces } = take.frameAt((i * 0.137) % take.duration);
    for (const face of faces) void face.landmarks;
    times.push(performance.now() - began);
  }
  // Meshes are made on first use.
  return times.slice(200);
};
report({ name: 'take.truth', value: median(truth()), unit: 'ms' });

const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const page = await openBlank(browser, 'e2e/harness/take-page.ts');
  for (const detail of DETAILS) {
    const times = await page.evaluate(
      ([take, detail]) =>
        (window as unknown as { takePage: TakePage }).takePage.time(take, detail, 360, 640, 12),
      [FIRST_TAKE.id, detail] as const,
    );
    report({ name: `take.draw.${detail}`, value: median(times), unit: 'ms' });
  }
} finally {
  await browser.close();
}
