/** Whether something that a thing of a document names is there. */
import type { Effect } from '../core/document/schema';
import type { Referred } from '../core/schema/referred';

export const hasIn =
  (effect: Effect) =>
  (to: Referred, id: string): boolean =>
    to === 'nodes' || Object.hasOwn(effect[to], id);
