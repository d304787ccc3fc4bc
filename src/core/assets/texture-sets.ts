/**
 * Sets of pictures for one material, told apart by the names of their files: "crab_basecolor.png", "crab-normal-2k.png",
 * "crab_ORM.png". Names vary by the program they come from; the words below are those in use.
 */
import { MAP_SLOTS, type MapSlot } from '../schema/material-schema';

export type SetSlot = MapSlot | 'mask';

/** Words of a name that say what a picture is for. Occlusion, roughness and metalness may share one picture. */
const WORDS: readonly (readonly [readonly string[], readonly SetSlot[]])[] = [
  [
    ['orm', 'arm', 'occlusionroughnessmetallic', 'aoroughmetal'],
    ['occlusion', 'roughness', 'metalness'],
  ],
  [
    ['metallicroughness', 'roughnessmetallic', 'rm'],
    ['roughness', 'metalness'],
  ],
  [
    ['basecolor', 'basecolour', 'base', 'albedo', 'diffuse', 'diff', 'color', 'colour', 'col', 'bc'],
    ['base'],
  ],
  [
    [
      'normal',
      'normals',
      'nrm',
      'nor',
      'norm',
      'nml',
      'normalgl',
      'normaldx',
      'normalopengl',
      'normaldirectx',
    ],
    ['normal'],
  ],
  [['ao', 'occlusion', 'ambientocclusion', 'occ'], ['occlusion']],
  [['roughness', 'rough', 'rgh'], ['roughness']],
  [['metalness', 'metallic', 'metal', 'mtl', 'met'], ['metalness']],
  [['emissive', 'emission', 'emit', 'glow'], ['glow']],
  [['opacity', 'alpha', 'mask', 'transparency'], ['mask']],
];
/** Their green points down. */
const DOWN = ['dx', 'directx', 'normaldx', 'normaldirectx'];

/** The words of a file name, and where each ends: "Crab_BaseColor" gives crab 1, base 2, color 3, crabbase 2, basecolor 3... */
const wordsOf = (name: string): { readonly word: string; readonly end: number }[] => {
  const stem = name.replace(/^.*[/\\]/, '').replace(/\.[^.]+$/, '');
  const words = stem
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter(Boolean);
  // Two or three words may have been one.
  return words.flatMap((_, at) =>
    [1, 2, 3]
      .filter((n) => at + n <= words.length)
      .map((n) => ({ word: words.slice(at, at + n).join(''), end: at + n })),
  );
};

/** What a picture is for, by its name; null when the name does not tell. */
export const slotsOfName = (
  name: string,
): { readonly slots: readonly SetSlot[]; readonly normalDown: boolean } | null => {
  const words = wordsOf(name);
  let best: { readonly end: number; readonly length: number; readonly slots: readonly SetSlot[] } | null =
    null;
  for (const [names, slots] of WORDS)
    for (const { word, end } of words) {
      if (!names.includes(word)) continue;
      // The last word that tells counts ("metal_crab_normal"), and the longest of those that end at the same place.
      if (!best || end > best.end || (end === best.end && word.length > best.length))
        best = { end, length: word.length, slots };
    }
  if (!best) return null;
  return {
    slots: best.slots,
    normalDown: best.slots[0] === 'normal' && words.some(({ word }) => DOWN.includes(word)),
  };
};

export interface SetPicture<Id extends string = string> {
  readonly id: Id;
  readonly name: string;
  readonly width: number;
  readonly height: number;
}

export interface RecognisedSet<Id extends string = string> {
  readonly maps: Readonly<Partial<Record<SetSlot, Id>>>;
  readonly normalDown: boolean;
  /** Names that do not tell. */
  readonly unknown: readonly SetPicture<Id>[];
  /** Their place was taken by another one already. */
  readonly spare: readonly SetPicture<Id>[];
  /** Of another shape than the base picture: they would not lie over it. */
  readonly odd: readonly SetPicture<Id>[];
}

/** Whether two pictures lie over each other: their shapes differ by less than two parts in a hundred. */
export const sameShape = (a: Omit<SetPicture, 'id' | 'name'>, b: Omit<SetPicture, 'id' | 'name'>): boolean =>
  Math.abs((a.width * b.height) / (a.height * b.width) - 1) < 0.02;

/** Sorts pictures into the slots of a material. A single one whose name does not tell is the base picture. */
export const recogniseSet = <Id extends string>(pictures: readonly SetPicture<Id>[]): RecognisedSet<Id> => {
  const maps: Partial<Record<SetSlot, Id>> = {};
  const [unknown, spare]: SetPicture<Id>[][] = [[], []];
  let normalDown = false;
  // Pictures for one thing go before those that hold several: a roughness of its own is meant.
  const told = pictures.map((picture) => ({ picture, told: slotsOfName(picture.name) }));
  for (const { picture, told: found } of [...told].sort(
    (a, b) => (a.told?.slots.length ?? 9) - (b.told?.slots.length ?? 9),
  )) {
    if (!found) {
      unknown!.push(picture);
      continue;
    }
    const open = found.slots.filter((slot) => maps[slot] === undefined);
    if (open.length === 0) spare!.push(picture);
    for (const slot of open) maps[slot] = picture.id;
    if (open.includes('normal')) normalDown = found.normalDown;
  }
  if (maps.base === undefined && unknown!.length === 1) maps.base = unknown!.pop()!.id;
  const base = pictures.find((p) => p.id === maps.base);
  const used = new Set([...MAP_SLOTS, 'mask' as const].map((slot) => maps[slot]));
  const odd = base ? pictures.filter((p) => used.has(p.id) && !sameShape(p, base)) : [];
  return { maps, normalDown, unknown: unknown!, spare: spare!, odd };
};

/** A material of a model that pictures can be laid on. */
export interface NamedPart {
  readonly slot: string;
  readonly name: string;
}
/** Pictures that go onto one material. */
export interface PartSet<P> {
  readonly slot: string;
  readonly pictures: readonly P[];
}

const plain = (name: string): string => name.toLowerCase().replace(/[^a-z0-9]/g, '');
/** Whether the words of a file name are, or hold, the name of a part: "lid_basecolor.png" is of "Lid". */
const isOfPart = (name: string, part: string): boolean =>
  part !== '' && wordsOf(name).some(({ word }) => word === part);

/**
 * Pictures as sets of maps, by the part each is named after; those named after none go onto all that has none (`all`). Null when they are
 * no maps: a name does not tell, or a single one only says what many pictures are called ("wave colour").
 */
export const asMaps = <P extends SetPicture>(
  pictures: readonly P[],
  parts: readonly NamedPart[],
): readonly PartSet<P>[] | null => {
  const told = pictures.map(({ name }) => slotsOfName(name));
  if (pictures.length === 0 || told.includes(null)) return null;
  const isPlain = told.every((t) => t!.slots.every((slot) => slot === 'base' || slot === 'mask'));
  if (pictures.length === 1 && isPlain) return null;
  const sets = new Map<string, P[]>();
  for (const picture of pictures) {
    const part = parts.find(({ name }) => isOfPart(picture.name, plain(name)));
    const slot = part?.slot ?? 'all';
    sets.set(slot, [...(sets.get(slot) ?? []), picture]);
  }
  return [...sets].map(([slot, own]) => ({ slot, pictures: own }));
};
