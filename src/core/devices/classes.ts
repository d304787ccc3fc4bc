/**
 * Classes of devices: how quick they are, and how much a page may keep there. The one that draws in software is measured
 * (`bench/devices.ts`); of phones it is assumed, from what their graphics hardware is made to fill, until phones report themselves
 * (`judge.ts`).
 */
import { PHONE_CLASS_WORDS, type PhoneClass } from '../document/schema';
import type { Bytes, Milliseconds } from '../units';

export interface DeviceClass {
  readonly name: string;
  readonly about: string;
  /** Of code, against the machine that was measured. */
  readonly code: number;
  /** A million pixels of plain colour. */
  readonly megapixel: Milliseconds;
  /** A million triangles. */
  readonly megatriangle: Milliseconds;
  /** Of trackers, against the machine that was measured. */
  readonly tracking: number;
  /** What a page may keep before the device closes it. */
  readonly memory: Bytes;
}

const MB = 1024 ** 2;

export const CLASSES = {
  weak: {
    name: 'Slow phone',
    about: 'A cheap one, or five years old',
    code: 1.6,
    megapixel: 0.55,
    megatriangle: 12,
    tracking: 1.3,
    memory: 250 * MB,
  },
  usual: {
    name: 'Usual phone',
    about: 'What most viewers hold',
    code: 0.8,
    megapixel: 0.2,
    megatriangle: 4,
    tracking: 0.6,
    memory: 500 * MB,
  },
  quick: {
    name: 'Fast phone',
    about: 'The best of this year and last',
    code: 0.4,
    megapixel: 0.07,
    megatriangle: 1.5,
    tracking: 0.3,
    memory: 1000 * MB,
  },
  /** No phone: a computer whose graphics hardware does not help. The estimate is held against what it really takes there. */
  software: {
    name: 'A computer that draws in software',
    about: 'Two cores, no graphics hardware',
    code: 1,
    megapixel: 15,
    megatriangle: 1700,
    tracking: 1,
    memory: 2000 * MB,
  },
} as const satisfies Readonly<Record<string, DeviceClass>>;

/** Those that viewers hold. */
export const PHONE_CLASSES = Object.keys(PHONE_CLASS_WORDS) as readonly PhoneClass[];
export type { PhoneClass };
