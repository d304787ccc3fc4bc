/** Places on the screen that take files: a field that shows a picture, a row of the Stack, a set of maps. */
import type { Directive } from 'vue';
import type { Asset, AssetKind } from '../../core/document/schema';

export interface DropSpot {
  readonly kinds: readonly AssetKind[];
  /** What will happen, as a sentence: said while files hang over it. */
  readonly says: string;
  /** Takes all that fits, as one set; else it takes one thing. */
  readonly isSet?: boolean;
  /** Puts there what came in; says what became of it where that is not plain. */
  put(assets: readonly Asset[]): string | void;
}

const spots = new WeakMap<Element, DropSpot>();

/** `v-takes="spot"`: files dropped on the element go there. Null takes none. */
export const takesDirective: Directive<HTMLElement, DropSpot | null> = {
  mounted: (element, { value }) => set(element, value),
  updated: (element, { value }) => set(element, value),
  unmounted: (element) => void spots.delete(element),
};
const set = (element: HTMLElement, spot: DropSpot | null): void => {
  if (spot) spots.set(element, spot);
  else spots.delete(element);
  element.toggleAttribute('data-takes', spot !== null);
};

/** What a browser says of dragged files before they are dropped: their MIME types, empty where it knows none. */
export type DraggedTypes = readonly string[];

const KINDS_OF: readonly (readonly [RegExp, readonly AssetKind[]])[] = [
  [/^image\/(vnd\.radiance|x-hdr|x-exr)/, ['surroundings']],
  [/^image\//, ['picture', 'sequence']],
  [/^audio\//, ['sound']],
  [/^video\//, ['video', 'sound', 'sequence']],
  [/^model\//, ['model']],
  [/^font\//, ['font']],
];
/** Whether one of the files may be of one of the kinds; a file of an unknown type may be anything but what browsers know. */
export const mayHold = (types: DraggedTypes, kinds: readonly AssetKind[]): boolean =>
  types.length === 0 ||
  types.some((type) => {
    const known = KINDS_OF.find(([pattern]) => pattern.test(type));
    return known === undefined || known[1].some((kind) => kinds.includes(kind));
  });

/** The innermost place around an element that may take such files. */
export const spotAround = (
  element: Element | null,
  types: DraggedTypes,
): { readonly element: Element; readonly spot: DropSpot } | null => {
  for (let at = element?.closest('[data-takes]'); at; at = at.parentElement?.closest('[data-takes]')) {
    const spot = spots.get(at);
    if (spot && mayHold(types, spot.kinds)) return { element: at, spot };
  }
  return null;
};
