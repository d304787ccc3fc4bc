/** Sounds as samples: cut, mixed down, measured. */
import { clamp } from '../../maths/scalar';
import type { Seconds, Unit } from '../../units';
import { MOST_SOUND_SECONDS } from '../limits';
import { refuse } from '../refuse';

export interface Sound {
  /** Samples a second. */
  readonly rate: number;
  /** One list a channel, all of the same length, -1..1. */
  readonly channels: readonly Float32Array[];
}

/** How long a sound is. */
export const durationOf = ({ rate, channels }: Sound): Seconds => (channels[0]?.length ?? 0) / rate;

/** Refuses what is silent for having no length, and what is longer than an effect can carry. */
export const checkSound = (duration: Seconds, name: string): void => {
  if (!(duration > 0))
    refuse('sound.no-length', `${name} has no length: there is nothing to hear. Export it again.`);
  if (duration > MOST_SOUND_SECONDS)
    refuse(
      'sound.too-long',
      `${name} lasts ${Math.round(duration / 60)} minutes; sounds of an effect last up to ${MOST_SOUND_SECONDS / 60}. Cut out the part you need.`,
    );
};

/** The part from `start` to `end` (null: to the end); outside the sound there is nothing. */
export const cut = (sound: Sound, start: Seconds, end: Seconds | null): Sound => {
  const length = sound.channels[0]?.length ?? 0;
  const from = clamp(Math.round(start * sound.rate), 0, length);
  const to = clamp(end === null ? length : Math.round(end * sound.rate), from, length);
  return { ...sound, channels: sound.channels.map((c) => c.subarray(from, to)) };
};

/** Mixed to one or two channels: the mean of all, or the first two. */
export const mixTo = (sound: Sound, count: 1 | 2): Sound => {
  const { channels } = sound;
  if (channels.length === count || channels.length === 0) return sound;
  if (count === 2) return { ...sound, channels: [channels[0]!, channels[1] ?? channels[0]!] };
  const mixed = new Float32Array(channels[0]!.length);
  for (const channel of channels)
    for (let i = 0; i < mixed.length; i++) mixed[i] = mixed[i]! + channel[i]! / channels.length;
  return { ...sound, channels: [mixed] };
};

/** The loudest sample in each of `count` equal parts: a waveform for the eye. */
export const peaksOf = ({ channels }: Sound, count = 128): Unit[] => {
  const length = channels[0]?.length ?? 0;
  return Array.from({ length: Math.min(count, length) }, (_, i) => {
    let peak = 0;
    const end = Math.floor(((i + 1) * length) / count);
    for (
      let s = Math.floor((i * length) / count);
      s < Math.max(end, Math.floor((i * length) / count) + 1);
      s++
    )
      for (const channel of channels) peak = Math.max(peak, Math.abs(channel[s] ?? 0));
    return Math.round(Math.min(1, peak) * 1000) / 1000;
  });
};

/** The moment within `reach` of `time` at which the sound passes through zero upwards: loops do not click there. */
export const quietMoment = (sound: Sound, time: Seconds, reach: Seconds = 0.02): Seconds => {
  const [channel] = sound.channels;
  if (!channel) return time;
  const middle = Math.round(time * sound.rate);
  for (let d = 0; d < reach * sound.rate; d++)
    for (const i of [middle - d, middle + d])
      if (i > 0 && i < channel.length && channel[i - 1]! <= 0 && channel[i]! >= 0) return i / sound.rate;
  return time;
};

/** Where sound begins and ends when silence is left out: below -50 dB. */
export const withoutSilence = (sound: Sound): { readonly start: Seconds; readonly end: Seconds } => {
  const length = sound.channels[0]?.length ?? 0;
  const heard = (i: number): boolean => sound.channels.some((c) => Math.abs(c[i]!) > 0.003);
  let first = 0;
  while (first < length && !heard(first)) first++;
  let last = length - 1;
  while (last > first && !heard(last)) last--;
  if (first >= length) return { start: 0, end: durationOf(sound) };
  const round = (t: number): number => Math.round(t * 1000) / 1000;
  return {
    start: round(Math.max(0, first / sound.rate - 0.005)),
    end: round(Math.min(durationOf(sound), (last + 1) / sound.rate + 0.02)),
  };
};
