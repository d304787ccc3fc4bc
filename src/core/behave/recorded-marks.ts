/** What was recorded on a take, as the things that a viewer did: a drag is one of them, however many records it has. */
import { controlRuns } from './control-runs';
import { gesturesOf, noisesOf, type Gesture } from './gestures';
import { recordedOf, type Recorded, type RecordedOf } from './recorded';

export interface RecordedMarks {
  readonly taps: readonly RecordedOf<'tap'>[];
  readonly gestures: readonly Gesture[];
  readonly noises: readonly Gesture[];
  readonly events: readonly RecordedOf<'event'>[];
  /** Each is one control that was brought somewhere, with all it was set to on the way. */
  readonly settings: readonly (readonly RecordedOf<'control'>[])[];
}

/** `recorded` is in order of time. */
export const marksOf = (recorded: readonly Recorded[]): RecordedMarks => ({
  taps: recordedOf(recorded, 'tap'),
  gestures: gesturesOf(recordedOf(recorded, 'fingers')),
  noises: noisesOf(recordedOf(recorded, 'noise')),
  events: recordedOf(recorded, 'event'),
  settings: controlRuns(recordedOf(recorded, 'control')),
});

/** How many marks the strip shows. */
export const countOf = ({ taps, gestures, noises, events, settings }: RecordedMarks): number =>
  taps.length + gestures.length + noises.length + events.length + settings.length;
