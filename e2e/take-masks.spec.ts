/** The exact masks of takes agree with the truth's landmarks. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { openBlank } from './harness/blank-page';
import type { MaskPage, MaskReading } from './harness/mask-page';

let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await openBlank(browser, 'e2e/harness/mask-page.ts', { smooth: false });
});
test.afterAll(() => page.close());

const read = (take: string, time: number): Promise<MaskReading> =>
  page.evaluate(
    ([take, time]) => (window as unknown as { maskPage: MaskPage }).maskPage.read(take, time, 180, 320),
    [take, time] as const,
  );

/** Cheeks, nose, chin, forehead under the hairline. */
const SKIN = [50, 280, 4, 5, 199, 9, 205, 425];

test('landmarks of a face with nothing before it lie on its skin', async () => {
  for (const take of ['neutral', 'slow-turn', 'mouth']) {
    const { at, person, corners } = await read(take, 0.4);
    for (const i of SKIN) expect([take, i, at[i]]).toEqual([take, i, 'skin']);
    expect(corners).toEqual(['background', 'background']);
    expect(person).toBeGreaterThan(0.3);
    expect(person).toBeLessThan(0.8);
  }
});

test('the irises are eyes while the lids are open, skin when they are shut', async () => {
  expect((await read('eyes-shut', 0.6)).at[468]).toBe('eyes');
  expect((await read('eyes-shut', 3)).at[468]).toBe('skin');
});

test('hair, beard and scarf are hair; a bald head has none but its beard', async () => {
  expect((await read('neutral', 0.4)).hair).toBeGreaterThan(0.1);
  expect((await read('talking', 0.4)).at[200]).toBe('hair');
  expect((await read('brows', 0.4)).hair).toBeLessThan(0.06);
});

test('a hand before the face covers what the truth says it does', async () => {
  const free = await read('hand-over-face', 0.6);
  expect(free.at[4]).toBe('skin');
  expect(free.hand).toBeLessThan(0.01);
  const covered = await read('hand-over-face', 5.6);
  expect(covered.at[4]).toBe('hand');
  expect(covered.hand).toBeGreaterThan(0.05);
  expect(covered.covered - free.covered).toBeGreaterThan(0.25);
});

test('a mug is an object, and covers the mouth', async () => {
  const { at } = await read('drink', 4.4);
  expect([at[13], at[14], at[17]]).toContain('object');
});

test('places without people have none in their masks', async () => {
  const { person, at } = await read('walk-floor', 2);
  expect(person).toBe(0);
  expect(at).toEqual([]);
});
