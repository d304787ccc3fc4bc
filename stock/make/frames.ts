/** Sequences and sprite sheets, drawn as SVG frame by frame. */
import { Random } from '../../src/core/maths/random';

export interface Film {
  readonly name: string;
  readonly about: string;
  readonly size: number;
  readonly frames: number;
  readonly rate: number;
  /** What stands in the frame at 0..1 of the film; repeats. */
  readonly svg: (t: number) => string;
}

const TAU = 2 * Math.PI;
const circle = (x: number, y: number, r: number, more: string): string =>
  `<circle cx="${x.toFixed(2)}" cy="${y.toFixed(2)}" r="${Math.max(0, r).toFixed(2)}" ${more}/>`;

const bubbleGradient = `<radialGradient id="b" cx="0.35" cy="0.3" r="0.75"><stop offset="0" stop-color="#fff" stop-opacity="0.85"/><stop offset="0.25" stop-color="#dff6ff" stop-opacity="0.22"/><stop offset="0.75" stop-color="#9fdcf2" stop-opacity="0.2"/><stop offset="0.97" stop-color="#e8fbff" stop-opacity="0.95"/><stop offset="1" stop-color="#fff" stop-opacity="0"/></radialGradient>`;

const bubbles = (): ((t: number) => string) => {
  const random = new Random(41);
  const list = Array.from({ length: 11 }, () => ({
    x: 26 + random.next() * 204,
    r: 6 + random.next() ** 2 * 20,
    shift: random.next(),
    sway: 4 + random.next() * 10,
  }));
  return (t) =>
    `<defs>${bubbleGradient}</defs>${list
      .map(({ x, r, shift, sway }) => {
        const s = (t + shift) % 1;
        const fade = Math.min(1, s * 6, (1 - s) * 6);
        return circle(
          x + sway * Math.sin(s * TAU * 1.5),
          270 - s * 290,
          r * (0.8 + 0.2 * s),
          `fill="url(#b)" opacity="${fade.toFixed(3)}"`,
        );
      })
      .join('')}`;
};

const star = (x: number, y: number, r: number, turn: number, colour: string, opacity: number): string => {
  const points = Array.from({ length: 8 }, (_, i) => {
    const a = turn + (i / 8) * TAU;
    const k = i % 2 === 0 ? r : r * 0.16;
    return `${(x + k * Math.cos(a)).toFixed(2)},${(y + k * Math.sin(a)).toFixed(2)}`;
  });
  return `<polygon points="${points.join(' ')}" fill="${colour}" opacity="${opacity.toFixed(3)}"/>`;
};

const glimmer = (): ((t: number) => string) => {
  const random = new Random(7);
  const list = Array.from({ length: 14 }, () => ({
    x: 24 + random.next() * 208,
    y: 24 + random.next() * 208,
    r: 10 + random.next() * 24,
    shift: random.next(),
    gold: random.next() > 0.5,
  }));
  return (t) =>
    list
      .map(({ x, y, r, shift, gold }) => {
        const k = Math.max(0, Math.sin(((t + shift) % 1) * Math.PI)) ** 3;
        return (
          star(x, y, r * k, shift * 6 + t * 1.2, gold ? '#fff1c9' : '#f2fbff', Math.min(1, k * 1.2)) +
          circle(x, y, r * 0.28 * k, `fill="#fff" opacity="${(k * 0.8).toFixed(3)}"`)
        );
      })
      .join('');
};

const splash = (t: number): string => {
  const random = new Random(23);
  const drops = Array.from({ length: 26 }, () => {
    const a = -Math.PI / 2 + (random.next() - 0.5) * 2.1;
    const speed = 150 + random.next() * 190;
    const size = 3 + random.next() * 8;
    const x = 128 + Math.cos(a) * speed * t;
    const y = 214 + Math.sin(a) * speed * t + 330 * t * t;
    const fade = Math.max(0, 1 - t * 1.05);
    return circle(
      x,
      Math.min(y, 252),
      size * (1 - 0.5 * t),
      `fill="#d9f3ff" opacity="${(0.92 * fade).toFixed(3)}"`,
    );
  });
  const ring = `<ellipse cx="128" cy="220" rx="${(20 + 110 * t).toFixed(1)}" ry="${(5 + 26 * t).toFixed(1)}" fill="none" stroke="#eafaff" stroke-width="${(7 * (1 - t)).toFixed(2)}" opacity="${Math.max(0, 0.9 - t).toFixed(3)}"/>`;
  return ring + drops.join('');
};

const plankton = (): ((t: number) => string) => {
  const random = new Random(99);
  const list = Array.from({ length: 40 }, () => ({
    x: random.next() * 256,
    y: random.next() * 256,
    r: 1.5 + random.next() * 4,
    shift: random.next(),
    a: random.next() * TAU,
  }));
  return (t) =>
    `<defs><radialGradient id="g"><stop offset="0" stop-color="#d8fff4"/><stop offset="0.35" stop-color="#59f0cf" stop-opacity="0.75"/><stop offset="1" stop-color="#13b9a0" stop-opacity="0"/></radialGradient></defs>${list
      .map(({ x, y, r, shift, a }) => {
        const glow = 0.35 + 0.65 * Math.max(0, Math.sin((t + shift) * TAU));
        const edge = Math.min(1, Math.min(x, 256 - x, y, 256 - y) / 26);
        return circle(
          x + 6 * Math.cos(a + t * TAU),
          y + 6 * Math.sin(a + t * TAU),
          r * 3,
          `fill="url(#g)" opacity="${(glow * Math.max(0, edge)).toFixed(3)}"`,
        );
      })
      .join('')}`;
};

const bubblePop = (t: number): string => {
  const grow = Math.min(1, t / 0.55);
  if (t < 0.55)
    return `<defs>${bubbleGradient}</defs>${circle(64, 64, 8 + 40 * grow ** 0.7, 'fill="url(#b)"')}`;
  const s = (t - 0.55) / 0.45;
  return Array.from({ length: 12 }, (_, i) => {
    const a = (i / 12) * TAU;
    const d = 46 + 14 * s;
    return circle(
      64 + d * Math.cos(a),
      64 + d * Math.sin(a),
      5 * (1 - s),
      `fill="#e8fbff" opacity="${(1 - s).toFixed(3)}"`,
    );
  }).join('');
};

const drop = (t: number): string => {
  const y = 16 + 78 * t ** 1.7;
  const stretch = 1 + 0.7 * t;
  if (t < 0.72)
    return `<path d="M64 ${y - 16 * stretch} C ${64 + 13} ${y + 2} ${64 + 12} ${y + 15} 64 ${y + 15} C ${64 - 12} ${y + 15} ${64 - 13} ${y + 2} 64 ${y - 16 * stretch}Z" fill="#9adcf5"/><ellipse cx="60" cy="${y + 4}" rx="3" ry="5" fill="#fff" opacity="0.8"/>`;
  const s = (t - 0.72) / 0.28;
  return [1, 0.6]
    .map(
      (k) =>
        `<ellipse cx="64" cy="98" rx="${(10 + 44 * s * k).toFixed(1)}" ry="${(3 + 13 * s * k).toFixed(1)}" fill="none" stroke="#9adcf5" stroke-width="3.5" opacity="${(1 - s).toFixed(3)}"/>`,
    )
    .join('');
};

const twinkle = (t: number): string => {
  const k = Math.sin(t * Math.PI) ** 1.5;
  return (
    star(64, 64, 58 * k, t * 0.9, '#fff6d8', 1) + star(64, 64, 30 * k, t * 0.9 + Math.PI / 4, '#fff', 0.8)
  );
};

const wave = (t: number): string =>
  [0, 1, 2]
    .map((i) => {
      const y = (x: number) => 62 + i * 22 + 12 * Math.sin(((x / 128) * 2 + t + i * 0.3) * TAU);
      const points = Array.from({ length: 33 }, (_, k) => `${k * 4} ${y(k * 4).toFixed(2)}`);
      return `<path d="M${points.join('L')}" fill="none" stroke="${['#0f6b62', '#3f9d91', '#9bd3c9'][i]}" stroke-width="9" stroke-linecap="round"/>`;
    })
    .join('');

/** Kept as sequences. */
export const sequences = (): Film[] => [
  {
    name: 'Bubbles rising',
    about: 'Loops; for mouths and water',
    size: 256,
    frames: 32,
    rate: 16,
    svg: bubbles(),
  },
  { name: 'Glimmer', about: 'Loops; lay it on with Screen', size: 256, frames: 24, rate: 12, svg: glimmer() },
  { name: 'Splash', about: 'Once, from the bottom up', size: 256, frames: 20, rate: 20, svg: splash },
  {
    name: 'Glowing plankton',
    about: 'Loops; for the dark, with Plus lighter',
    size: 256,
    frames: 30,
    rate: 15,
    svg: plankton(),
  },
];

/** Kept as sprite sheets: pictures to be cut. */
export const sheets = (): (Film & { readonly columns: number; readonly rows: number })[] => [
  {
    name: 'Bubble pops',
    about: '4 x 4 frames',
    size: 128,
    frames: 16,
    rate: 14,
    svg: bubblePop,
    columns: 4,
    rows: 4,
  },
  {
    name: 'Drop falls',
    about: '6 x 2 frames',
    size: 128,
    frames: 12,
    rate: 12,
    svg: drop,
    columns: 6,
    rows: 2,
  },
  {
    name: 'Twinkle',
    about: '8 x 1 frames',
    size: 128,
    frames: 8,
    rate: 12,
    svg: twinkle,
    columns: 8,
    rows: 1,
  },
  {
    name: 'Little waves',
    about: '3 x 4 frames',
    size: 128,
    frames: 12,
    rate: 12,
    svg: wave,
    columns: 3,
    rows: 4,
  },
];
