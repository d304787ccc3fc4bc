/** Draws the artwork of Kelp Crown as SVG: kelp blades, a band with sea-glass, bubbles. Seeded. */
import { Random } from '../src/core/maths/random';

const svg = (width: number, height: number, body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${body}</svg>`;

const n = (x: number): string => x.toFixed(1);

/** One blade: rooted at (x, y), leaning by `lean`, with a wavy edge and a midrib. */
const blade = (
  id: string,
  random: Random,
  x: number,
  y: number,
  length: number,
  width: number,
  lean: number,
  hue: number,
): string => {
  const left: string[] = [];
  const right: string[] = [];
  const rib: string[] = [];
  const steps = 14;
  for (let i = 0; i <= steps; i++) {
    const t = i / steps;
    const cx = x + lean * t * t * length + 10 * Math.sin(t * 5 + random.next() * 0.4);
    const cy = y - length * t * (1 - 0.18 * Math.abs(lean) * t);
    const half =
      width *
      Math.sin(Math.PI * Math.min(1, 0.16 + 0.84 * t) ** 0.9) *
      (i === steps ? 0 : 0.5 + 0.08 * Math.sin(i * 1.9));
    left.push(`${n(cx - half)} ${n(cy)}`);
    right.unshift(`${n(cx + half)} ${n(cy)}`);
    rib.push(`${n(cx)} ${n(cy)}`);
  }
  const light = 30 + 10 * random.next();
  return (
    `<defs><linearGradient id="${id}" x1="0" y1="1" x2="0.3" y2="0">` +
    `<stop offset="0" stop-color="hsl(${hue},46%,${n(light - 13)}%)"/><stop offset="0.6" stop-color="hsl(${hue},42%,${n(light)}%)"/>` +
    `<stop offset="1" stop-color="hsl(${hue - 48},52%,${n(light + 17)}%)"/></linearGradient></defs>` +
    `<path d="M${left.join('L')}L${right.join('L')}Z" fill="url(#${id})" stroke="hsl(${hue},50%,${n(light - 17)}%)" stroke-width="2.5" stroke-linejoin="round"/>` +
    `<path d="M${rib.join('L')}" fill="none" stroke="hsla(${hue - 30},50%,${n(light + 22)}%,0.6)" stroke-width="3" stroke-linecap="round"/>`
  );
};

/** The tall fan that stands behind the head. */
export const kelpFan = (): string => {
  const random = new Random(21);
  const blades: string[] = [];
  const count = 17;
  for (let k = 0; k < count; k++) {
    // Outer blades first, so that the middle ones lie on top.
    const i = k % 2 === 0 ? k / 2 : count - 1 - (k - 1) / 2;
    const side = (i / (count - 1)) * 2 - 1;
    const length = 520 - 190 * side * side + random.between(-40, 40);
    blades.push(
      blade(
        `b${i}`,
        random,
        512 + side * 360,
        700 - 60 * (1 - side * side),
        length,
        104,
        side * 0.62 + random.between(-0.1, 0.1),
        158 + random.between(-12, 10),
      ),
    );
  }
  return svg(1024, 768, blades.join(''));
};

const glass = (x: number, y: number, r: number, hue: number, id: string): string =>
  `<defs><radialGradient id="${id}" cx="0.36" cy="0.3" r="0.85"><stop offset="0" stop-color="hsl(${hue},60%,88%)"/>` +
  `<stop offset="0.5" stop-color="hsl(${hue},52%,62%)"/><stop offset="1" stop-color="hsl(${hue},55%,36%)"/></radialGradient></defs>` +
  `<ellipse cx="${n(x)}" cy="${n(y)}" rx="${n(r)}" ry="${n(r * 0.86)}" fill="url(#${id})" stroke="hsla(${hue},50%,24%,0.6)" stroke-width="2"/>` +
  `<ellipse cx="${n(x - r * 0.3)}" cy="${n(y - r * 0.34)}" rx="${n(r * 0.26)}" ry="${n(r * 0.15)}" fill="#fff" opacity="0.75"/>`;

/** The band over the forehead: short blades, a braided stem, sea-glass. */
export const kelpBand = (): string => {
  const random = new Random(8);
  const parts: string[] = [];
  const arc = (t: number): [number, number] => [60 + 904 * t, 330 - 150 * Math.sin(Math.PI * t)];
  for (let i = 0; i < 15; i++) {
    const [x, y] = arc(0.04 + (0.92 * i) / 14);
    const side = (i / 14) * 2 - 1;
    parts.push(
      blade(
        `s${i}`,
        random,
        x,
        y + 16,
        150 - 40 * Math.abs(side) + random.between(-20, 26),
        50,
        side * 0.75,
        150 + random.between(-16, 12),
      ),
    );
  }
  for (const [offset, width, colour] of [
    [0, 34, '#23493c'],
    [-4, 22, '#3c6f57'],
    [-9, 7, '#7fae86'],
  ] as const) {
    const points = Array.from({ length: 41 }, (_, i) => {
      const [x, y] = arc(i / 40);
      return `${n(x)} ${n(y + offset + 3 * Math.sin(i * 1.6))}`;
    });
    parts.push(
      `<path d="M${points.join('L')}" fill="none" stroke="${colour}" stroke-width="${width}" stroke-linecap="round"/>`,
    );
  }
  for (let i = 0; i < 7; i++) {
    const [x, y] = arc(0.11 + (0.78 * i) / 6);
    parts.push(glass(x, y, i === 3 ? 36 : 24 + random.between(-3, 3), i % 2 === 0 ? 172 : 38, `g${i}`));
  }
  return svg(1024, 400, parts.join(''));
};

/** Bubbles that rise from pursed lips. */
export const bubbles = (): string => {
  const random = new Random(5);
  const parts: string[] = [];
  for (let i = 0; i < 22; i++) {
    const up = i / 22;
    const x = 256 + (40 + 150 * up) * (random.next() * 2 - 1);
    const y = 590 - 540 * up + random.between(-16, 16);
    const r = 10 + 34 * random.next() ** 1.6 * (0.5 + up);
    parts.push(
      `<defs><radialGradient id="u${i}" cx="0.4" cy="0.36" r="0.7"><stop offset="0.5" stop-color="#d9f3f2" stop-opacity="0.06"/>` +
        `<stop offset="0.86" stop-color="#bfe8ea" stop-opacity="0.34"/><stop offset="1" stop-color="#ffffff" stop-opacity="0.9"/></radialGradient></defs>` +
        `<circle cx="${n(x)}" cy="${n(y)}" r="${n(r)}" fill="url(#u${i})"/>` +
        `<path d="M${n(x - r * 0.55)} ${n(y - r * 0.2)}A${n(r * 0.6)} ${n(r * 0.6)} 0 0 1 ${n(x - r * 0.1)} ${n(y - r * 0.58)}" fill="none" stroke="#fff" stroke-width="${n(Math.max(1.5, r * 0.12))}" stroke-linecap="round" opacity="0.95"/>`,
    );
  }
  return svg(512, 640, parts.join(''));
};

/** The round icon of the listing. */
/** Deep water with a round window and rising bubbles. */
export const boothIcon = (): string => {
  const random = new Random(9);
  const rings = Array.from({ length: 9 }, (_, i) => {
    const [x, y, r] = [random.between(120, 392), random.between(60, 452), random.between(9, 34)];
    return `<circle cx="${n(x)}" cy="${n(y)}" r="${n(r)}" fill="hsla(178,60%,88%,0.16)" stroke="hsla(178,60%,92%,0.8)" stroke-width="${i % 3 === 0 ? 5 : 3}"/>`;
  }).join('');
  return svg(
    512,
    512,
    `<defs><linearGradient id="w" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#7fd6cf"/><stop offset="1" stop-color="#0d3a4a"/></linearGradient></defs>` +
      `<rect width="512" height="512" fill="#123c46"/><circle cx="256" cy="256" r="206" fill="url(#w)" stroke="#d9cdb8" stroke-width="26"/>` +
      `<circle cx="256" cy="246" r="78" fill="#0d3a4a" opacity="0.75"/><path d="M116 452a140 132 0 0 1 280 0z" fill="#0d3a4a" opacity="0.75"/>${rings}`,
  );
};

export const icon = (): string => {
  const random = new Random(4);
  const blades = [-0.9, 0.9, -0.45, 0.45, 0]
    .map((side, i) =>
      blade(`i${i}`, random, 256 + side * 90, 380, 260 - 60 * Math.abs(side), 84, side * 0.55, 158),
    )
    .join('');
  return svg(
    512,
    512,
    `<rect width="512" height="512" fill="#dcebe6"/><circle cx="256" cy="420" r="150" fill="#c9ddd6"/>${blades}${glass(256, 366, 44, 38, 'ic')}`,
  );
};

/** Salt on a lid: an eye of glass with crystals over it. */
export const saltIcon = (): string => {
  const random = new Random(14);
  const crystals = Array.from({ length: 34 }, () => {
    const a = random.between(-2.7, -0.45);
    const r = random.between(118, 190);
    const [x, y, size] = [256 + 1.05 * r * Math.cos(a), 296 + r * Math.sin(a), random.between(4, 15)];
    return `<path d="M${n(x)} ${n(y - size)}L${n(x + 0.62 * size)} ${n(y)}L${n(x)} ${n(y + size)}L${n(x - 0.62 * size)} ${n(y)}Z" fill="#f4fbff" opacity="${n(random.between(0.55, 1))}"/>`;
  }).join('');
  return svg(
    512,
    512,
    `<rect width="512" height="512" fill="#e9cdb6"/><path d="M76 300Q256 60 436 300Q256 190 76 300Z" fill="#3f6f72" opacity="0.75"/>` +
      `<path d="M76 304Q256 150 436 304Q256 418 76 304Z" fill="#fbf8f4"/><circle cx="256" cy="292" r="62" fill="#2f7f78"/><circle cx="256" cy="292" r="26" fill="#17171b"/><circle cx="276" cy="268" r="11" fill="#fff"/>` +
      `<path d="M70 304Q256 146 442 304" fill="none" stroke="#2a4a55" stroke-width="16" stroke-linecap="round"/>${crystals}`,
  );
};
