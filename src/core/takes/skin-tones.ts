/** Skin of the six Fitzpatrick types: what is not one colour on a face. */
import type { Hex } from '../units';

export const SKIN_TONES = ['I', 'II', 'III', 'IV', 'V', 'VI'] as const;
export type SkinTone = (typeof SKIN_TONES)[number];

export interface Skin {
  readonly base: Hex;
  /** Cheeks, nose, ears, chin: where blood shows. */
  readonly flush: Hex;
  readonly lips: Hex;
  /** Under the eyes, in folds and at the hairline. */
  readonly shade: Hex;
  /** How much skin shines; dark skin shows highlights more. */
  readonly shine: number;
}

export const SKINS: Readonly<Record<SkinTone, Skin>> = {
  I: { base: '#f0cdb8', flush: '#e39a8c', lips: '#c9807b', shade: '#b98a7c', shine: 0.09 },
  II: { base: '#e6b998', flush: '#d98a76', lips: '#bd6f68', shade: '#a97762', shine: 0.1 },
  III: { base: '#d8a283', flush: '#c97460', lips: '#b3605c', shade: '#94634f', shine: 0.11 },
  IV: { base: '#bd8560', flush: '#ab5f48', lips: '#a05a50', shade: '#7c4f38', shine: 0.13 },
  V: { base: '#86604c', flush: '#8a4436', lips: '#85473f', shade: '#563527', shine: 0.17 },
  VI: { base: '#5c3e31', flush: '#65352e', lips: '#6c3f3b', shade: '#35211a', shine: 0.22 },
};
