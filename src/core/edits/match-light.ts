/** Lights of an effect that do what the light of the camera picture does. */
import type { Draft } from 'immer';
import { addObject } from './object-edits';
import { edit, type Edit } from '../document/edit';
import { newLight } from '../kinds/objects/light';
import { orderOnTop, stackOrder } from '../document/queries';
import type { Effect, Light, LightKind, ObjectId } from '../document/schema';
import { clamp } from '../maths/scalar';
import type { LightEstimate } from '../tracking/track-frame';
import { turnTowards } from '../light/direction';

/** A lit grey card in a well lit room. */
const USUAL = 0.6;
/** How bright each kind is then: as what is lit without lights of its own. */
const STRENGTH: Readonly<Record<'ambient' | 'directional' | 'surroundings', number>> = {
  ambient: 0.5,
  directional: 1,
  surroundings: 0.7,
};
const NAMES: Readonly<Record<keyof typeof STRENGTH, string>> = {
  directional: 'Main light',
  ambient: 'Light all around',
  surroundings: 'Reflections',
};

const lightOf = (effect: Effect, kind: LightKind): Light | null =>
  stackOrder(effect).find((o): o is Light => o.kind === 'light' && o.light === kind) ?? null;

/**
 * Sets the first light of each kind to the estimate, and adds those that are missing. They keep to the screen, so that
 * they do not turn with a head.
 */
export const matchLight = (
  effect: Effect,
  { direction, colour, brightness }: LightEstimate,
  newId: () => ObjectId,
): Edit =>
  edit("Match the camera's light", (d) => {
    const level = clamp(brightness / USUAL, 0.15, 2);
    for (const kind of ['directional', 'ambient', 'surroundings'] as const) {
      const change = {
        strength: Math.round(1000 * STRENGTH[kind] * level) / 1000,
        colour,
        ...(kind === 'directional' ? { turn: turnTowards(direction) } : {}),
      };
      const there = lightOf(effect, kind);
      if (there) Object.assign(d.objects[there.id]!, change as Draft<Partial<Light>>);
      else
        addObject({
          ...newLight(newId(), kind, orderOnTop(d as Effect), { kind: 'screen', pin: 'centre' }),
          name: NAMES[kind],
          ...change,
        }).change(d);
    }
  });
