/**
 * Easing curves: progress 0..1 to eased progress. All pass through (0, 0) and (1, 1);
 * `overshoot` and `spring` leave 0..1 in between. Names follow the trade: in starts slowly,
 * out ends slowly. `overshoot` is Penner's "back" curve with s = 1.70158 (Robert Penner,
 * Motion, Tweening and Easing, 2002); `spring` is a damped cosine.
 */
export const EASINGS = {
  steady: (t: number) => t,
  in: (t: number) => t * t * t,
  out: (t: number) => 1 - (1 - t) ** 3,
  inOut: (t: number) => (t < 0.5 ? 4 * t * t * t : 1 - (2 - 2 * t) ** 3 / 2),
  overshoot: (t: number) => 1 + 2.70158 * (t - 1) ** 3 + 1.70158 * (t - 1) ** 2,
  spring: (t: number) => (t >= 1 ? 1 : 1 - Math.exp(-6 * t) * Math.cos(4 * Math.PI * t) * (1 - t)),
} as const;

export type Easing = keyof typeof EASINGS;
export const EASING_NAMES = Object.keys(EASINGS) as [Easing, ...Easing[]];

/** Eased progress; `t` is clamped to 0..1 first. */
export const ease = (easing: Easing, t: number): number => EASINGS[easing](Math.min(1, Math.max(0, t)));
