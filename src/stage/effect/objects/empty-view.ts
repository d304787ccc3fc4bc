/** A group, a light or a grade: it draws nothing itself. */
import { Group } from 'three';
import type { ObjectView } from './object-view';

export class EmptyView implements ObjectView {
  readonly node = new Group();
  update = (): boolean => true;
  dispose = (): void => {};
}
