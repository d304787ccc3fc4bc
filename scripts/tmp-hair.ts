import { chromium } from '@playwright/test';
import sharp from 'sharp';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import type { FacePage, FaceSpec } from '../e2e/harness/face-page';
import type { TakePage } from '../e2e/harness/take-page';
import { blankEffect } from '../src/core/document/defaults';
import type { Effect, ObjectId } from '../src/core/document/schema';
import { newHair } from '../src/core/kinds/objects/hair';
const [WIDTH, HEIGHT] = [360, 640];
const TIMES = [0.2, 2, 6];
const ID = 'obj_hair' as ObjectId;
const bare = blankEffect('Bare');
const DYED: Effect = { ...bare, objects: { [ID]: { ...newHair(ID, 0), tint: '#2f6df0', opacity: 1 } } };
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const faces = await openBlank(browser, 'e2e/harness/face-page.ts');
  const takes = await openBlank(browser, 'e2e/harness/take-page.ts');
  const draw = async (spec: FaceSpec): Promise<Buffer> => {
    const drawn = await faces.evaluate(
      (s) => (window as unknown as { facePage: FacePage }).facePage.draw(s),
      spec,
    );
    return Buffer.from(drawn.pixels, 'base64');
  };
  const maskOf = async (take: string, time: number, of: 'people' | 'hair') =>
    Buffer.from(
      await takes.evaluate(
        ([take, time, of, width, height]) =>
          (window as unknown as { takePage: TakePage }).takePage.mask({ take, time, width, height }, of),
        [take, time, of, WIDTH, HEIGHT] as const,
      ),
      'base64',
    );
  const tiles: Buffer[] = [];
  for (const id of process.argv.slice(3))
    for (const time of TIMES) {
      const take = `screen-test-${id}/turn-and-mouth`;
      const spec = { take, time, width: WIDTH, height: HEIGHT, unknowing: 2 };
      const [none, all] = [await draw({ effect: bare, ...spec }), await draw({ effect: DYED, ...spec })];
      const [people, hairs] = [await maskOf(take, time, 'people'), await maskOf(take, time, 'hair')];
      const out = Buffer.alloc(WIDTH * HEIGHT * 3);
      let skin = 0,
        sp = 0,
        h = 0,
        d = 0,
        strong = 0;
      for (let i = 0; i < WIDTH * HEIGHT; i++) {
        const diff = Math.max(...[0, 1, 2].map((k) => Math.abs(none[4 * i + k]! - all[4 * i + k]!)));
        const y = HEIGHT - 1 - Math.floor(i / WIDTH),
          x = i % WIDTH,
          o = 3 * (y * WIDTH + x);
        let c = [none[4 * i]!, none[4 * i + 1]!, none[4 * i + 2]!];
        if (hairs[i]! > 230) {
          h++;
          if (diff > 3) d++;
          else c = [0, 255, 0];
        } else if (hairs[i] === 0 && people[i] === 255) {
          skin++;
          if (diff > 3) {
            sp++;
            c = diff > 20 ? [255, 0, 0] : [255, 160, 0];
            if (diff > 20) strong++;
          }
        }
        out[o] = c[0]!;
        out[o + 1] = c[1]!;
        out[o + 2] = c[2]!;
      }
      console.log(
        id,
        time,
        'spill',
        ((100 * sp) / skin).toFixed(2),
        'strong',
        ((100 * strong) / skin).toFixed(2),
        'cover',
        ((100 * d) / h).toFixed(2),
        'skin',
        skin,
        'hair',
        h,
      );
      tiles.push(
        await sharp(out, { raw: { width: WIDTH, height: HEIGHT, channels: 3 } })
          .extract({ left: 40, top: 60, width: 280, height: 400 })
          .png()
          .toBuffer(),
      );
    }
  const n = tiles.length,
    cols = 6;
  await sharp({
    create: {
      width: 280 * Math.min(cols, n),
      height: 400 * Math.ceil(n / cols),
      channels: 3,
      background: '#000',
    },
  })
    .composite(tiles.map((input, k) => ({ input, left: 280 * (k % cols), top: 400 * Math.floor(k / cols) })))
    .png()
    .toFile(process.argv[2]!);
} finally {
  await browser.close();
}
