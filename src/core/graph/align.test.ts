import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { alignedPlaces, ALIGNMENTS, type Alignment, type Laid } from './align';
import { liesOn } from './areas';

const at = (id: string, x: number, y: number, width = 100, height = 40): Laid => ({
  id,
  at: [x, y],
  size: [width, height],
});
const placed = (how: Alignment, ...all: Laid[]): unknown =>
  [...alignedPlaces(all, how)].map(([, place]) => place);
const WIDE = at('wide', 300, 90, 200, 60);

describe('in line', () => {
  const one = at('one', 10, 20);
  test.each<[Alignment, unknown]>([
    [
      'left',
      [
        [10, 20],
        [10, 90],
      ],
    ],
    [
      'right',
      [
        [400, 20],
        [300, 90],
      ],
    ],
    [
      'centre',
      [
        [205, 20],
        [155, 90],
      ],
    ],
    [
      'top',
      [
        [10, 20],
        [300, 20],
      ],
    ],
    [
      'bottom',
      [
        [10, 110],
        [300, 90],
      ],
    ],
    [
      'middle',
      [
        [10, 65],
        [300, 55],
      ],
    ],
  ])('%s', (how, places) => {
    expect(placed(how, one, WIDE)).toEqual(places);
  });
  test('even gaps, in the order in which they lie', () => {
    // 100 and 200 wide between 0 and 600 + 100: gaps of 150.
    expect([...alignedPlaces([at('a', 0, 5), at('last', 600, 7), at('b', 500, 9, 200)], 'across')]).toEqual([
      ['a', [0, 5]],
      ['b', [250, 9]],
      ['last', [600, 7]],
    ]);
    expect(placed('down', at('a', 0, 0), at('b', 0, 10), at('c', 0, 160))).toEqual([
      [0, 0],
      [0, 80],
      [0, 160],
    ]);
  });
  test('where they lie over one another too far for gaps, their edges are spread, in the same order', () => {
    expect(placed('down', at('a', 0, 0, 100, 400), at('b', 0, 10, 100, 20), at('c', 0, 30, 100, 20))).toEqual(
      [
        [0, 0],
        [0, 15],
        [0, 30],
      ],
    );
    expect(placed('down', at('a', 0, 0, 0, 1), at('b', 0, 0, 0, 0), at('c', 0, 0, 0, 0))).toEqual([
      [0, 0],
      [0, 0],
      [0, 0],
    ]);
  });
  test('one alone stays', () => {
    for (const how of Object.keys(ALIGNMENTS) as Alignment[]) expect(placed(how, one)).toEqual([]);
  });
  const anyLaid = fc
    .array(fc.tuple(fc.integer(), fc.integer(), fc.nat(500), fc.nat(500)), { minLength: 2, maxLength: 9 })
    .map((all) => all.map(([x, y, w, h], i) => at(`n${i}`, x, y, w, h)));
  test.each(Object.keys(ALIGNMENTS) as Alignment[])('%s: done again it changes nothing', (how) => {
    fc.assert(
      fc.property(anyLaid, (all) => {
        const once = alignedPlaces(all, how);
        const then = alignedPlaces(
          all.map((one) => ({ ...one, at: once.get(one.id)! })),
          how,
        );
        for (const [id, [x, y]] of then) {
          expect(x).toBeCloseTo(once.get(id)![0], 3);
          expect(y).toBeCloseTo(once.get(id)![1], 3);
        }
      }),
    );
  });
});

test('what has its middle on an area lies on it; the area itself does not', () => {
  const area = at('area', 0, 0, 300, 200);
  const all = [
    area,
    at('in', 220, 20),
    at('half out', 260, 20),
    at('above', 20, -30),
    at('inner area', 10, 10, 50, 50),
  ];
  expect(liesOn(area, all)).toEqual(['in', 'inner area']);
});
