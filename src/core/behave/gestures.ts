/** What goes on for a while, of what was recorded: touches from the first finger that comes down to the last one that leaves, noise. */
import type { Seconds } from '../units';
import type { InputKind, InputOf, RecordedOf } from './recorded';

export interface Gesture {
  readonly from: Seconds;
  readonly to: Seconds;
}

/** `list` is in order of time. What was cut off ends with its last record. */
const spansOf = <Kind extends InputKind>(
  list: readonly RecordedOf<Kind>[],
  isOn: (input: InputOf<Kind>) => boolean,
): Gesture[] => {
  const spans: Gesture[] = [];
  let from: Seconds | null = null;
  let last: Seconds = 0;
  for (const { time, input } of list) {
    if (isOn(input)) from ??= time;
    else if (from !== null) {
      spans.push({ from, to: time });
      from = null;
    }
    last = time;
  }
  if (from !== null) spans.push({ from, to: last });
  return spans;
};

export const gesturesOf = (touches: readonly RecordedOf<'fingers'>[]): Gesture[] =>
  spansOf(touches, ({ fingers }) => fingers.length > 0);
export const noisesOf = (noises: readonly RecordedOf<'noise'>[]): Gesture[] =>
  spansOf(noises, ({ level }) => level > 0);
