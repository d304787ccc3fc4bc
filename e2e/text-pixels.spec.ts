/** Texts as the stage paints them: kerned, joined and running the way their script does, straight and bent. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import type { TextObject } from '../src/core/document/schema';
import { openBlank } from './harness/blank-page';
import type { Ink, TextPage } from './harness/text-page';

let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await openBlank(browser, 'e2e/harness/text-page.ts');
});
test.afterAll(() => page.close());
const paint = (text: string, change: Partial<TextObject> = {}): Promise<Ink> =>
  page.evaluate(([t, c]) => (window as unknown as { textPage: TextPage }).textPage.paint(t, c), [
    text,
    change,
  ] as const);

test('a line is what the browser writes in one piece: kerned, with ligatures, from either side', async () => {
  for (const words of ['AVATAR To Low Tide', 'office fjord', 'גאות ושפל', 'المد والجزر', 'Tide مد 7']) {
    const { off, pixels } = await paint(words);
    expect([words, pixels > 500, off < 0.02]).toEqual([words, true, true]);
  }
});
test('letters are kerned: they lie nearer than side by side', async () => {
  const [pair, a, v] = await Promise.all([paint('AVAV'), paint('A'), paint('V')]);
  expect(pair.width).toBeLessThan(2 * (a.width + v.width) - 0.1);
});
test('Arabic letters join, straight and on a circle; spaced Latin letters do not touch', async () => {
  // Of seven letters the ones that join leave no gap; apart each would stand alone.
  expect((await paint('سمسمسمس')).gaps).toBe(0);
  expect((await paint('سمسمسمس', { arc: 40 })).gaps).toBe(0);
  expect((await paint('TIDE', { spacing: 0.3 })).gaps).toBe(3);
});
test('space between letters makes a line wider by just that, and does not follow the last one', async () => {
  const [close, spaced] = [await paint('TIDE'), await paint('TIDE', { spacing: 0.25 })];
  expect(spaced.width - close.width).toBeCloseTo(0.75, 1);
  expect(Math.abs(spaced.middle - close.middle)).toBeLessThan(0.01);
});
test('on a circle letters keep their order, whichever way they run', async () => {
  // What is heavy stands on the left of a Latin line, on the right of a Hebrew one.
  for (const arc of [0, 60]) {
    expect((await paint('HHHH....', { arc })).left).toBeGreaterThan(0.6);
    expect((await paint('שששש....', { arc })).left).toBeLessThan(0.4);
  }
});
test('bent, there is as much ink as straight', async () => {
  for (const words of ['LOW TIDE NIGHTS', 'المد والجزر']) {
    const [straight, bent] = [await paint(words), await paint(words, { arc: 90 })];
    const ratio = bent.pixels / straight.pixels;
    expect([words, ratio > 0.85 && ratio < 1.2]).toEqual([words, true]);
  }
});
