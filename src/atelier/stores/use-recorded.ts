/** What the viewer does on the take: recorded, kept in this browser for each effect and take. */
import { computed, ref, shallowRef } from 'vue';
import type { Gesture } from '../../core/behave/gestures';
import {
  inOrder,
  recordedOf,
  stepAt,
  withRecord,
  type Recorded,
  type ViewerInput,
} from '../../core/behave/recorded';
import type { Take } from '../../core/takes/take';
import { STEP, type Seconds } from '../../core/units';
import { keepRecorded, keptRecorded } from '../saving/kept-tries';

export const useRecorded = (effect: () => string | null, take: () => Take, time: () => Seconds) => {
  /** In order of time. */
  const recorded = shallowRef<readonly Recorded[]>([]);
  /** What is recorded stays on the strip, but is not played. */
  const leavesOut = ref(false);
  const played = computed(() => (leavesOut.value ? [] : recorded.value));

  /** Of another effect, or another take. */
  const loadRecorded = (): void => {
    const id = effect();
    recorded.value = id ? keptRecorded(id, take()) : [];
  };
  const keep = (records: readonly Recorded[]): void => {
    recorded.value = records;
    // Whoever records again wants to see it.
    leavesOut.value = false;
    const id = effect();
    if (id) keepRecorded(id, take(), records);
  };
  /** The moment that is looked at, as records have it. */
  const moment = (): Seconds => stepAt(time()) * STEP;
  /** Records what the viewer does now, in the place of those that it takes the place of. */
  const record = (input: ViewerInput, replaces: (record: Recorded) => boolean = () => false): void =>
    keep(
      withRecord(
        recorded.value.filter((r) => !replaces(r)),
        moment(),
        input,
      ),
    );
  /** Something begins now and ends after `length`, or with the take, in the place of what was recorded of its kind meanwhile. */
  const recordSpan = <Input extends ViewerInput>(begins: Input, ends: Input, length: Seconds): void => {
    const from = moment();
    const to = Math.min(from + length, stepAt(take().duration - STEP) * STEP);
    const rest = recorded.value.filter(
      ({ time: at, input }) => input.kind !== begins.kind || at < from || at > to,
    );
    keep(withRecord(withRecord(rest, from, begins), to, ends));
  };
  const remove = (records: readonly Recorded[]): void =>
    keep(recorded.value.filter((r) => !records.includes(r)));
  const removeGesture = ({ from, to }: Gesture): void =>
    remove(recordedOf(recorded.value, 'fingers').filter((r) => r.time >= from && r.time <= to));
  /** The viewer does this instead: shown and played, and kept once something of it is changed. */
  const perform = (records: readonly Recorded[]): void => {
    recorded.value = records;
    leavesOut.value = false;
  };
  /** Moves what was recorded in time, as far as the take reaches. */
  const shift = (records: readonly Recorded[], by: Seconds): void => {
    const last = take().duration - STEP;
    const least = Math.min(...records.map((r) => r.time));
    const most = Math.max(...records.map((r) => r.time));
    const steps = stepAt(Math.min(Math.max(by, -least), Math.max(0, last - most)));
    if (steps === 0) return;
    keep(
      inOrder(
        recorded.value.map((r) =>
          records.includes(r) ? { ...r, time: (stepAt(r.time) + steps) * STEP } : r,
        ),
      ),
    );
  };
  const clearRecorded = (): void => keep([]);
  return {
    recorded,
    leavesOut,
    played,
    loadRecorded,
    moment,
    record,
    recordSpan,
    remove,
    removeGesture,
    clearRecorded,
    perform,
    shift,
  };
};
