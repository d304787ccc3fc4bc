import type { EffectObject } from '../../../core/document/schema';
import { CardView } from './card-view';
import { CutoutView } from './cutout-view';
import { EmptyView } from './empty-view';
import { FillView } from './fill-view';
import { FountainView } from './fountain-view';
import { LiveView } from './live-view';
import { ModelView } from './model-view';
import type { ObjectView, ViewTools } from './object-view';
import { OccluderView } from './occluder-view';
import { ShadowCatcherView } from './shadow-catcher-view';
import { SolidView } from './solid-view';
import { TextView } from './text-view';

/** The view of an object. It is only ever shown objects of this kind. */
export const createView = (object: EffectObject, tools: ViewTools): ObjectView => {
  switch (object.kind) {
    case 'card':
      return new CardView(tools) as ObjectView;
    case 'live':
      return new LiveView(tools) as ObjectView;
    case 'cutout':
      return new CutoutView(tools) as ObjectView;
    case 'fill':
      return new FillView(tools) as ObjectView;
    case 'model':
      return new ModelView(tools) as ObjectView;
    case 'solid':
      return new SolidView(tools) as ObjectView;
    case 'text':
      return new TextView(tools) as ObjectView;
    case 'occluder':
      return new OccluderView(tools) as ObjectView;
    case 'shadowCatcher':
      return new ShadowCatcherView() as ObjectView;
    case 'fountain':
      return new FountainView(tools) as ObjectView;
    // What lies on a face is drawn together, by the look of the face.
    case 'layer':
    case 'iris':
    case 'lashes':
    case 'hair':
    case 'retouch':
    case 'morph':
    case 'group':
    case 'light':
    case 'grade':
    case 'sound':
      return new EmptyView();
  }
};
