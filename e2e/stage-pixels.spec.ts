/** What the stage draws, pixel by pixel, against the formulas. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { BLEND_MODES } from '../src/core/document/schema';
import { blendOver } from '../src/core/maths/blend';
import { openBlank } from './harness/blank-page';
import type { BlendPage, CardSpec } from './harness/blend-page';

let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await openBlank(browser, 'e2e/harness/blend-page.ts', { smooth: false });
});
test.afterAll(() => page.close());

type Rgb = readonly [number, number, number];
const draw = (backdrop: Rgb, cards: readonly CardSpec[], occluder = false): Promise<number[]> =>
  page.evaluate(([b, c, o]) => (window as unknown as { blendPage: BlendPage }).blendPage.draw(b, c, o), [
    backdrop,
    cards,
    occluder,
  ] as const);
const near = (seen: number[], wanted: readonly number[], by = 2): void =>
  wanted.forEach((value, i) =>
    expect(Math.abs(seen[i]! - value), `${seen.join()} against ${wanted.join()}`).toBeLessThanOrEqual(by),
  );

const unit = (colour: Rgb): Rgb => [colour[0] / 255, colour[1] / 255, colour[2] / 255];
const BACKDROPS: Rgb[] = [
  [200, 120, 40],
  [10, 128, 250],
];
const SOURCES: Rgb[] = [
  [60, 180, 220],
  [255, 255, 255],
];

for (const mode of BLEND_MODES)
  test(`${mode} follows the W3C formula against the camera picture`, async () => {
    for (const backdrop of BACKDROPS)
      for (const colour of SOURCES)
        for (const [alpha, opacity] of [
          [1, 1],
          [1, 0.35],
          [0.6, 0.5],
        ] as const) {
          const seen = await draw(backdrop, [{ colour, alpha, opacity, blend: mode }]);
          const a = (Math.round(alpha * 255) / 255) * opacity;
          near(
            seen,
            blendOver(mode, unit(backdrop), unit(colour), a).map((c) => 255 * c),
          );
          expect(seen[3]).toBe(255);
        }
  });

test('lit things blend too: what they are seen as, by the formula, each pixel once', async () => {
  const drawSolid = (backdrop: Rgb, mode: (typeof BLEND_MODES)[number], opacity: number) =>
    page.evaluate(
      ([b, m, o]) => (window as unknown as { blendPage: BlendPage }).blendPage.drawSolid(b, '#b46428', m, o),
      [backdrop, mode, opacity] as const,
    );
  const backdrop: Rgb = [90, 160, 210];
  const lit = await drawSolid(backdrop, 'normal', 1);
  const source = unit([lit[0]!, lit[1]!, lit[2]!]);
  for (const mode of BLEND_MODES.filter((m) => m !== 'normal'))
    for (const opacity of [1, 0.6])
      near(
        await drawSolid(backdrop, mode, opacity),
        blendOver(mode, unit(backdrop), source, opacity).map((c) => 255 * c),
        3,
      );
});

test('a card higher in the Stack covers a lower one, and blends with what it makes', async () => {
  near(
    await draw(
      [0, 0, 0],
      [
        { colour: [255, 0, 0], alpha: 1 },
        { colour: [0, 255, 0], alpha: 1 },
      ],
    ),
    [255, 0, 0],
  );
  near(
    await draw(
      [0, 0, 0],
      [
        { colour: [128, 128, 128], alpha: 1, blend: 'multiply' },
        { colour: [0, 255, 0], alpha: 1 },
      ],
    ),
    [0, 128, 0],
  );
});

test('what is nearer covers what is farther, whatever the Stack says; where it blends, or fades, the Stack decides', async () => {
  const [red, green] = [
    { colour: [255, 0, 0] as const, alpha: 1, z: 0.02 },
    { colour: [0, 255, 0] as const, alpha: 1, z: 0.06 },
  ];
  near(await draw([0, 0, 0], [red, green]), [0, 255, 0]);
  near(await draw([0, 0, 0], [green, red]), [0, 255, 0]);
  near(
    await draw(
      [0, 0, 0],
      [
        { ...red, blend: 'screen' },
        { ...green, blend: 'screen' },
      ],
    ),
    [255, 255, 0],
  );
  near(await draw([0, 0, 0], [red, { ...green, opacity: 0.5 }]), [255, 0, 0]);
  // In one plane the Stack decides, turned away from the camera too.
  const turned = { z: 0.04, turnY: 35 };
  near(
    await draw(
      [0, 0, 0],
      [
        { ...red, ...turned },
        { ...green, ...turned },
      ],
    ),
    [255, 0, 0],
  );
  near(
    await draw(
      [0, 0, 0],
      [
        { ...green, ...turned },
        { ...red, ...turned },
      ],
    ),
    [0, 255, 0],
  );
});

test('the tint multiplies in linear light; white changes nothing', async () => {
  near(await draw([0, 0, 0], [{ colour: [200, 200, 200], alpha: 1, tint: '#ff8000' }]), [200, 101, 0], 3);
  near(await draw([0, 0, 0], [{ colour: [37, 99, 201], alpha: 1 }]), [37, 99, 201], 1);
});

test('the occluder hides what is behind the head, not what is before it, and draws nothing itself', async () => {
  near(await draw([10, 20, 30], [{ colour: [255, 0, 0], alpha: 1, z: -0.05 }], true), [10, 20, 30]);
  near(await draw([10, 20, 30], [{ colour: [255, 0, 0], alpha: 1, z: -0.05 }], false), [255, 0, 0]);
  near(await draw([10, 20, 30], [{ colour: [255, 0, 0], alpha: 1, z: 0.12 }], true), [255, 0, 0]);
});

test('a card that is not double-sided has no back', async () => {
  const card = { colour: [255, 0, 0], alpha: 1, turnY: 180 } as const;
  near(await draw([10, 20, 30], [{ ...card, doubleSided: false }]), [10, 20, 30]);
  near(await draw([10, 20, 30], [{ ...card, doubleSided: true }]), [255, 0, 0]);
});
