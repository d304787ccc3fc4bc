/** Pictures of the effect that files are dropped on; each says what it shows under a pointer, or null where that is elsewhere. */
import type { InjectionKey } from 'vue';
import type { UnderPointer } from './use-file-drop';

export type PictureUnder = (event: MouseEvent) => UnderPointer | null;
export const PICTURES_UNDER: InjectionKey<Set<PictureUnder>> = Symbol('pictures under the pointer');
