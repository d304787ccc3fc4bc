/** The skin of performers as a camera sees it from close by. */
import { expect, test } from './harness/test';
import { toOklch } from '../src/core/maths/colour-spaces';
import { linearOf } from '../src/core/maths/srgb';
import { bare, draw, openFacePage, type Picture } from './harness/face-pixels';

openFacePage();

type Place = readonly [number, number];
const brightness = (picture: Picture, at: Place): number =>
  picture.colour(at).reduce((sum, c) => sum + 85 * c, 0);
/** What is finer than some pixels in a square patch. */
const fineOf = (picture: Picture, [x, y]: Place, reach: number): number[] => {
  const fine: number[] = [];
  for (let j = -reach; j <= reach; j++)
    for (let i = -reach; i <= reach; i++) {
      let mean = 0;
      for (let b = -3; b <= 3; b++)
        for (let a = -3; a <= 3; a++) mean += brightness(picture, [x + i + a, y + j + b]) / 49;
      fine.push(brightness(picture, [x + i, y + j]) - mean);
    }
  return fine;
};
const sumOf = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0);
const deviation = (fine: readonly number[]): number => Math.sqrt(sumOf(fine.map((v) => v * v)) / fine.length);
const correlation = (a: readonly number[], b: readonly number[]): number =>
  sumOf(a.map((v, i) => v * b[i]!)) / a.length / (deviation(a) * deviation(b));

for (const performer of ['odile', 'tobe', 'ines'])
  test(`${performer}: pores are relief: under a lamp from the other side other flanks of them are light`, async () => {
    const cheek = async (lit: string): Promise<number[]> => {
      const drawn = await draw({
        effect: bare,
        take: `screen-test-${performer}`,
        lit,
        time: 0.5,
        fovY: 9,
        width: 360,
        height: 360,
        expressions: {},
        landmarks: [280],
      });
      return fineOf(drawn, drawn.marks[0]!, 24);
    };
    const [left, right] = [await cheek('hard-lamp'), await cheek('dim')];
    expect(deviation(left)).toBeGreaterThan(1);
    // What is painted on the skin alone is alike in both: 0.9.
    expect(correlation(left, right)).toBeLessThan(0.7);
  });

test('on a shaved head hair stands at the sides, a shadow of dots that is greyer than the forehead, and not before the hairline', async () => {
  const drawn = await draw({
    effect: bare,
    take: 'screen-test-anselm/slow-turn',
    time: 4.6,
    fovY: 20,
    width: 480,
    height: 480,
    landmarks: [54],
  });
  const [x, y] = drawn.marks[0]!;
  const patchAt = (dx: number, dy: number) => {
    let [light, chroma] = [0, 0];
    for (let j = -6; j <= 6; j++)
      for (let i = -6; i <= 6; i++) {
        const [l, c] = toOklch(linearOf(drawn.colour([x + dx + i, y + dy + j])));
        [light, chroma] = [light + l / 169, chroma + c / 169];
      }
    return { light, chroma, fine: deviation(fineOf(drawn, [x + dx, y + dy], 9)) };
  };
  const [side, forehead] = [patchAt(-30, 20), patchAt(40, 20)];
  expect(side.fine).toBeGreaterThan(2.5 * forehead.fine);
  expect(side.chroma).toBeLessThan(0.93 * forehead.chroma);
  expect(forehead.fine).toBeLessThan(1.5);
});
