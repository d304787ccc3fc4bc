/**
 * Units that numbers carry. They are aliases: they tell the reader what a number means,
 * and cost nothing at run time.
 */
export type Metres = number;
/** Degrees, order XYZ, never wrapped: 370 is one full turn and ten degrees more. */
export type Degrees = number;
export type Radians = number;
export type Seconds = number;
export type Milliseconds = number;
export type Pixels = number;
export type Bytes = number;
/** 0 to 1. */
export type Unit = number;
/** sRGB colour as `#rrggbb`. */
export type Hex = string;

/** One step of the runtime. Every take and every camera is stepped at this rate. */
export const STEPS_PER_SECOND = 60;
export const STEP: Seconds = 1 / STEPS_PER_SECOND;
