/**
 * How a face is lit, judged from the picture alone: every performer in every light of the takes, the head held three ways. How far the direction is off that of the
 * strongest lamp, and off where light comes from on the whole.
 */
import { chromium } from '@playwright/test';
import sharp from 'sharp';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import type { TakePage } from '../e2e/harness/take-page';
import { estimateOf, slopeOf } from '../src/core/light/camera-shade';
import { faceSamples, meanOf, type SmallPicture } from '../src/core/light/face-samples';
import { linearOf, luminance, rgbOf } from '../src/core/maths/srgb';
import { add, dot, normalise, scale, type Vec3 } from '../src/core/maths/vec3';
import { performanceOf, PERFORMERS, screenTest } from '../src/core/takes/library';
import { LIGHTS } from '../src/core/takes/lights';
import { makeTake } from '../src/core/takes/make-take';
import type { SceneLight } from '../src/core/takes/scene';
import { projectPoint } from '../src/core/tracking/project';
import type { Hex } from '../src/core/units';
import { median, percentile, report } from './report';

const PERFORMANCE = 'turn-and-mouth';
const SHARES = [0, 0.2, 0.45];
/** As the stage reads it back. */
const [WIDTH, HEIGHT] = [72, 128];
const only = process.argv.slice(2);

const apart = (a: Vec3, b: Vec3): number =>
  (Math.acos(Math.min(1, Math.max(-1, dot(normalise(a), normalise(b))))) * 180) / Math.PI;
const lightness = (colour: Hex): number => luminance(linearOf(rgbOf(colour)));
/** The first band of the light around a head: lamps by their strength, and the sky over the ground. */
const wholeOf = ({ key, fill, sky, ground, ambient }: SceneLight): Vec3 =>
  [key, fill]
    .map(({ direction, colour, strength }) => scale(direction, strength * lightness(colour)))
    .reduce(add, [0, ambient * (lightness(sky) - lightness(ground)) * 0.5, 0]);

const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const all: { key: number[]; whole: number[] } = { key: [], whole: [] };
try {
  const drawer = await openBlank(browser, 'e2e/harness/take-page.ts');
  for (const light of LIGHTS) {
    const off: { key: number[]; whole: number[] } = { key: [], whole: [] };
    for (const { id } of PERFORMERS) {
      if (only.length > 0 && !only.includes(id)) continue;
      const { duration } = performanceOf(PERFORMANCE);
      const take = makeTake({ ...screenTest(id, PERFORMANCE, duration), light: light.id });
      for (const share of SHARES) {
        const time = share * duration;
        const frame = take.frameAt(time);
        const url = await drawer.evaluate(
          (request) => (window as unknown as { takePage: TakePage }).takePage.draw(request),
          { take: `screen-test-${id}/${PERFORMANCE}`, time, light: light.id, width: 360, height: 640 },
        );
        const data = await sharp(Buffer.from(url.slice(url.indexOf(',') + 1), 'base64'))
          .resize(WIDTH, HEIGHT, { fit: 'fill' })
          .flip()
          .ensureAlpha()
          .raw()
          .toBuffer();
        const picture: SmallPicture = { width: WIDTH, height: HEIGHT, data: new Uint8Array(data) };
        const samples = faceSamples(frame.faces[0]!, picture, frame.camera.pose.position, (point) => {
          const at = projectPoint(frame.camera, frame.camera.fovY, 9 / 16, point);
          return at && at.every((v) => v > 0 && v < 1) ? [at[0], 1 - at[1]] : null;
        });
        const { direction } = estimateOf(slopeOf(samples), meanOf(picture));
        const scene = take.sceneAt(time).light;
        off.key.push(apart(direction, scene.key.direction));
        off.whole.push(apart(direction, wholeOf(scene)));
        if (process.env.ICONIA_BENCH_PRINT)
          console.log(
            light.id,
            id,
            share,
            direction.map((x) => x.toFixed(2)).join(' '),
            'key',
            scene.key.direction.map((x) => x.toFixed(2)).join(' '),
            off.key.at(-1)!.toFixed(0),
          );
      }
    }
    report({ name: `light.direction.${light.id}`, value: median(off.key), unit: 'degrees off the lamp' });
    all.key.push(...off.key);
    all.whole.push(...off.whole);
  }
  report({ name: 'light.direction', value: median(all.key), unit: 'degrees off the lamp' });
  report({ name: 'light.direction.p90', value: percentile(all.key, 0.9), unit: 'degrees off the lamp' });
  report({ name: 'light.direction.whole', value: median(all.whole), unit: 'degrees off all light' });
} finally {
  await browser.close();
}
