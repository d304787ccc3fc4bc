/** People before a backdrop, and parts of the camera picture on cards: widths and colours in pixels. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { edgePixels } from '../src/core/backdrop/person-mask';
import { newFill } from '../src/core/kinds/objects/fill';
import { newLive } from '../src/core/kinds/objects/live';
import type { CameraPart, EffectObject, Fill, Live, ObjectId } from '../src/core/document/schema';
import { openBlank } from './harness/blank-page';
import type { BackdropPage, BackdropSpec } from './harness/backdrop-page';

let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await openBlank(browser, 'e2e/harness/backdrop-page.ts', { smooth: false });
});
test.afterAll(() => page.close());

const [WIDTH, HEIGHT] = [180, 320];
type Rgb = [number, number, number];
interface Picture {
  /** From the lower left. */
  at(x: number, y: number): Rgb;
}
const draw = async (spec: Partial<BackdropSpec>): Promise<Picture> => {
  const text = await page.evaluate(
    (s) => (window as unknown as { backdropPage: BackdropPage }).backdropPage.draw(s),
    { picture: 'vec3(1.0)', people: null, objects: [], width: WIDTH, height: HEIGHT, ...spec },
  );
  const pixels = Buffer.from(text, 'base64');
  return { at: (x, y) => [...pixels.subarray(4 * (y * WIDTH + x), 4 * (y * WIDTH + x) + 3)] as Rgb };
};
const near = (seen: Rgb, wanted: Rgb, by = 2): void =>
  wanted.forEach((c, i) =>
    expect(Math.abs(seen[i]! - c), `${seen.join()} against ${wanted.join()}`).toBeLessThanOrEqual(by),
  );

const BLACK: Fill = { ...newFill('obj_fill' as ObjectId, 9, { kind: 'backdrop' }), tint: '#000000' };
/** People fill the right half. */
const RIGHT = 'vUv.x > 0.5 ? 1.0 : 0.0';

/** Along the middle row, 0..1: how much of the white camera picture is left of black. */
const maskRow = async (backdrop: BackdropSpec['backdrop']): Promise<number[]> => {
  const seen = await draw({ people: RIGHT, objects: [BLACK], backdrop: backdrop! });
  return Array.from({ length: WIDTH }, (_, x) => seen.at(x, HEIGHT / 2)[0] / 255);
};
/** Where the row passes a level, in pixels from the left. */
const passes = (row: number[], level: number): number => {
  const i = row.findIndex((m) => m >= level);
  const [a, b] = [row[i - 1]!, row[i]!];
  return i - 0.5 + (level - a) / Math.max(1e-6, b - a);
};

test('people are cut out as they come: a hard edge where it was', async () => {
  const row = await maskRow({});
  expect(row[WIDTH / 2 - 1]).toBe(0);
  expect(row[WIDTH / 2]).toBe(1);
});

for (const [feather, grow] of [
  [0.3, 0],
  [1, 0],
  [0.2, 0.8],
  [0.2, -0.8],
  [0.6, -0.5],
] as const)
  test(`feather ${feather}, grow ${grow}: as wide and as far as core says, to a pixel`, async () => {
    const wanted = edgePixels({ feather, grow }, HEIGHT);
    const row = await maskRow({ feather, grow });
    // The people are on the right: growing moves their edge to the left.
    expect(Math.abs(passes(row, 0.5) - (WIDTH / 2 - wanted.grow))).toBeLessThan(1);
    const width = (passes(row, 0.9) - passes(row, 0.1)) / 0.8;
    expect(Math.abs(width - wanted.feather)).toBeLessThan(1.2);
    for (let x = 1; x < WIDTH; x++) expect(row[x]! - row[x - 1]!).toBeGreaterThan(-0.02);
  });

test('inverted, the backdrop is in the people and the room stays', async () => {
  const plain = await maskRow({ feather: 0.3 });
  const inverted = await maskRow({ feather: 0.3, invert: true });
  const most = Math.max(...plain.map((m, x) => Math.abs(m + inverted[x]! - 1)));
  expect(most).toBeLessThan(0.02);
});

test('spill: a bright room leaves no rim on dark people with a feathered edge', async () => {
  const picture = 'vUv.x > 0.5 ? vec3(0.2, 0.1, 0.1) : vec3(1.0)';
  const brightest = async (spill: number): Promise<number> => {
    const seen = await draw({ picture, people: RIGHT, objects: [BLACK], backdrop: { feather: 0.6, spill } });
    return Math.max(...Array.from({ length: WIDTH }, (_, x) => seen.at(x, 160)[0]));
  };
  expect(await brightest(0)).toBeGreaterThan(100);
  expect(await brightest(1)).toBeLessThan(56);
});

test('on a camera that does not know people the picture stays as it is', async () => {
  const seen = await draw({ picture: 'vec3(0.4)', objects: [BLACK] });
  near(seen.at(20, 20), [102, 102, 102]);
});

const live = (part: CameraPart, change: Partial<Live> = {}): EffectObject => ({
  ...newLive('obj_live' as ObjectId, part, 0, { kind: 'screen', pin: 'centre' }),
  fit: 'stretch',
  blur: 0,
  ...change,
});
/** Red to the right, green upwards. */
const MAP = 'vec3(vUv.x, vUv.y, 0.0)';

test('the whole picture on a card: cropped, mirrored', async () => {
  const crop: Live['crop'] = [0.5, 0.25, 0.5, 0.5];
  const cropped = await draw({ picture: MAP, objects: [live('whole', { crop })] });
  // From the left edge of the crop to the right one, from its top (a quarter down) to its bottom.
  near(cropped.at(0, HEIGHT - 1), [128, 191, 0], 3);
  near(cropped.at(WIDTH - 1, 0), [254, 64, 0], 3);
  const mirrored = await draw({ picture: MAP, objects: [live('whole', { crop, flip: true })] });
  near(mirrored.at(0, HEIGHT - 1), [254, 191, 0], 3);
});

test('the person alone, and the room alone: clear where the other is', async () => {
  const ground = {
    ...newFill('obj_under' as ObjectId, 5, { kind: 'screen', pin: 'centre' }),
    fit: 'stretch',
    tint: '#0000ff',
  } as Fill;
  const person = await draw({ picture: MAP, people: RIGHT, objects: [live('person'), ground] });
  near(person.at(40, 160), [0, 0, 255]);
  near(person.at(140, 160), [(140.5 / 180) * 255, (160.5 / 320) * 255, 0], 3);
  const room = await draw({ picture: MAP, people: RIGHT, objects: [live('background'), ground] });
  near(room.at(40, 160), [(40.5 / 180) * 255, (160.5 / 320) * 255, 0], 3);
  near(room.at(140, 160), [0, 0, 255]);
});

test('blurred, an edge is as soft as it should be, and a plain picture stays plain', async () => {
  const picture = 'vUv.x > 0.5 ? vec3(1.0) : vec3(0.0)';
  const seen = await draw({ picture, objects: [live('whole', { blur: 0.5 })] });
  const row = Array.from({ length: WIDTH }, (_, x) => seen.at(x, 160)[0] / 255);
  // A Gaussian of 0.5 x 6 % of the height: 9.6 pixels; it reaches 16 and 84 % one deviation from the edge.
  expect(Math.abs(passes(row, 0.8413) - passes(row, 0.1587) - 2 * 9.6)).toBeLessThan(1.5);
  const plain = await draw({ picture: 'vec3(0.6, 0.4, 0.2)', objects: [live('whole', { blur: 1 })] });
  near(plain.at(90, 160), [153, 102, 51]);
});

test('a blurred room behind a person has nothing of the person in it', async () => {
  // A green person in a grey room; the room is the backdrop, and the person is made smaller by far, so that it is seen.
  const picture = 'abs(vUv.x - 0.5) < 0.2 ? vec3(0.0, 0.8, 0.0) : vec3(0.5)';
  const people = 'abs(vUv.x - 0.5) < 0.2 ? 1.0 : 0.0';
  const room = { ...newLive('obj_room' as ObjectId, 'background', 0, { kind: 'backdrop' }), blur: 0.6 };
  const seen = await draw({ picture, people, objects: [room], backdrop: { grow: -1 } });
  // 4 % of the height is 13 pixels: there the person gives way to the room.
  const edge = Math.round(0.3 * WIDTH);
  near(seen.at(edge + 4, 160), [128, 128, 128], 4);
  near(seen.at(90, 160), [0, 204, 0], 2);
});

test('the face laid flat: the colours of the picture where the landmarks are; nothing without a face', async () => {
  const flat = live('face', { fit: 'stretch' });
  const seen = await draw({ picture: MAP, objects: [flat], withFace: true });
  // The tip of the nose is in the middle of the picture and of the layout, the forehead above it.
  const [r] = seen.at(90, 160);
  expect(Math.abs(r - 128)).toBeLessThan(12);
  expect(seen.at(90, 220)[1]).toBeGreaterThan(seen.at(90, 120)[1] + 10);
  const without = await draw({ picture: MAP, objects: [flat] });
  near(without.at(90, 160), [128, 128, 0], 2);
});

test('a colour field tiles, covers and runs as it is told', async () => {
  const field = (change: Partial<Fill>): EffectObject => ({
    ...newFill('obj_fill' as ObjectId, 0, { kind: 'screen', pin: 'centre' }),
    extent: [0.04, 0.04],
    fit: 'stretch',
    tint: '#ff0000',
    ...change,
  });
  const gradient = await draw({ objects: [field({ to: '#0000ff' })] });
  near(gradient.at(90, 2), [253, 0, 2], 4);
  near(gradient.at(90, HEIGHT - 3), [2, 0, 253], 4);
  const contained = await draw({ objects: [field({ fit: 'contain' })] });
  near(contained.at(90, 160), [255, 0, 0]);
  near(contained.at(90, 20), [255, 255, 255]);
  // The camera picture in tiles half as high as the screen: the same point twice.
  const tiled = await draw({
    picture: MAP,
    objects: [live('whole', { fit: 'tile', extent: [0.045, 0.08], scale: [1, 1, 1] })],
  });
  near(tiled.at(30, 40), tiled.at(30 + 90, 40 + 160), 3);
  near(tiled.at(45, 80), [128, 128, 0], 4);
});
