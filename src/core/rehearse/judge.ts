/** Judges what is expected of an effect by what came of it on a take: each verdict is a sentence on what came instead, and a moment to look at. */
import type { Raster } from '../assets/raster';
import { valueAt, type Chronicle } from '../behave/chronicle';
import {
  PHONE_CLASS_WORDS,
  APPROVED,
  type Condition,
  type CueId,
  type Effect,
  type Expectation,
  type ExpectationKind,
  type ExpectationOf,
  type ObjectId,
  type Signal,
} from '../document/schema';
import { compares } from '../kinds/signals/signals';
import { CLASSES } from '../devices/classes';
import { drawnPixels, estimate, MOST_DRAWN_HEIGHT } from '../devices/estimate';
import { loadOf, type LoadPart } from '../devices/load';
import { STEP, type Milliseconds, type Seconds, type Unit } from '../units';
import { pictureOf } from './approved';
import { comparePictures } from './compare-pictures';
import { FlashWatch, MOST_FLASHES } from './flashes';
import { LEAST_CONTRAST, LEAST_LINE, readabilityOf } from './readability';
import type { Sight, Whereabouts } from './sight';

/** How things are called. */
export interface RehearsalNames {
  object(id: ObjectId): string;
  cue(id: CueId): string;
  condition(condition: Condition): string;
  value(signal: Signal, value: number): string;
  /** What of an effect costs something. */
  part(part: LoadPart): string;
}

/** An effect as it went on one take. */
export interface Rehearsed {
  readonly effect: Effect;
  /** The id of the take, and how long it is. */
  readonly take: string;
  readonly duration: Seconds;
  readonly chronicle: Chronicle;
  /** Those whose lines the chronicle has. */
  readonly signals: readonly Signal[];
  readonly sight: Sight;
  readonly names: RehearsalNames;
}

export interface Judged {
  readonly passed: boolean;
  /** What is so, or what came instead. */
  readonly sentence: string;
  /** The moment that shows it. */
  readonly at: Seconds;
  /** Where a picture differs from the approved one. */
  readonly difference?: Raster;
  /** The picture that came in the place of the approved one. */
  readonly came?: Raster;
}
export interface Verdict extends Judged {
  /** The id of the expectation. */
  readonly expectation: string;
}

type Judge<K extends ExpectationKind> = (expected: ExpectationOf<K>, rehearsed: Rehearsed) => Promise<Judged>;

const seconds = (t: Seconds): string => `${Number(t.toFixed(2))} s`;
const percent = (share: Unit): string => `${(100 * share).toFixed(share < 0.1 ? 1 : 0)} %`;
const failed = (sentence: string, at: Seconds = 0, more: Partial<Judged> = {}): Judged => ({
  passed: false,
  sentence,
  at,
  ...more,
});
const passed = (sentence: string, at: Seconds): Judged => ({ passed: true, sentence, at });

/** Why a moment is never reached; null when it is. */
const tooLate = (at: Seconds, { duration }: Rehearsed): Judged | null =>
  at <= duration
    ? null
    : failed(
        `${seconds(at)} is never reached: the take is ${seconds(duration)} long. Choose a longer take, or an earlier moment.`,
        duration,
      );
const backwards = (from: Seconds, to: Seconds): Judged | null =>
  from <= to
    ? null
    : failed(
        `It is to begin at ${seconds(from)} and end before that, at ${seconds(to)}. Turn them round.`,
        to,
      );

/** The last step of a take begins before its end. */
const within = (at: Seconds, { duration }: Rehearsed): Seconds => Math.max(0, Math.min(at, duration - STEP));

const LOOKS_EVERY: Seconds = 0.25;
const MOST_LOOKS = 24;
/** What is seen of an object is at least so much of the picture. */
const LEAST_SEEN: Unit = 0.0004;
const SEEN_AT = { width: 135, height: 240 } as const;
/** Levels by which an object changes what is behind it, at least. */
const SEEN_BY = 8;
const WHY_NOT: Readonly<Record<Whereabouts, string>> = {
  hidden: 'it is hidden then',
  nowhere: 'what it sticks to is not in the picture then',
  there: 'something covers it, or it lies outside the picture',
};

const seen: Judge<'seen'> = async ({ object, isSeen, from, to }, rehearsed) => {
  const { effect, sight, names } = rehearsed;
  if (object === null || !effect.objects[object])
    return failed('The object that it looks for is gone. Choose another, or take this expectation away.');
  const wrong = backwards(from, to) ?? tooLate(from, rehearsed);
  if (wrong) return wrong;
  const name = names.object(object);
  const end = within(to, rehearsed);
  const looks = Math.min(MOST_LOOKS, Math.max(1, Math.round((end - from) / LOOKS_EVERY) + 1));
  const span = `from ${seconds(from)} to ${seconds(to)}`;
  for (let i = 0; i < looks; i++) {
    const at = within(looks === 1 ? from : from + ((end - from) * i) / (looks - 1), rehearsed);
    const where = await sight.whereabouts(at, object);
    const share =
      where === 'there'
        ? comparePictures(await sight.without(at, object, SEEN_AT), await sight.picture(at, SEEN_AT), SEEN_BY)
            .share
        : 0;
    const is = share >= LEAST_SEEN;
    if (is === isSeen) continue;
    return isSeen
      ? failed(`${name} is not seen at ${seconds(at)}: ${WHY_NOT[where]}. It is expected ${span}.`, at)
      : failed(`${name} is seen at ${seconds(at)}. It is not expected ${span}.`, at);
  }
  return passed(`${name} is ${isSeen ? '' : 'not '}seen ${span}.`, within(from, rehearsed));
};

const fired: Judge<'fired'> = async ({ cue, hasFired, from, to }, rehearsed) => {
  const { effect, chronicle, names } = rehearsed;
  if (cue === null || !effect.cues[cue])
    return failed('The cue that it waits for is gone. Choose another, or take this expectation away.');
  const wrong = backwards(from, to) ?? tooLate(from, rehearsed);
  if (wrong) return wrong;
  const name = names.cue(cue);
  const times = chronicle.firings.filter((f) => f.cue === cue && !f.back).map((f) => f.time);
  const inside = times.filter((t) => t >= from - STEP / 2 && t <= to + STEP / 2);
  const span = `from ${seconds(from)} to ${seconds(to)}`;
  if (inside.length > 0)
    return hasFired
      ? passed(`“${name}” fires at ${seconds(inside[0]!)}.`, inside[0]!)
      : failed(`“${name}” fires at ${seconds(inside[0]!)}. It is not expected ${span}.`, inside[0]!);
  if (!hasFired) return passed(`“${name}” does not fire ${span}.`, within(from, rehearsed));
  // The one that came nearest is what to look at.
  const middle = (from + to) / 2;
  const nearest = times.toSorted((a, b) => Math.abs(a - middle) - Math.abs(b - middle))[0];
  return nearest === undefined
    ? failed(`“${name}” does not fire at all on this take. It is expected ${span}.`, within(from, rehearsed))
    : failed(`“${name}” fires at ${seconds(nearest)} instead. It is expected ${span}.`, nearest);
};

const signal: Judge<'signal'> = async ({ condition, at }, rehearsed) => {
  const { chronicle, signals, names } = rehearsed;
  const wrong = tooLate(at, rehearsed);
  if (wrong) return wrong;
  const moment = within(at, rehearsed);
  const line = signals.findIndex((one) => JSON.stringify(one) === JSON.stringify(condition.signal));
  const value = valueAt(chronicle, line, moment);
  const words = names.condition(condition);
  if (Number.isNaN(value))
    return failed(`At ${seconds(at)} there is nothing to measure. Expected: ${words}.`, moment);
  const now = names.value(condition.signal, value);
  return compares(value, condition.is, condition.value)
    ? passed(`At ${seconds(at)} it is ${now}, as expected: ${words}.`, moment)
    : failed(`At ${seconds(at)} it is ${now}. Expected: ${words}.`, moment);
};

const looks: Judge<'looks'> = async ({ at, tolerance, pictures }, rehearsed) => {
  const wrong = tooLate(at, rehearsed);
  if (wrong) return wrong;
  const moment = within(at, rehearsed);
  const came = await rehearsed.sight.picture(moment, APPROVED);
  const approved = pictures.find(({ take }) => take === rehearsed.take);
  if (!approved)
    return failed(
      `Nothing is approved at ${seconds(at)} of this take yet. Approve what came, if it is right.`,
      moment,
      {
        came,
      },
    );
  if (approved.width !== came.width || approved.height !== came.height)
    return failed(
      `It was approved at ${approved.width} x ${approved.height} pixels and is drawn at ${came.width} x ${came.height} now. Approve it anew.`,
      moment,
      { came },
    );
  const before = pictureOf(approved);
  if (!before) return failed('The approved picture is damaged. Approve it anew.', moment, { came });
  const { share, shown } = comparePictures(before, came);
  return share <= tolerance
    ? passed(`At ${seconds(at)} it looks as approved: ${percent(share)} of the picture differs.`, moment)
    : failed(
        `At ${seconds(at)} it does not look as approved: ${percent(share)} of the picture differs, ${percent(tolerance)} may.`,
        moment,
        { difference: shown, came },
      );
};

/** Thirty pictures a second show every flash that lasts two frames of a screen. */
const FLASH_RATE = 30;
const FLASH_AT = { width: 36, height: 64 } as const;
const noFlash: Judge<'noFlash'> = async (_, { sight, duration }) => {
  const watch = new FlashWatch();
  for (let n = 0; n / FLASH_RATE < duration; n++)
    watch.see(n / FLASH_RATE, await sight.picture(n / FLASH_RATE, FLASH_AT));
  const { flashes, from } = watch.worst();
  return flashes > MOST_FLASHES
    ? failed(
        `It flashes ${flashes} times within the second from ${seconds(from)}; more than ${MOST_FLASHES} can harm people (WCAG 2.3.1). Make it slower, fainter or smaller.`,
        from,
      )
    : passed(
        flashes === 0
          ? 'Nothing flashes.'
          : `It flashes ${flashes} times within a second at most; ${MOST_FLASHES} are allowed.`,
        from,
      );
};

const READ_AT = { width: 360, height: 640 } as const;
const reads: Judge<'reads'> = async ({ object, at }, rehearsed) => {
  const { effect, sight, names } = rehearsed;
  const text = object === null ? undefined : effect.objects[object];
  if (object === null || !text)
    return failed('The text that it looks for is gone. Choose another, or take this expectation away.');
  if (text.kind !== 'text') return failed(`${names.object(object)} is no text. Choose one.`);
  const wrong = tooLate(at, rehearsed);
  if (wrong) return wrong;
  const moment = within(at, rehearsed);
  const where = await sight.whereabouts(moment, object);
  const { contrast, line } =
    where === 'there'
      ? readabilityOf(
          await sight.picture(moment, READ_AT),
          await sight.without(moment, object, READ_AT),
          text.text.split('\n').length,
        )
      : { contrast: 1, line: 0 };
  const name = names.object(object);
  if (line === 0) return failed(`${name} is not seen at ${seconds(at)}: ${WHY_NOT[where]}.`, moment);
  const ratio = `${contrast.toFixed(1)} : 1`;
  if (contrast < LEAST_CONTRAST)
    return failed(
      `${name} is hard to read at ${seconds(at)}: its contrast to what is around it is ${ratio}, ${LEAST_CONTRAST} : 1 is needed (WCAG 1.4.3). Give it an edge, a ground or another colour.`,
      moment,
    );
  if (line < LEAST_LINE)
    return failed(
      `${name} is too small to read at ${seconds(at)}: a line is ${percent(line)} of the picture high, ${percent(LEAST_LINE)} is needed.`,
      moment,
    );
  return passed(`${name} can be read at ${seconds(at)}: contrast ${ratio}.`, moment);
};

/** As large as the show page draws it at most. */
const QUICK_AT = drawnPixels((MOST_DRAWN_HEIGHT * 9) / 16, MOST_DRAWN_HEIGHT, 1);
const milliseconds = (t: Milliseconds): string => `${t < 9.95 ? t.toFixed(1) : Math.round(t)} ms`;
const quick: Judge<'quick'> = async ({ most, on }, { effect, names }) => {
  const { drawing, parts } = estimate(loadOf(effect), CLASSES[on], QUICK_AT);
  const takes = `A picture takes ${milliseconds(drawing)} on ${PHONE_CLASS_WORDS[on]}, by estimate`;
  if (drawing <= most) return passed(`${takes}; ${milliseconds(most)} are allowed.`, 0);
  const [dearest] = parts;
  return failed(
    `${takes}; ${milliseconds(most)} are allowed. ${dearest ? `${names.part(dearest.part)} costs most: ${milliseconds(dearest.drawing)}. ` : ''}Try, Devices says what to do about it.`,
  );
};

const JUDGES: { readonly [K in ExpectationKind]: Judge<K> } = {
  seen,
  fired,
  signal,
  looks,
  noFlash,
  reads,
  quick,
};

/** What a run of the effect has to tell for these expectations. */
export const signalsOf = (expectations: readonly Expectation[]): Signal[] =>
  expectations.flatMap((e) => (e.kind === 'signal' ? [e.condition.signal] : []));

/** Judges one after the other; what `sight` throws goes to whoever asked. */
export const judge = async (expected: Expectation, rehearsed: Rehearsed): Promise<Verdict> => ({
  expectation: expected.id,
  ...(await (JUDGES[expected.kind] as Judge<never>)(expected as never, rehearsed)),
});
