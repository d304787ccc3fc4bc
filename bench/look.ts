/**
 * How long a grade takes on a picture of 720 x 1280: a colour table of 33, each pass over the neighbours, and what a
 * plain copy of the picture takes. Drawn by the browser, without a graphics card where there is none.
 */
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import type { GradePage } from '../e2e/harness/grade-page';
import { writeCube } from '../src/core/assets/colour/cube';
import { tableOf } from '../src/core/assets/colour/table';
import { newGradeStep } from '../src/core/document/new-grade-step';
import type { AssetId, GradeStep } from '../src/core/document/schema';
import { report } from './report';

const FRAMES = 15;
const cube = new TextDecoder().decode(
  writeCube(tableOf('Deep', 33, ([r, g, b]) => [r * 0.8, g, 0.1 + 0.9 * b])),
);
const table: GradeStep = {
  id: 'step_table',
  on: true,
  kind: 'table',
  asset: 'asset_table1' as AssetId,
  strength: 1,
};
const GRADES: Record<string, GradeStep[]> = {
  'grade-33': [table],
  'grade-exposure': [{ id: 'step_one1', on: true, kind: 'exposure', stops: 0.5 }],
  'grade-vignette': [newGradeStep('step_one2', 'vignette')],
  'grade-grain': [newGradeStep('step_one3', 'grain')],
  'grade-sharpen': [newGradeStep('step_one4', 'sharpen')],
  'grade-bloom': [newGradeStep('step_one5', 'bloom')],
};

const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const page = await openBlank(browser, 'e2e/harness/grade-page.ts');
  const time = (steps: GradeStep[], copy = false): Promise<number> =>
    page.evaluate(([s, n]) => (window as unknown as { gradePage: GradePage }).gradePage.time(s, n), [
      { picture: 'vec3(vUv, 0.5)', steps, cube, size: 720, height: 1280, copy },
      FRAMES,
    ] as const);
  const bare = await time([]);
  const copy = (await time([], true)) - bare;
  report({ name: 'look.copy', value: copy, unit: 'ms' });
  for (const [name, steps] of Object.entries(GRADES)) {
    const taken = (await time(steps)) - bare;
    report({ name: `look.${name}`, value: taken, unit: 'ms', ratio: taken / copy, against: 'look.copy' });
  }
} finally {
  await browser.close();
}
