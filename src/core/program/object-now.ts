/** An object as it is at a moment: what behaviour has changed lies over what the document says. */
import type { EffectObject } from '../document/schema';
import { withNumbers } from '../kinds/numbers';
import type { Values } from '../kinds/values';

/** The same object as long as nothing of it is changed, so that whoever draws it can tell by identity. */
export const objectAs = (
  object: EffectObject,
  { numbers, colour, text, picture }: Readonly<Values>,
): EffectObject => {
  let now = object;
  if (numbers) now = withNumbers(now, numbers);
  if (colour !== null) {
    if ('tint' in now) now = { ...now, tint: colour };
    else if ('colour' in now) now = { ...now, colour };
  }
  if (text !== null && now.kind === 'text') now = { ...now, text };
  if (picture !== null && now.kind === 'card') now = { ...now, ...picture };
  return now;
};

/** Keeps the last of each, since most objects do not change from one frame to the next. */
export class ObjectsNow {
  private readonly kept: {
    of: EffectObject;
    numbers: unknown;
    colour: unknown;
    text: unknown;
    picture: unknown;
    now: EffectObject;
  }[] = [];

  at(i: number, object: EffectObject, values: Readonly<Values>): EffectObject {
    const { numbers, colour, text, picture } = values;
    if (numbers === null && colour === null && text === null && picture === null) return object;
    const kept = this.kept[i];
    if (
      kept &&
      kept.of === object &&
      kept.numbers === numbers &&
      kept.colour === colour &&
      kept.text === text &&
      kept.picture === picture
    )
      return kept.now;
    const now = objectAs(object, values);
    this.kept[i] = { of: object, numbers, colour, text, picture, now };
    return now;
  }
}
