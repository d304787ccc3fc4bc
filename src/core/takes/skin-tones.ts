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
  /**
   * How much of the light that meets skin head on is thrown back by its surface: a little more than the 2.8 % that an index of refraction
   * of 1.4 gives (Igarashi, Nishino, Nayar 2007, 2.1), since a film of oil lies on it. It hardly differs between tones; on dark skin the
   * same shine only shows more, because less comes from below.
   */
  readonly shine: number;
  /** How far past the edge of shadow light creeps, per channel: pigment swallows what light skin lets through. */
  readonly creep: readonly [number, number, number];
}

export const SKINS: Readonly<Record<SkinTone, Skin>> = {
  I: {
    base: '#f0cdb8',
    flush: '#e39a8c',
    lips: '#c9807b',
    shade: '#b98a7c',
    shine: 0.034,
    creep: [0.36, 0.17, 0.12],
  },
  II: {
    base: '#e6b998',
    flush: '#d98a76',
    lips: '#bd6f68',
    shade: '#a97762',
    shine: 0.034,
    creep: [0.34, 0.16, 0.11],
  },
  III: {
    base: '#d8a283',
    flush: '#c97460',
    lips: '#b3605c',
    shade: '#94634f',
    shine: 0.036,
    creep: [0.31, 0.14, 0.1],
  },
  IV: {
    base: '#bd8560',
    flush: '#ab5f48',
    lips: '#a05a50',
    shade: '#7c4f38',
    shine: 0.04,
    creep: [0.27, 0.12, 0.08],
  },
  V: {
    base: '#86604c',
    flush: '#8a4436',
    lips: '#85473f',
    shade: '#563527',
    shine: 0.042,
    creep: [0.22, 0.1, 0.07],
  },
  VI: {
    base: '#5c3e31',
    flush: '#65352e',
    lips: '#6c3f3b',
    shade: '#35211a',
    shine: 0.046,
    creep: [0.18, 0.09, 0.06],
  },
};
