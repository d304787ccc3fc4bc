import { expect, test } from '@jest/globals';
import { WallRounds } from './wall-rounds';

/** A machine on which a tile takes so many milliseconds, and a strip on which each pause is a tenth of a second. */
const wall = (cost: number) => {
  const log: { tile: number; moment: number }[] = [];
  const rounds: number[] = [];
  const troubles: (string | null)[] = [];
  let [clock, moment, pauses] = [0, 0, 0];
  let broken = -1;
  const made = new WallRounds({
    draw: async (tile, at) => {
      clock += cost;
      log.push({ tile, moment: at });
      if (tile === broken) throw new Error('The picture is gone.');
    },
    moment: () => moment,
    pause: async () => {
      pauses++;
      moment += 0.1;
      await Promise.resolve();
    },
    now: () => clock,
    onRound: (took) => rounds.push(took),
    onTile: (tile, trouble) => (troubles[tile] = trouble),
  });
  /** The creator seeks. */
  const seek = (to: number): void => void (moment = to);
  return {
    made,
    seek,
    log,
    rounds,
    troubles,
    pauses: () => pauses,
    breaks: (tile: number) => (broken = tile),
  };
};
const soon = () => new Promise((next) => setTimeout(next, 0));

test('a quick machine draws the whole wall between two frames, at one moment', async () => {
  const { made, log, rounds, pauses } = wall(1);
  made.wake(6);
  await soon();
  expect(log.map(({ tile }) => tile)).toEqual([0, 1, 2, 3, 4, 5]);
  expect(pauses()).toBe(0);
  expect(rounds).toEqual([6]);
});

test('a slow one takes turns, and the tiles of a round still show one moment', async () => {
  const { made, log, rounds, pauses } = wall(300);
  made.wake(3);
  await soon();
  made.wake(3);
  await soon();
  expect(log.map(({ tile }) => tile)).toEqual([0, 1, 2, 0, 1, 2]);
  expect(pauses()).toBe(6);
  const moments = log.map((one) => Number(one.moment.toFixed(3)));
  expect(new Set(moments.slice(0, 3)).size).toBe(1);
  expect(new Set(moments.slice(3)).size).toBe(1);
  expect(moments[3]).toBeGreaterThan(moments[0]!);
  expect(rounds).toEqual([900, 900]);
});

test('while something goes on changing the wall goes round, so that no tile waits for ever; at rest nothing is drawn', async () => {
  const { made, log } = wall(300);
  made.wake(4);
  for (let n = 0; n < 9; n++) {
    await Promise.resolve();
    made.wake(4);
  }
  await soon();
  const counts = [0, 1, 2, 3].map((tile) => log.filter((one) => one.tile === tile).length);
  expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
  const before = log.length;
  await soon();
  expect(log).toHaveLength(before);
});

test('when the strip comes to rest in the midst of a round, all tiles end at that moment', async () => {
  const { made, seek, log } = wall(300);
  made.wake(4);
  await Promise.resolve();
  await Promise.resolve();
  seek(9);
  made.wake(4);
  await soon();
  const last = [0, 1, 2, 3].map((tile) => log.filter((one) => one.tile === tile).at(-1)!.moment);
  expect(new Set(last).size).toBe(1);
  expect(last[0]).toBeGreaterThanOrEqual(9);
});

test('another wall that comes in the midst of a round begins a round of its own', async () => {
  const { made, seek, log } = wall(300);
  made.wake(6);
  await Promise.resolve();
  seek(5);
  made.wake(3);
  await soon();
  const last = [0, 1, 2].map((tile) => log.filter((one) => one.tile === tile).at(-1)!.moment);
  expect(new Set(last).size).toBe(1);
  expect(last[0]).toBeGreaterThanOrEqual(5);
});

test('a tile that cannot be drawn says why, holds up no other, and is tried again', async () => {
  const { made, troubles, breaks, log } = wall(1);
  breaks(1);
  made.wake(3);
  await soon();
  expect(troubles).toEqual([null, 'The picture is gone.', null]);
  breaks(-1);
  made.wake(3);
  await soon();
  expect(troubles).toEqual([null, null, null]);
  expect(log).toHaveLength(6);
});

test('another wall begins with its first tile; one that is stopped draws no more', async () => {
  const { made, log } = wall(300);
  made.wake(2);
  await soon();
  made.wake(3);
  await soon();
  expect(log.map(({ tile }) => tile)).toEqual([0, 1, 0, 1, 2]);
  made.wake(3);
  made.stop();
  await soon();
  expect(log).toHaveLength(6);
});
