import { describe, expect, test } from '@jest/globals';
import type { FaceOutline } from '../morph/outline';
import { guessHair, type HeadSeen, type SmallPicture } from './hair-guess';

const [WIDTH, HEIGHT] = [60, 80];
const CENTRE = [30, 40] as const;
const RADIUS = 12;
const outline: FaceOutline = { centre: CENTRE, radii: new Float32Array(32).fill(RADIUS) };
const HEAD: HeadSeen = { outline, up: [0, 1], brows: [] };

type Colour = readonly [number, number, number];
const SKIN: Colour = [205, 160, 135];
const WALL: Colour = [120, 60, 40];
const SHIRT: Colour = [40, 70, 130];
/** A round face with hair around its upper half, `long` pixels wide; a shirt below; before a wall. */
const person = (
  hair: Colour | null,
  wall: Colour = WALL,
): { picture: SmallPicture; people: Uint8Array; hair: Uint8Array } => {
  const data = new Uint8Array(4 * WIDTH * HEIGHT);
  const people = new Uint8Array(WIDTH * HEIGHT);
  const truth = new Uint8Array(WIDTH * HEIGHT);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const i = y * WIDTH + x;
      const [dx, dy] = [x + 0.5 - CENTRE[0], y + 0.5 - CENTRE[1]];
      const away = Math.hypot(dx, dy);
      let colour = wall;
      if (away < RADIUS + 1) colour = SKIN;
      else if (away < RADIUS + 7 && dy > -2) colour = hair ?? (away < RADIUS + 4 ? SKIN : wall);
      else if (dy < -RADIUS - 4 && Math.abs(dx) < 22) colour = SHIRT;
      people[i] = colour === wall ? 0 : 255;
      truth[i] = hair && colour === hair ? 1 : 0;
      const grain = ((x * 7 + y * 13) % 5) - 2;
      for (let c = 0; c < 3; c++) data[4 * i + c] = colour[c]! + 3 * grain;
      data[4 * i + 3] = 255;
    }
  return { picture: { data, width: WIDTH, height: HEIGHT }, people, hair: truth };
};
const judged = (hair: Colour | null, wall?: Colour, known = true): { found: number; wrong: number } => {
  const made = person(hair, wall);
  const got = guessHair(made.picture, known ? made.people : null, HEAD);
  let [hits, all, wrong] = [0, 0, 0];
  got.forEach((v, i) => {
    if (made.hair[i]) all++;
    if (v > 127 && made.hair[i]) hits++;
    else if (v > 127) wrong++;
  });
  return { found: hits / Math.max(1, all), wrong: wrong / (WIDTH * HEIGHT) };
};

describe('hair of a head', () => {
  test.each([
    ['dark', [30, 22, 18]],
    ['fair', [190, 150, 70]],
    ['red', [150, 60, 20]],
    ['blue', [50, 80, 190]],
  ] as const)('%s is found, skin, shirt and wall are not', (_, colour) => {
    const { found, wrong } = judged(colour);
    expect(found).toBeGreaterThan(0.85);
    expect(wrong).toBeLessThan(0.02);
  });

  test('before a wall of the same colour it is told by the people', () => {
    expect(judged(WALL, [121, 60, 40]).wrong).toBeLessThan(0.03);
    expect(judged(WALL, [121, 60, 40], false).wrong).toBeGreaterThan(0.2);
  });

  test('of a full beard in the colour of the hair neither skin nor beard is dyed', () => {
    const dark: Colour = [36, 26, 20];
    const { picture, people, hair } = person(dark);
    const beard: number[] = [];
    for (let y = 0; y < HEIGHT; y++)
      for (let x = 0; x < WIDTH; x++) {
        const [dx, dy] = [x + 0.5 - CENTRE[0], y + 0.5 - CENTRE[1]];
        if (Math.hypot(dx, dy) > RADIUS + 0.5 || dy > -4) continue;
        beard.push(y * WIDTH + x);
        picture.data.set([...dark, 255], 4 * (y * WIDTH + x));
      }
    const got = guessHair(picture, people, HEAD);
    expect(beard.filter((i) => got[i]! > 127).length / beard.length).toBeLessThan(0.05);
    const wrong = got.reduce((sum, v, i) => sum + (v > 127 && !hair[i] ? 1 : 0), 0);
    expect(wrong / (WIDTH * HEIGHT)).toBeLessThan(0.03);
    const found = hair.reduce((sum, h, i) => sum + (h && got[i]! > 127 ? 1 : 0), 0);
    expect(found / hair.reduce((sum, h) => sum + h, 0)).toBeGreaterThan(0.8);
  });

  test('dark hair on dark skin under a lamp at its side, with a glint, is found; the dark side of the face is none', () => {
    const crop: Colour = [18, 16, 16];
    const { picture, people, hair } = person(crop);
    for (let i = 0; i < WIDTH * HEIGHT; i++) {
      if (hair[i] || !people[i] || Math.floor(i / WIDTH) < CENTRE[1] - RADIUS - 2) continue;
      const across = ((i % WIDTH) - CENTRE[0]) / RADIUS;
      const down = (CENTRE[1] - Math.floor(i / WIDTH)) / RADIUS;
      // Ten times as bright on one side, with a glint down the middle that has no colour.
      const light = 0.25 + 1.1 * Math.max(0, across + 1);
      const glint = 90 * Math.exp(-((across / 0.35) ** 2)) * Math.max(0, 1 - Math.max(0, -down - 0.6) * 3);
      [62, 34, 22].forEach(
        (c, k) => (picture.data[4 * i + k] = Math.min(255, Math.round(c * light + glint))),
      );
    }
    const got = guessHair(picture, people, HEAD);
    const found = hair.reduce((sum, h, i) => sum + (h && got[i]! > 127 ? 1 : 0), 0);
    expect(found / hair.reduce((sum, h) => sum + h, 0)).toBeGreaterThan(0.8);
    expect(got.reduce((sum, v, i) => sum + (v > 127 && !hair[i] ? 1 : 0), 0) / got.length).toBeLessThan(0.02);
  });

  /** A brow from the temple inwards, where the hair comes down to it. */
  const BROW = [
    [19, 44],
    [28, 44],
    [28, 47],
    [19, 47],
  ] as const;
  const browIn = (made: ReturnType<typeof person>, colour: Colour, top: number): number[] => {
    const own: number[] = [];
    for (let y = BROW[0][1]; y < top; y++)
      for (let x = BROW[0][0]; x < BROW[1][0]; x++) {
        made.picture.data.set([...colour, 255], 4 * (y * WIDTH + x));
        const away = Math.hypot(x + 0.5 - CENTRE[0], y + 0.5 - CENTRE[1]);
        if (y < BROW[2][1] && away > 0.75 * RADIUS) own.push(y * WIDTH + x);
      }
    return own;
  };
  test.each([
    ['a brow that meets the hair keeps its colour', BROW[2][1], 0, 0.05],
    ['a brow under a fringe is dyed with it', CENTRE[1] + RADIUS, 0.6, 1],
  ] as const)('%s', (_, top, least, most) => {
    const dark: Colour = [36, 26, 20];
    const made = person(dark);
    const own = browIn(made, dark, top);
    const got = guessHair(made.picture, made.people, { ...HEAD, brows: [BROW] });
    const share = own.filter((i) => got[i]! > 127).length / own.length;
    expect(share).toBeGreaterThanOrEqual(least);
    expect(share).toBeLessThanOrEqual(most);
    // Without a word about brows the first is taken for hair.
    const blind = guessHair(made.picture, made.people, HEAD);
    expect(own.filter((i) => blind[i]! > 127).length / own.length).toBeGreaterThan(0.3);
  });

  test('a glint on the forehead under grey hair is skin', () => {
    const made = person([196, 190, 184]);
    const glint: number[] = [];
    for (let y = CENTRE[1] + 4; y < CENTRE[1] + RADIUS + 2; y++)
      for (let x = CENTRE[0] - 6; x < CENTRE[0] + 6; x++) {
        const i = y * WIDTH + x;
        if (made.hair[i]) continue;
        made.picture.data.set([226, 186, 166, 255], 4 * i);
        if (y < CENTRE[1] + RADIUS - 2) glint.push(i);
      }
    const got = guessHair(made.picture, made.people, HEAD);
    expect(glint.filter((i) => got[i]! > 127).length / glint.length).toBeLessThan(0.05);
    const found = made.hair.reduce((sum, h, i) => sum + (h && got[i]! > 127 ? 1 : 0), 0);
    expect(found / made.hair.reduce((sum, h) => sum + h, 0)).toBeGreaterThan(0.8);
  });

  test('a bare head has none, nor has a face that is cut off by the picture', () => {
    expect(judged(null)).toEqual({ found: 0, wrong: 0 });
    const { picture, people } = person([30, 22, 18]);
    const high: HeadSeen = { ...HEAD, outline: { ...outline, centre: [30, 79] } };
    expect([...guessHair(picture, people, high)].every((v) => v === 0)).toBe(true);
  });
});
