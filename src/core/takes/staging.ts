/** Where people stand in a take, and whether they stand in each other. */
import { subtract } from '../maths/vec3';
import type { CastMember, Take } from './take';

type Place = CastMember['place'];

/** Places for one to four people that all fit in the picture: the nearest in the middle, the others behind. */
const PLACES: readonly (readonly Place[])[] = [
  [],
  [[0, 0.004, -0.56]],
  [
    [-0.1, 0.01, -0.86],
    [0.14, 0.05, -1.14],
  ],
  [
    [0, 0, -0.9],
    [-0.2, 0.03, -1.2],
    [0.25, 0.09, -1.5],
  ],
  [
    [0.02, -0.03, -0.95],
    [-0.22, 0.02, -1.25],
    [0.26, 0.06, -1.55],
    [-0.06, 0.18, -1.85],
  ],
];

/** The same cast, spread out so that everybody is seen. People who take turns keep their places. */
export const arranged = (cast: readonly CastMember[]): CastMember[] => {
  const places = PLACES[cast.length];
  return places ? cast.map((member, i) => ({ ...member, place: [...places[i]!] as Place })) : [...cast];
};

/** Shoulders are about 40 cm wide and 22 deep. */
const SHOULDERS = { wide: 0.4, deep: 0.22 } as const;

/** Pairs of people, by their place in the cast from 1, who at some time stand in each other. */
export const collisions = (take: Take): readonly (readonly [number, number])[] => {
  const found = new Set<string>();
  for (let t = 0; t < take.duration; t += 0.1) {
    const { people } = take.sceneAt(t);
    people.forEach((a, i) =>
      people.slice(i + 1).forEach((b) => {
        const [dx, , dz] = subtract(a.head.position, b.head.position).map(Math.abs) as [
          number,
          number,
          number,
        ];
        if (dx < SHOULDERS.wide && dz < SHOULDERS.deep) found.add(`${a.id} ${b.id}`);
      }),
    );
  }
  return [...found].map((pair) => pair.split(' ').map(Number) as [number, number]);
};
