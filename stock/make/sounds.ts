/** Sounds, computed sample by sample; seeded, so that they are always the same. */
import { Random } from '../../src/core/maths/random';
import { clamp } from '../../src/core/maths/scalar';
import type { Sound } from '../../src/core/assets/sounds/sound';

const RATE = 48_000;
const TAU = 2 * Math.PI;
const make = (seconds: number, value: (t: number, i: number) => number): Sound => ({
  rate: RATE,
  channels: [
    Float32Array.from({ length: Math.round(seconds * RATE) }, (_, i) => clamp(value(i / RATE, i), -1, 1)),
  ],
});
const attack = (t: number, a: number): number => Math.min(1, t / a);
const bell = (t: number, f: number, decay: number): number =>
  [1, 2.76, 5.4, 8.93].reduce(
    (s, k, i) => s + (Math.sin(TAU * f * k * t) * Math.exp(-t * decay * (1 + i * 0.7))) / (1.6 * (i + 1)),
    0,
  );

/** Noise through a low pass whose corner moves. */
const filtered = (seed: number, cutoff: (t: number) => number): ((t: number, i: number) => number) => {
  const random = new Random(seed);
  let [a, b] = [0, 0];
  return (t) => {
    const k = 1 - Math.exp((-TAU * cutoff(t)) / RATE);
    a += k * (random.next() * 2 - 1 - a);
    b += k * (a - b);
    return b;
  };
};

/** Fades the end into the beginning, so that the sound repeats without a seam. */
const looped = (sound: Sound, seam: number): Sound => ({
  ...sound,
  channels: sound.channels.map((c) => {
    const n = Math.round(seam * sound.rate);
    const out = c.slice(0, c.length - n);
    for (let i = 0; i < n; i++)
      out[i] = out[i]! * Math.sqrt(i / n) + c[c.length - n + i]! * Math.sqrt(1 - i / n);
    return out;
  }),
});

export const sounds = (): { name: string; about: string; sound: Sound }[] => {
  const surf = filtered(3, (t) => 500 + 900 * (0.5 + 0.5 * Math.sin((TAU * t) / 6 - 1)));
  const gust = filtered(8, (t) => 300 + 3800 * Math.sin(Math.PI * Math.min(1, t / 0.7)) ** 2);
  const gulp = filtered(12, () => 700);
  return [
    {
      name: 'Bubble',
      about: 'One bubble bursts',
      sound: make(
        0.22,
        (t) => 0.8 * Math.sin(TAU * (420 * t + 2600 * t * t)) * attack(t, 0.004) * Math.exp(-t * 17),
      ),
    },
    {
      name: 'Bubbles',
      about: 'A row of bubbles',
      sound: make(1.2, (t) =>
        [0, 0.13, 0.21, 0.36, 0.42, 0.6, 0.71].reduce((s, at, i) => {
          const u = t - at;
          return u < 0
            ? s
            : s +
                0.5 *
                  Math.sin(TAU * ((340 + 70 * ((i * 5) % 7)) * u + 2300 * u * u)) *
                  attack(u, 0.004) *
                  Math.exp(-u * 19);
        }, 0),
      ),
    },
    {
      name: 'Chime',
      about: 'A glass chime',
      sound: make(1.8, (t) => 0.55 * bell(t, 1174, 2.6) * attack(t, 0.002)),
    },
    {
      name: 'Glimmer',
      about: 'Small bells run upwards',
      sound: make(1.6, (t) =>
        [1318, 1567, 1760, 2093, 2637, 3136].reduce((s, f, i) => {
          const u = t - i * 0.085;
          return u < 0 ? s : s + 0.26 * bell(u, f, 4.5) * attack(u, 0.002);
        }, 0),
      ),
    },
    {
      name: 'Whoosh',
      about: 'Something passes by',
      sound: make(0.75, (t, i) => 3.4 * gust(t, i) * Math.sin(Math.PI * Math.min(1, t / 0.75)) ** 2),
    },
    {
      name: 'Foghorn',
      about: 'From far out',
      sound: make(
        2.4,
        (t) =>
          0.5 *
          attack(t, 0.25) *
          Math.min(1, (2.4 - t) / 0.6) *
          [1, 2, 3, 4].reduce(
            (s, k) => s + Math.sin(TAU * 87 * k * t + 0.1 * Math.sin(TAU * 4 * t)) / k ** 1.4,
            0,
          ) *
          0.7,
      ),
    },
    {
      name: 'Tap',
      about: 'For a touch',
      sound: make(0.09, (t) => 0.7 * Math.sin(TAU * 720 * t) * Math.exp(-t * 70) * attack(t, 0.001)),
    },
    {
      name: 'Plop',
      about: 'Something falls into water',
      sound: make(
        0.4,
        (t, i) =>
          0.75 * Math.sin(TAU * (520 * t - 520 * t * t)) * Math.exp(-t * 11) * attack(t, 0.003) +
          1.4 * gulp(t, i) * Math.exp(-t * 24),
      ),
    },
    {
      name: 'Surf',
      about: 'Waves on a beach, repeats',
      sound: looped(
        make(
          6.5,
          (t, i) => 2.2 * surf(t, i) * (0.35 + 0.65 * (0.5 + 0.5 * Math.sin((TAU * t) / 6 - 1)) ** 2),
        ),
        0.5,
      ),
    },
  ];
};
