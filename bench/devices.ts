/**
 * What things cost a picture where it is drawn in software, which `core/devices/classes.ts` stands on; and how far what is estimated of
 * the demos lies from what they take.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import { blankEffect } from '../src/core/document/defaults';
import type { Effect, EffectObject, ObjectId } from '../src/core/document/schema';
import { newContactShadow } from '../src/core/kinds/objects/contact-shadow';
import { newCutout } from '../src/core/kinds/objects/cutout';
import { newGradeStep } from '../src/core/edits/new-grade-step';
import { SHAPE_NAMES } from '../src/core/face/shape-names';
import { newLive } from '../src/core/kinds/objects/live';
import { newText } from '../src/core/kinds/objects/text';
import { newFill } from '../src/core/kinds/objects/fill';
import { newFountain } from '../src/core/kinds/objects/fountain';
import { newGrade } from '../src/core/kinds/objects/grade';
import { newHair } from '../src/core/kinds/objects/hair';
import { newIris } from '../src/core/kinds/objects/iris';
import { newLashes } from '../src/core/kinds/objects/lashes';
import { newLayer } from '../src/core/kinds/objects/layer';
import { newLight } from '../src/core/kinds/objects/light';
import { newMorph } from '../src/core/kinds/objects/morph';
import { newOccluder } from '../src/core/kinds/objects/occluder';
import { FOREHEAD } from '../src/core/kinds/objects/placed';
import { newRetouch } from '../src/core/kinds/objects/retouch';
import { newShadowCatcher } from '../src/core/kinds/objects/shadow-catcher';
import { newSolid } from '../src/core/kinds/objects/solid';
import { report } from './report';
import type { DevicesBench, Drawn } from './devices-page';

type Make = (id: ObjectId, i: number) => EffectObject;
const SCREEN = { kind: 'screen', pin: 'centre' } as const;
/** So many of each are drawn; the cost of one is the share. */
const KINDS: Readonly<Record<string, readonly [number, Make]>> = {
  fill: [10, (id, i) => ({ ...newFill(id, i), extent: [0.03, 0.03], move: [0.01 * i - 0.05, 0, 0.02] })],
  'fill over the picture': [4, (id, i) => ({ ...newFill(id, i, SCREEN), opacity: 0.3 })],
  solid: [10, (id, i) => ({ ...newSolid(id, 'box', i, FOREHEAD), move: [0.01 * i - 0.05, 0, 0.02] })],
  ball: [10, (id, i) => ({ ...newSolid(id, 'sphere', i, FOREHEAD), move: [0.01 * i - 0.05, 0, 0.02] })],
  text: [4, (id, i) => newText(id, 'Tide', i)],
  live: [1, (id, i) => newLive(id, 'whole', i, SCREEN)],
  'live blurred': [1, (id, i) => ({ ...newLive(id, 'whole', i, SCREEN), blur: 0.5 })],
  'live person': [1, (id, i) => newLive(id, 'person', i, SCREEN)],
  card: [4, (id, i) => ({ ...newFill(id, i), extent: [0.12, 0.12], move: [0, 0, 0.01 * i] })],
  'shadow catcher': [1, (id, i) => newShadowCatcher(id, i, FOREHEAD)],
  'gloss layer': [
    4,
    (id, i) => ({ ...newLayer(id, { region: 'lips' }, i), finish: 'gloss' as const, shine: 1 }),
  ],
  layer: [4, (id, i) => newLayer(id, { region: 'cheeks' }, i)],
  iris: [1, (id, i) => newIris(id, i)],
  lashes: [1, (id, i) => newLashes(id, i)],
  hair: [1, (id, i) => newHair(id, i)],
  retouch: [1, (id, i) => newRetouch(id, i)],
  morph: [1, (id, i) => ({ ...newMorph(id, i), sliders: { [SHAPE_NAMES[0]!]: 1 } })],
  cutout: [3, (id, i) => newCutout(id, 'mouth' as never, i)],
  occluder: [1, (id, i) => newOccluder(id, i)],
  contactShadow: [2, (id, i) => newContactShadow(id, i, FOREHEAD)],
  light: [1, (id, i) => newLight(id, 'directional' as never, i, FOREHEAD)],
  grade: [1, (id, i) => newGrade(id, i, [newGradeStep('step_one1', 'contrast')])],
  'grade with bloom': [1, (id, i) => newGrade(id, i, [newGradeStep('step_one1', 'bloom')])],
  fountain: [1, (id, i) => newFountain(id, i, FOREHEAD)],
};
const SIZES = [
  [180, 320],
  [360, 640],
] as const;

/** Named as an argument: only these. */
const only = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const page = await openBlank(browser, 'bench/devices-page.ts');
const drawn = (effect: Effect, [width, height]: readonly [number, number]): Promise<Drawn> =>
  page.evaluate(
    ([e, w, h]) => (window as unknown as { devicesBench: DevicesBench }).devicesBench.effect(e, w, h),
    [effect, width, height] as const,
  );
for (const size of SIZES) {
  const blank = await drawn(blankEffect('Nothing'), size);
  report({
    name: `devices.blank.${size[1]}`,
    value: blank.whole,
    unit: 'ms',
    code: blank.code,
    draws: blank.draws,
    passes: blank.passes,
  });
  for (const [kind, [count, make]] of Object.entries(KINDS)) {
    if (only.length > 0 && !only.includes(kind)) continue;
    try {
      const objects = Array.from({ length: count }, (_, i) => make(`obj_bench${i}` as ObjectId, i));
      const found = await drawn(
        { ...blankEffect(kind), objects: Object.fromEntries(objects.map((o) => [o.id, o])) },
        size,
      );
      const one = (of: (d: Drawn) => number): number => (of(found) - of(blank)) / count;
      report({
        name: `devices.one.${kind.replaceAll(' ', '-')}.${size[1]}`,
        value: one((d) => d.whole),
        unit: 'ms',
        code: Number(one((d) => d.code).toFixed(3)),
        draws: one((d) => d.draws),
        triangles: one((d) => d.triangles),
        passes: one((d) => d.passes),
      });
    } catch (error) {
      console.error(kind, String(error).slice(0, 300));
    }
  }
}
for (const file of readdirSync('demo/packages').sort()) {
  const bytes = [...readFileSync(`demo/packages/${file}`)];
  const { measured, estimated } = await page.evaluate(
    (b) => (window as unknown as { devicesBench: DevicesBench }).devicesBench.package(b, 360, 640),
    bytes,
  );
  report({
    name: `devices.estimate.${file.replace(/[.]zip$/, '')}`,
    value: measured.whole,
    unit: 'ms',
    against: 'estimated',
    estimated: Number(estimated.toFixed(1)),
    ratio: estimated / measured.whole,
    draws: measured.draws,
    triangles: measured.triangles,
    passes: measured.passes,
    code: measured.code,
  });
}
await browser.close();
