/** What menus within the Stack ask of it. */
import { inject, type InjectionKey } from 'vue';
import type { Anchor, ObjectId } from '../../../core/document/schema';
import type { DropSpot } from '../../intake/drop-spots';

export interface StackActions {
  /** Lets the creator choose files; they are placed on the anchor. */
  chooseFiles(anchor: Anchor | null): void;
  /** Lets the creator choose a file that goes to a place of its own. */
  chooseFor(spot: DropSpot): void;
  /** An object goes one row up (-1) or down (1) among its own. */
  shift(id: ObjectId, by: 1 | -1): void;
  addScene(): void;
  /** Shows a lane though nothing is in it yet. */
  openLane(key: string): void;
  /** The point of an anchor that new things of its lane go to. */
  forNew(anchor: Anchor): Anchor;
}
export const STACK_ACTIONS: InjectionKey<StackActions> = Symbol('stack actions');
export const useStackActions = (): StackActions => inject(STACK_ACTIONS)!;
