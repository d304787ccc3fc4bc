import { writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import type { FacePage } from '../e2e/harness/face-page';
import type { TakePage } from '../e2e/harness/take-page';
import { blankEffect } from '../src/core/document/defaults';
import { PERFORMERS } from '../src/core/takes/library';
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const faces = await openBlank(browser, 'e2e/harness/face-page.ts');
  const takes = await openBlank(browser, 'e2e/harness/take-page.ts');
  for (const { id } of PERFORMERS)
    for (const time of [0.2, 2, 6]) {
      const take = `screen-test-${id}/turn-and-mouth`;
      const spec = { effect: blankEffect('Bare'), take, time, width: 360, height: 640 };
      const got = await faces.evaluate(
        (s) => (window as unknown as { facePage: FacePage }).facePage.parts(s),
        spec,
      );
      const maskOf = async (of: 'people' | 'hair') =>
        Buffer.from(
          await takes.evaluate(
            ([take, time, of]) =>
              (window as unknown as { takePage: TakePage }).takePage.mask(
                { take, time, width: 360, height: 640 },
                of,
              ),
            [take, time, of] as const,
          ),
          'base64',
        );
      const base = `/dev/shm/hair/${id}-${time}`;
      writeFileSync(`${base}.rgba`, Buffer.from(got.picture, 'base64'));
      writeFileSync(`${base}.people`, await maskOf('people'));
      writeFileSync(`${base}.hair`, await maskOf('hair'));
      console.log(base);
    }
} finally {
  await browser.close();
}
