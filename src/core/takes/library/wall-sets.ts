/** Ready sets of takes for a wall: what an effect has to stand up to, side by side. */
import { COMPARED_FACES } from './compared-faces';
import { performerOf } from './performers';
import { FIRST_TAKE, SHIPPED_TAKES } from './index';

/** Fewer are no wall; more are too small to be judged. */
export const LEAST_TILES = 2;
export const MOST_TILES = 12;

export interface WallSet {
  readonly id: string;
  readonly name: string;
  /** What it is good for, as the second half of a sentence. */
  readonly about: string;
  /** Ids of shipped takes, also of such that somebody else plays. */
  readonly takes: readonly string[];
}

/** The first take, played by somebody else. */
const playedFirst = (performer: string): string =>
  FIRST_TAKE.spec.cast[0]!.performer === performer ? FIRST_TAKE.id : `${FIRST_TAKE.id}-as-${performer}`;

/** A take for each performer who wears glasses or a beard. */
const glassesAndBeards = (): string[] => {
  const worn = new Map<string, string>();
  for (const { id, spec } of SHIPPED_TAKES)
    for (const { performer } of spec.cast) {
      const { glasses, beard } = performerOf(performer);
      if ((glasses !== 'none' || beard !== 'none') && !worn.has(performer)) worn.set(performer, id);
    }
  return [...new Set(worn.values())];
};

export const WALL_SETS: readonly WallSet[] = [
  {
    id: 'tones',
    name: 'Six skin tones',
    about: 'whether colours read on every skin',
    takes: COMPARED_FACES.filter(({ by }) => by === 'tone').map(({ performer }) => playedFirst(performer)),
  },
  {
    id: 'expressions',
    name: 'Expressions',
    about: 'what faces do to it',
    takes: ['mouth', 'pucker-and-blow', 'smile-and-wink', 'brows', 'eyes-shut', 'talking'],
  },
  {
    id: 'two-faces',
    name: 'Two faces and more',
    about: 'who gets what when several are there',
    takes: ['two-people', 'three-people'],
  },
  {
    id: 'turned',
    name: 'Turned away',
    about: 'what is seen from the side, and behind the head',
    takes: ['slow-turn', 'nod-and-tilt', 'solo-turn-and-mouth-as-tobe', 'two-people'],
  },
  {
    id: 'covered',
    name: 'Hand before the face',
    about: 'what happens when something is in front of the face',
    takes: ['hand-over-face', 'drink', 'gestures'],
  },
  {
    id: 'light',
    name: 'Dim and low light',
    about: 'whether it still reads in poor and in hard light',
    takes: ['dim-room', 'low-sun', 'close-skin', 'close-eyes'],
  },
  {
    id: 'floor',
    name: 'Floors, tables, walls',
    about: 'how things stand and hang in rooms',
    takes: ['walk-floor', 'round-table', 'along-wall', 'garden-path'],
  },
  {
    id: 'pictures',
    name: 'Printed picture',
    about: 'how your picture comes alive, and when it is lost',
    takes: ['picture-in-hand', 'picture-on-table', 'picture-tilting', 'picture-covered', 'picture-leaving'],
  },
  {
    id: 'glasses-and-beards',
    name: 'Glasses and beards',
    about: 'what frames and beards do to it',
    takes: glassesAndBeards(),
  },
  {
    id: 'odd',
    name: 'What could go wrong?',
    about: 'what happens with no face, one at the edge, far away, covered, lost and found',
    takes: ['nobody', 'at-the-edge', 'far-away', 'hand-over-face', 'lost-and-found', 'three-people'],
  },
];

/** The ready set of an id; null when there is none. */
export const wallSet = (id: string): WallSet | null => WALL_SETS.find((set) => set.id === id) ?? null;
