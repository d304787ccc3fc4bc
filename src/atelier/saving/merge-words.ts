/** What is said of two lines of work that were brought together. */
import type { Clash } from '../../core/document/merge';
import type { Effect } from '../../core/document/schema';

/** "boundsRadius" to "bounds radius". */
const spaced = (key: string): string =>
  key.replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);

const shown = (value: unknown): string => {
  if (typeof value === 'number') return String(Number(value.toPrecision(4)));
  if (typeof value === 'string')
    return `“${value.length > 40 ? `${[...value].slice(0, 39).join('')}…` : value}”`;
  if (typeof value === 'boolean') return value ? 'on' : 'off';
  return value === null || value === undefined ? 'nothing' : 'something else';
};

/** Whose field it is, as the creator calls it: "name", "opacity of Lantern". */
export const fieldWords = (effect: Effect, path: readonly string[]): string => {
  const [map, id, ...rest] = path;
  if (id === undefined) return spaced(map ?? 'effect');
  const thing = (
    effect as unknown as Record<string, Record<string, { name?: string } | undefined> | undefined>
  )[map!]?.[id];
  const within = rest.length > 0 ? rest : [id];
  const field = within
    .filter((key) => !/^\d+$/.test(key))
    .map(spaced)
    .join(', ');
  return thing?.name ? `${field} of ${thing.name}` : `${field || spaced(map!)}`;
};

/** Fields set in both windows, named with both values; null when there are none. */
export const clashWords = (effect: Effect, clashes: readonly Clash[]): string | null => {
  if (clashes.length === 0) return null;
  const told = clashes
    .slice(0, 3)
    .map(
      ({ path, mine, theirs }) =>
        `${fieldWords(effect, path)} is ${shown(mine)} here, ${shown(theirs)} there`,
    );
  const more = clashes.length > 3 ? ` and ${clashes.length - 3} more` : '';
  return `Both windows changed the same: ${told.join('; ')}${more}. What was set here is in it now; undo takes it back.`;
};
