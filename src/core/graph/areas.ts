/** What lies on an area of a board. */
import type { Laid } from './align';

/** Those whose middle is within the area; itself never. */
export const liesOn = <Id extends string>(area: Laid<Id>, all: readonly Laid<Id>[]): Id[] =>
  all.flatMap(({ id, at, size }) => {
    const [x, y] = [at[0] + size[0] / 2 - area.at[0], at[1] + size[1] / 2 - area.at[1]];
    const within = x >= 0 && y >= 0 && x <= area.size[0] && y <= area.size[1];
    return within && id !== area.id ? [id] : [];
  });
