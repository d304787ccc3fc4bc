/**
 * Dyed hair against the true masks of takes: of skin and clothes the share that is changed by more than three levels (`hair.dye.spill`), of hair the share that
 * is dyed (`hair.dye.cover`), over all performers with hair, the head held three ways; and the same where nobody knows what is hair, as on a camera. On takes the mask
 * is the truth: there it tells that nothing beside the mask is dyed.
 */
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import type { FaceDrawing, FacePage, FaceSpec } from '../e2e/harness/face-page';
import type { TakePage } from '../e2e/harness/take-page';
import { blankEffect } from '../src/core/document/defaults';
import type { Effect, ObjectId } from '../src/core/document/schema';
import { newHair } from '../src/core/kinds/objects/hair';
import { PERFORMERS } from '../src/core/takes/library';
import { report } from './report';

const [WIDTH, HEIGHT] = [360, 640];
/** Seconds into `turn-and-mouth`: straight, turned, mouth open. */
const TIMES = [0.2, 2, 6];
const ID = 'obj_hair' as ObjectId;
const bare = blankEffect('Bare');
const dyedBy = (tint: string): Effect => ({
  ...bare,
  objects: { [ID]: { ...newHair(ID, 0), tint, opacity: 1 } },
});
/** One that no hair has. */
const DYED = dyedBy('#2f6df0');
const LEVELS = 3;
const HAIRLESS = ['bald', 'headScarf'];

const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const faces = await openBlank(browser, 'e2e/harness/face-page.ts');
  const takes = await openBlank(browser, 'e2e/harness/take-page.ts');
  const draw = async (spec: FaceSpec): Promise<Buffer> => {
    const drawn: FaceDrawing = await faces.evaluate(
      (s) => (window as unknown as { facePage: FacePage }).facePage.draw(s),
      spec,
    );
    return Buffer.from(drawn.pixels, 'base64');
  };
  const maskOf = async (take: string, time: number, of: 'people' | 'hair'): Promise<Buffer> =>
    Buffer.from(
      await takes.evaluate(
        ([take, time, of, width, height]) =>
          (window as unknown as { takePage: TakePage }).takePage.mask({ take, time, width, height }, of),
        [take, time, of, WIDTH, HEIGHT] as const,
      ),
      'base64',
    );
  const changed = (a: Buffer, b: Buffer, i: number): boolean =>
    [0, 1, 2].some((k) => Math.abs(a[4 * i + k]! - b[4 * i + k]!) > LEVELS);

  for (const [where, unknowing] of [
    ['take', undefined],
    ['camera', 4],
  ] as const) {
    let [skin, spilled, hair, dyed] = [0, 0, 0, 0];
    for (const { id, hair: of } of PERFORMERS) {
      if (HAIRLESS.includes(of.style)) continue;
      let own = [0, 0, 0, 0];
      for (const time of TIMES) {
        const take = `screen-test-${id}/turn-and-mouth`;
        const spec = { take, time, width: WIDTH, height: HEIGHT, ...(unknowing ? { unknowing } : {}) };
        const [none, all] = [await draw({ effect: bare, ...spec }), await draw({ effect: DYED, ...spec })];
        const [people, hairs] = [await maskOf(take, time, 'people'), await maskOf(take, time, 'hair')];
        for (let i = 0; i < WIDTH * HEIGHT; i++) {
          const was = changed(none, all, i);
          if (hairs[i]! > 230) own = [own[0]!, own[1]!, own[2]! + 1, own[3]! + (was ? 1 : 0)];
          else if (hairs[i] === 0 && people[i] === 255)
            own = [own[0]! + 1, own[1]! + (was ? 1 : 0), own[2]!, own[3]!];
        }
      }
      skin += own[0]!;
      spilled += own[1]!;
      hair += own[2]!;
      dyed += own[3]!;
      report({ name: `hair.dye.spill.${where}.${id}`, value: (100 * own[1]!) / own[0]!, unit: '%' });
      report({
        name: `hair.dye.cover.${where}.${id}`,
        value: (100 * own[3]!) / Math.max(1, own[2]!),
        unit: '%',
      });
    }
    report({ name: `hair.dye.spill.${where}`, value: (100 * spilled) / skin, unit: '%' });
    report({ name: `hair.dye.cover.${where}`, value: (100 * dyed) / hair, unit: '%' });
  }
} finally {
  await browser.close();
}
