/** Faces that a look is compared on, and takes played by somebody else. */
import type { CastMember, Take, TakeSpec } from '../take';
import { makeTake } from '../make-take';
import type { SkinTone } from '../skin-tones';
import { performerOf } from './performers';
import { FIRST_TAKE, SHIPPED_TAKES } from './index';
import { screenTest } from './takes';

/** Why a face is among those that are compared: its skin tone, or its age. */
export type ComparedBy = 'tone' | 'age';
export interface ComparedFace {
  readonly performer: string;
  readonly by: ComparedBy;
}

/** One of each skin tone, from the lightest to the darkest, then three ages, from the youngest to the oldest. */
export const COMPARED_FACES: readonly ComparedFace[] = [
  ...['wren', 'ines', 'marin', 'asha', 'odile', 'tobe'].map((performer): ComparedFace => ({
    performer,
    by: 'tone',
  })),
  ...['jun', 'tomas', 'anselm'].map((performer): ComparedFace => ({ performer, by: 'age' })),
];

/** Years, by how old a performer looks: from 20 to 80. */
export const yearsOf = (performer: string): number =>
  Math.round((20 + 60 * performerOf(performer).age) / 10) * 10;
/** The Fitzpatrick type of a performer's skin. */
export const toneOf = (performer: string): SkinTone => performerOf(performer).tone;

/** A face that fills an upright picture of 3 to 4. */
const CLOSE: CastMember['place'] = [0, -0.012, -0.33];

/** One performer from close by before plain paper, looking into the camera, in a light of the takes' (`lights.ts`). */
export const closeUpOf = (performer: string, light: TakeSpec['light']): Take => {
  const spec = screenTest(performer);
  return makeTake({
    ...spec,
    id: `close-up-${performer}-${light}`,
    light,
    room: 'paper',
    cast: spec.cast.map((member) => ({ ...member, place: CLOSE })),
  });
};

const AS = /^(.+)-as-([a-z]+)$/;
/** Id and name of the take that another one was made from by `playedBy`; its own, if it was not. */
const originOf = ({ id, name }: TakeSpec): Pick<TakeSpec, 'id' | 'name'> => {
  const origin = AS.exec(id)?.[1];
  return origin === undefined ? { id, name } : { id: origin, name: name.replace(/, [^,]+$/, '') };
};

/**
 * The same take with another performer: place, light, camera and everything that is done stay. Where several are in it, the first is
 * replaced. A take without people, or a creator's own clip, has nobody to replace: the first take is played instead.
 */
export const playedBy = (performer: string, { spec, clip }: Take): Take => {
  const base = clip || spec.cast.length === 0 ? FIRST_TAKE.spec : spec;
  const [first, ...others] = base.cast;
  if (first!.performer === performer) return makeTake(base);
  const { id, name } = originOf(base);
  const shipped = SHIPPED_TAKES.find((take) => take.id === id);
  if (shipped?.spec.cast[0]?.performer === performer) return shipped;
  return makeTake({
    ...base,
    id: `${id}-as-${performer}`,
    name: `${name}, ${performerOf(performer).name}`,
    cast: [{ ...first!, performer }, ...others],
  });
};

/** A shipped take by its id, also one that somebody else plays (`playedBy`); null where there is none. */
export const shippedTake = (id: string): Take | null => {
  const found = SHIPPED_TAKES.find((take) => take.id === id);
  if (found) return found;
  const [, origin, performer] = AS.exec(id) ?? [];
  const take = SHIPPED_TAKES.find((one) => one.id === origin);
  return take && COMPARED_FACES.some((face) => face.performer === performer)
    ? playedBy(performer!, take)
    : null;
};
