/** All kinds of signals but formulas, which are made of them. In the order of the menu: what is looked for most comes first. */
import { schemaOfKinds, type OfKinds } from '../any-kind';
import { angle } from './angle';
import { apart } from './apart';
import { control } from './control';
import { expression } from './expression';
import { faces } from './faces';
import { facesApart } from './faces-apart';
import { hand } from './hand';
import { head } from './head';
import { loudness } from './loudness';
import { noise } from './noise';
import { object } from './object';
import { objectNumber } from './object-number';
import { picture } from './picture';
import { progress } from './progress';
import { random } from './random';
import { scene } from './scene';
import { time } from './time';
import { times } from './times';
import { variable } from './variable';

export const PLAIN_SIGNAL_KINDS = {
  object,
  objectNumber,
  expression,
  head,
  hand,
  faces,
  picture,
  control,
  variable,
  apart,
  facesApart,
  angle,
  scene,
  loudness,
  time,
  progress,
  times,
  random,
  noise,
} as const;
export type PlainSignal = OfKinds<typeof PLAIN_SIGNAL_KINDS>;
export const plainSignalSchema = schemaOfKinds(PLAIN_SIGNAL_KINDS);
