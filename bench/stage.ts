/**
 * What a frame of the stage costs beside drawing: our own JavaScript with the graphics calls replaced by nothing, and how many calls
 * that draw and changes of what is drawn into there are. For the five demos, on a plain camera picture, and for 200 objects.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import { blankEffect } from '../src/core/document/defaults';
import type { Effect, ObjectId } from '../src/core/document/schema';
import { FOREHEAD } from '../src/core/kinds/objects/placed';
import { newSolid } from '../src/core/kinds/objects/solid';
import { median, percentile, report } from './report';
import type { FrameCost, StageBench } from './stage-page';

const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });

const tell = (name: string, { cpu, draws, passes }: FrameCost): void => {
  report({ name: `stage.frame.cpu.${name}`, value: median(cpu), unit: 'ms', p95: percentile(cpu, 0.95) });
  report({ name: `stage.frame.calls.${name}`, value: draws, unit: 'draws a frame', passes });
};

for (const file of readdirSync('demo/packages').sort()) {
  const page = await openBlank(browser, 'bench/stage-page.ts');
  const bytes = [...readFileSync(`demo/packages/${file}`)];
  const found = await page.evaluate(
    (b) => (window as unknown as { stageBench: StageBench }).stageBench.package(b),
    bytes,
  );
  tell(file.replace(/[.]zip$/, ''), found);
  await page.close();
}

const boxes: Effect = {
  ...blankEffect('200 boxes'),
  objects: Object.fromEntries(
    Array.from({ length: 200 }, (_, i) => {
      const id = `obj_box${i}` as ObjectId;
      const move: [number, number, number] = [(i % 20) * 0.01 - 0.1, Math.floor(i / 20) * 0.01, 0.02];
      return [id, { ...newSolid(id, 'box', i, FOREHEAD), move, extent: [0.006, 0.006, 0.006] }];
    }),
  ),
};
const page = await openBlank(browser, 'bench/stage-page.ts');
const found = await page.evaluate(
  (effect) => (window as unknown as { stageBench: StageBench }).stageBench.effect(effect),
  boxes,
);
tell('200-objects', found);
await browser.close();
