import { expect, test } from '@jest/globals';
import { Redraw } from './redraw';

test('what is done is drawn at once, and once', () => {
  const redraw = new Redraw(() => 0);
  expect([redraw.take(0), redraw.take(16)]).toEqual([true, false]);
  redraw.ask();
  expect([redraw.isWanted, redraw.take(32), redraw.isWanted]).toEqual([true, true, false]);
});

test('a thousand arrivals make a few drawings, the last of them with all there is', () => {
  let underWay = 1000;
  const redraw = new Redraw(() => underWay);
  redraw.take(0);
  let drawings = 0;
  // Each drawing holds the next frame up for 300 milliseconds.
  for (let now = 300; underWay > 0;) {
    underWay -= 5;
    redraw.arrive();
    const draws = redraw.take(now);
    if (draws) drawings++;
    now += draws ? 300 : 16;
  }
  expect(drawings).toBeGreaterThan(1);
  expect(drawings).toBeLessThan(6);
  expect(redraw.isWanted).toBe(false);
});

test('while things arrive, what is done does not wait', () => {
  let underWay = 0;
  const redraw = new Redraw(() => underWay);
  redraw.take(0);
  underWay = 3;
  redraw.arrive();
  expect(redraw.take(110)).toBe(false);
  redraw.ask();
  expect(redraw.take(120)).toBe(true);
});

test('the first picture waits a moment for what is on its way, and no longer', () => {
  let underWay = 3;
  const redraw = new Redraw(() => underWay);
  redraw.ask();
  expect([redraw.take(0), redraw.take(100), redraw.isWanted]).toEqual([false, false, true]);
  underWay = 0;
  redraw.arrive();
  expect([redraw.take(116), redraw.isWanted]).toEqual([true, false]);

  const slow = new Redraw(() => 1);
  expect([slow.take(0), slow.take(190), slow.take(210)]).toEqual([false, false, true]);
});

test('there has to be a frame while a picture is wanted, and one after it, that tells what it cost', () => {
  const redraw = new Redraw(() => 0);
  expect(redraw.needsFrame).toBe(true);
  redraw.take(0);
  expect([redraw.isWanted, redraw.needsFrame]).toEqual([false, true]);
  redraw.take(30);
  expect(redraw.needsFrame).toBe(false);
  redraw.ask();
  expect(redraw.needsFrame).toBe(true);
});
