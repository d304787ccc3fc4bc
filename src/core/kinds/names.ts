import type { UnitName } from '../schema/properties';

/** How things of a document are called, for sentences about actions, triggers and signals. Null is "an object to be chosen". */
type Name = (id: string | null) => string;

export interface Names {
  readonly object: Name;
  readonly cue: Name;
  readonly prompt: Name;
  readonly scene: Name;
  readonly control: Name;
  readonly variable: Name;
  readonly picture: Name;
  readonly compound: Name;
  /** "strength of the light": a number of an object, by its path. */
  readonly numberOf: (object: string | null, path: string) => string;
  /** The unit it is shown in. */
  readonly unitOfNumber: (object: string | null, path: string) => UnitName;
}
