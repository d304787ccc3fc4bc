/**
 * What a stage can draw beyond pictures on anchors. A page gives its stage what its effects need: the atelier everything (`all.ts`), the
 * show page what the one effect uses, loaded for it (`load.ts`). What was not given is not drawn by something else: it throws.
 */
import type { EffectObject, ObjectKind } from '../../core/document/schema';
import type { Blended } from '../effect/blended';
import type { CameraParts } from '../backdrop/camera-parts';
import { CardView } from '../effect/objects/card-view';
import { EmptyView } from '../effect/objects/empty-view';
import { FillView } from '../effect/objects/fill-view';
import { LiveView } from '../effect/objects/live-view';
import { OccluderView } from '../effect/objects/occluder-view';
import type { ObjectView, ViewTools } from '../effect/objects/object-view';
import type { FaceLooks } from '../face/face-looks';
import type { GradeView } from '../grade/grade-view';
import type { SurfaceCut, WornSurface } from '../surface/worn-surface';
import { given } from './given';

type MakeView = (tools: ViewTools) => ObjectView;

export interface Abilities {
  /** Views of objects, by their kind. A view is only ever shown objects of its kind. */
  readonly views: Readonly<Partial<Record<ObjectKind, MakeView>>>;
  /** What faces wear: make-up, irises, lashes, hair, retouch, another shape. */
  readonly faces?: (tools: ViewTools) => FaceLooks;
  /** Grades over the finished picture. */
  readonly grades?: () => GradeView;
  /** Parts of the camera picture: people, the room, the face; how it is lit. */
  readonly camera?: () => CameraParts;
  /** Materials with pictures, circuits and light. */
  readonly surfaces?: (tools: ViewTools, blended: Blended, cut?: SurfaceCut) => WornSurface;
}

/** Says which kind of object a view is of: the list of all views does not tell. */
export const viewOf = <O extends EffectObject>(make: (tools: ViewTools) => ObjectView<O>): MakeView =>
  make as unknown as MakeView;
const empty: MakeView = () => new EmptyView();

/** What every stage can: pictures and colours on anchors, behind heads. Lights, sounds and groups have no view of their own. */
export const BASIC: Abilities = {
  views: {
    card: viewOf((tools) => new CardView(tools)),
    fill: viewOf((tools) => new FillView(tools)),
    live: viewOf((tools) => new LiveView(tools)),
    occluder: viewOf((tools) => new OccluderView(tools)),
    group: empty,
    light: empty,
    sound: empty,
  },
};

/** All of several. */
export const together = (all: readonly Partial<Abilities>[]): Abilities =>
  all.reduce<Abilities>((sum, one) => ({ ...sum, ...one, views: { ...sum.views, ...one.views } }), BASIC);

/** Makes the view of an object. Throws where the stage was not given what draws it. */
export const createView = ({ views }: Abilities, kind: ObjectKind, tools: ViewTools): ObjectView =>
  given(views[kind], `objects of the kind ${kind}`)(tools);
