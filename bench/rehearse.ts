/** A 12-second take rehearsed at 180 x 320: that nothing flashes, and that something is seen all the while; against drawing the same pictures. */
import { readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import { FIRST_TAKE } from '../src/core/takes/library';
import { median, report } from './report';
import type { RehearseFigures } from './rehearse-page';

const ROUNDS = 3;
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const rounds: RehearseFigures[] = [];
const kelp = [...readFileSync('demo/packages/kelp-crown.zip')];
for (let n = 0; n < ROUNDS; n++) {
  const page = await openBlank(browser, 'bench/rehearse-page.ts');
  rounds.push(
    await page.evaluate(
      ([bytes, take]) =>
        (
          window as unknown as { rehearseBench: (b: number[], t: string) => Promise<RehearseFigures> }
        ).rehearseBench(bytes, take),
      [kelp, FIRST_TAKE.id] as const,
    ),
  );
  await page.close();
}
report({
  name: 'rehearse.take',
  value: median(rounds.map((r) => r.rehearsed)) / 1000,
  unit: 's',
  ratio: median(rounds.map((r) => r.rehearsed / r.drawn)),
  against: 'the same pictures drawn with nothing else',
  duration: rounds[0]!.duration,
  pictures: rounds[0]!.pictures,
  behaviour: Math.round(median(rounds.map((r) => r.behaviour))),
});
await browser.close();
