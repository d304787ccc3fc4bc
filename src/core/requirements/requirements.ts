/** What an effect needs: which trackers, whether the microphone, whether people are told from what is behind them; what draws it. */
import { needsOfNodes, signalsOf, triggersOf } from '../document/behaviour-queries';
import { materialCameraParts, materialIdsOf } from '../document/material-queries';
import { anchorOf } from '../document/queries';
import { needsOfPart, type DrawingPart, type Need } from '../kinds/needs';
import { isLit, kindOf } from '../kinds/objects/objects';
import { signalKind } from '../kinds/signals/signals';
import { triggerKind } from '../kinds/triggers/triggers';
import type { Anchor, Effect, EffectObject, SurfaceKind, TargetId } from '../document/schema';

export interface Requirements {
  /** Faces are tracked. */
  readonly faces: boolean;
  readonly hands: boolean;
  /** Printed pictures that are looked for, by their ids. */
  readonly pictures: ReadonlySet<TargetId>;
  /** Floor, tables or walls. */
  readonly surfaces: ReadonlySet<SurfaceKind>;
  /** People are told from what is behind them. */
  readonly people: boolean;
  readonly microphone: boolean;
  /** Which colours the camera picture has. */
  readonly colours: boolean;
  /** What draws it, beside what every page can. */
  readonly drawing: ReadonlySet<DrawingPart>;
}

const ofAnchor = (anchor: Anchor): readonly Need[] => {
  switch (anchor.kind) {
    case 'head':
    case 'skin':
      return ['faces'];
    case 'hand':
      return ['hands'];
    case 'world':
      return [{ surface: anchor.surface }];
    case 'picture':
      return [{ picture: anchor.target }];
    case 'backdrop':
      return ['people'];
    case 'screen':
      return [];
  }
};

const ofObject = (effect: Effect, object: EffectObject): readonly Need[] => [
  ...(object.kind === 'group' ? [] : ofAnchor(anchorOf(effect, object))),
  ...(kindOf(object).needs?.(object) ?? []),
  ...materialIdsOf(object).flatMap((id) =>
    effect.materials[id] ? materialCameraParts(effect.materials[id]).flatMap(needsOfPart) : [],
  ),
];

/** What draws an object, with what it wears. */
const drawingOf = (effect: Effect, object: EffectObject): readonly DrawingPart[] => {
  const wears = materialIdsOf(object).some((id) => effect.materials[id] !== undefined);
  return [
    ...kindOf(object).drawnBy,
    // A material may show the camera picture, or be lit as that is.
    ...(wears ? (['surfaces', 'camera'] as const) : []),
    // While no light of the effect shines it is lit as the camera picture is, which is measured.
    ...(isLit(object) ? (['camera'] as const) : []),
    // Its light reaches skin, which is measured.
    ...(object.kind === 'light' && object.onFaces !== 'no' ? (['faces', 'camera'] as const) : []),
    // Whoever tells people from the room looks at the camera picture.
    ...(ofObject(effect, object).includes('people') ? (['camera'] as const) : []),
  ];
};

/** Hidden objects and cues that are switched off count: they may come at any moment. */
export const requirementsOf = (effect: Effect): Requirements => {
  const needs: Need[] = [
    ...Object.values(effect.objects).flatMap((object) => ofObject(effect, object)),
    ...triggersOf(effect).flatMap((trigger) => triggerKind(trigger.kind).needs?.(trigger) ?? []),
    ...needsOfNodes(effect),
    ...signalsOf(effect).flatMap((signal) => signalKind(signal.kind).needs?.(signal) ?? []),
  ];
  const has = (need: Need): boolean => needs.includes(need);
  const pictures = needs.flatMap((need) =>
    typeof need === 'object' && 'picture' in need && need.picture !== null ? [need.picture] : [],
  );
  const surfaces = needs.flatMap((need) =>
    typeof need === 'object' && 'surface' in need ? [need.surface] : [],
  );
  return {
    faces: has('faces'),
    hands: has('hands'),
    pictures: new Set(pictures),
    surfaces: new Set(surfaces),
    people: has('people'),
    microphone: has('microphone'),
    colours: has('colours'),
    drawing: new Set(Object.values(effect.objects).flatMap((object) => drawingOf(effect, object))),
  };
};
