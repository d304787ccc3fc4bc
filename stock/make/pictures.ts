/** Pictures of the sample world as SVG: a printed tide card and what comes alive on it, stickers, a backdrop. */
import { Random } from '../../src/core/maths/random';

export interface StockPicture {
  readonly name: string;
  readonly about: string;
  readonly width: number;
  readonly height: number;
  readonly svg: string;
}

const page = (width: number, height: number, body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${body}</svg>`;
const n = (x: number): string => x.toFixed(1);

/** A wave's edge from left to right, closed below. */
const wave = (
  width: number,
  top: number,
  bottom: number,
  high: number,
  rounds: number,
  shift: number,
): string => {
  const points: string[] = [];
  for (let i = 0; i <= 96; i++) {
    const t = i / 96;
    const a = 2 * Math.PI * (rounds * t + shift);
    points.push(`${n(t * width)} ${n(top - high * (0.7 * Math.sin(a) + 0.3 * Math.sin(2 * a + 0.8)))}`);
  }
  return `M${points.join('L')}L${width} ${bottom}L0 ${bottom}Z`;
};

const lighthouse = (x: number, y: number, k: number): string =>
  `<g transform="translate(${x} ${y}) scale(${k})">` +
  '<path d="M-26 0L-16 -170H16L26 0Z" fill="#f4efe4"/>' +
  '<path d="M-23.4 -44L-21 -84H21L23.4 -44Z M-18.6 -126L-16.6 -160H16.6L18.6 -126Z" fill="#b23a32"/>' +
  '<rect x="-22" y="-180" width="44" height="11" rx="3" fill="#1d2f38"/>' +
  '<rect x="-13" y="-206" width="26" height="27" fill="#ffdf8a"/><path d="M-17 -206L0 -226L17 -206Z" fill="#1d2f38"/>' +
  '<rect x="-5" y="-26" width="10" height="26" rx="5" fill="#1d2f38"/></g>';

const ferry = (x: number, y: number, k: number): string =>
  `<g transform="translate(${x} ${y}) scale(${k})">` +
  '<path d="M-120 0H120L96 46Q92 52 84 52H-86Q-94 52 -98 46Z" fill="#15424e"/>' +
  '<path d="M-108 16H112L108 26H-104Z" fill="#e7b04a"/>' +
  '<rect x="-84" y="-36" width="156" height="36" rx="5" fill="#f6f1e6"/><rect x="-56" y="-62" width="96" height="28" rx="5" fill="#e9e2d2"/>' +
  [-70, -44, -18, 8, 34]
    .map((w) => `<rect x="${w}" y="-26" width="18" height="15" rx="4" fill="#2c6f7a"/>`)
    .join('') +
  '<rect x="-10" y="-98" width="26" height="38" rx="3" fill="#b23a32"/><rect x="-10" y="-90" width="26" height="8" fill="#f6f1e6"/></g>';

const tideCard = (): string => {
  const [w, h] = [900, 1200];
  const random = new Random(41);
  const stars = Array.from(
    { length: 90 },
    () =>
      `<circle cx="${n(random.between(20, w - 20))}" cy="${n(random.between(120, 520))}" r="${n(random.between(0.8, 2.6))}" fill="#fff" opacity="${random.between(0.3, 0.9).toFixed(2)}"/>`,
  ).join('');
  const pebbles = Array.from({ length: 60 }, () => {
    const [x, y, r] = [random.between(10, w - 10), random.between(905, 960), random.between(5, 17)];
    const hue = random.between(24, 190);
    return `<ellipse cx="${n(x)}" cy="${n(y)}" rx="${n(r * 1.5)}" ry="${n(r)}" fill="hsl(${n(hue)},18%,${n(random.between(34, 66))}%)"/>`;
  }).join('');
  const times = [
    ['Mon', '05:12', '11:40', '17:36'],
    ['Tue', '05:58', '12:21', '18:20'],
    ['Wed', '06:41', '13:04', '19:07'],
    ['Thu', '07:29', '13:55', '19:58'],
  ]
    .map((row, i) =>
      row
        .map(
          (cell, j) =>
            `<text x="${110 + j * 200}" y="${1046 + i * 34}" font-size="25" fill="#1d2327" font-weight="${j === 0 ? 700 : 400}">${cell}</text>`,
        )
        .join(''),
    )
    .join('');
  return page(
    w,
    h,
    '<defs><linearGradient id="sky" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#132d4a"/><stop offset="0.62" stop-color="#3d6f86"/><stop offset="1" stop-color="#e6a86a"/></linearGradient></defs>' +
      `<rect width="${w}" height="${h}" fill="#f2ecdf"/><rect x="30" y="30" width="${w - 60}" height="940" rx="18" fill="url(#sky)"/>` +
      `<g clip-path="inset(30 30 230 30)">${stars}<circle cx="690" cy="210" r="74" fill="#fbf0cf"/><circle cx="668" cy="196" r="14" fill="#e4d5a8"/><circle cx="712" cy="232" r="20" fill="#e4d5a8"/>` +
      '<path d="M30 640Q160 520 300 600T560 585T870 640V720H30Z" fill="#274a56"/><path d="M560 700L640 560Q690 530 742 560L850 700Z" fill="#33413f"/>' +
      `${lighthouse(690, 575, 1.15)}</g>` +
      `<path d="${wave(840, 690, 940, 12, 3, 0.1)}" transform="translate(30 0)" fill="#2e7f8c"/>` +
      `<path d="${wave(840, 770, 940, 14, 2.5, 0.45)}" transform="translate(30 0)" fill="#1d6674"/>` +
      `<path d="${wave(840, 850, 940, 12, 3.5, 0.7)}" transform="translate(30 0)" fill="#124f5d"/>` +
      `<g clip-path="inset(0 30 0 30)">${pebbles}</g>` +
      '<text x="76" y="128" font-family="sans-serif" font-weight="800" font-size="64" fill="#fbf6ea">Low Tide Nights</text>' +
      '<text x="78" y="176" font-family="sans-serif" font-size="27" fill="#dbe8ea">Evenings at the tide pools</text>' +
      '<text x="110" y="1012" font-family="sans-serif" font-size="22" fill="#6d675c">day</text><text x="310" y="1012" font-family="sans-serif" font-size="22" fill="#6d675c">low</text><text x="510" y="1012" font-family="sans-serif" font-size="22" fill="#6d675c">high</text><text x="710" y="1012" font-family="sans-serif" font-size="22" fill="#6d675c">low</text>' +
      `<g font-family="monospace">${times}</g>`,
  );
};

const deepWater = (): string => {
  const [w, h] = [1080, 1920];
  const random = new Random(9);
  const rays = Array.from({ length: 9 }, (_, i) => {
    const x = 60 + i * 125 + random.between(-30, 30);
    return `<path d="M${n(x)} -40L${n(x + random.between(40, 90))} -40L${n(x - 60 + random.between(150, 300))} 1500L${n(x - 300)} 1500Z" fill="#d9fbf2" opacity="${random.between(0.04, 0.12).toFixed(3)}"/>`;
  }).join('');
  const rocks = Array.from({ length: 7 }, (_, i) => {
    const [x, y, r] = [
      i * 190 + random.between(-40, 40),
      1830 + random.between(-60, 40),
      random.between(150, 250),
    ];
    return `<ellipse cx="${n(x)}" cy="${n(y)}" rx="${n(r)}" ry="${n(r * 0.72)}" fill="hsl(196,34%,${n(random.between(9, 17))}%)"/>`;
  }).join('');
  const weed = Array.from({ length: 26 }, () => {
    const x = random.between(0, w);
    const tall = random.between(200, 620);
    const lean = random.between(-90, 90);
    return `<path d="M${n(x - 14)} 1920Q${n(x + lean)} ${n(1920 - tall / 2)} ${n(x + lean * 0.4)} ${n(1920 - tall)}Q${n(x + lean + 26)} ${n(1920 - tall / 2)} ${n(x + 14)} 1920Z" fill="hsl(${n(random.between(150, 178))},44%,${n(random.between(14, 27))}%)"/>`;
  }).join('');
  const bubbles = Array.from({ length: 46 }, () => {
    const r = random.between(3, 16);
    return `<circle cx="${n(random.between(0, w))}" cy="${n(random.between(60, 1700))}" r="${n(r)}" fill="none" stroke="#e9fffb" stroke-width="${n(r / 5)}" opacity="${random.between(0.18, 0.6).toFixed(2)}"/>`;
  }).join('');
  return page(
    w,
    h,
    '<defs><linearGradient id="sea" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#8fe0d8"/><stop offset="0.28" stop-color="#2f9fae"/><stop offset="0.7" stop-color="#0f5673"/><stop offset="1" stop-color="#082c44"/></linearGradient></defs>' +
      `<rect width="${w}" height="${h}" fill="url(#sea)"/>${rays}${rocks}${weed}${bubbles}`,
  );
};

const sticker = (shape: string, width: number, height: number): string => page(width, height, shape);

export const pictures = (): StockPicture[] => [
  {
    name: 'Tide card',
    about: 'A printed tide table, to let come alive',
    width: 900,
    height: 1200,
    svg: tideCard(),
  },
  { name: 'Deep water', about: 'A backdrop as high as a phone', width: 1080, height: 1920, svg: deepWater() },
  {
    name: 'Ferry',
    about: 'Crosses the tide card',
    width: 280,
    height: 180,
    svg: sticker(ferry(140, 118, 1.08), 280, 180),
  },
  {
    name: 'Lighthouse',
    about: 'Stands on the tide card',
    width: 160,
    height: 340,
    svg: sticker(lighthouse(80, 330, 1.42), 160, 340),
  },
  {
    name: 'Moon',
    about: 'The lowest layer of a sticker',
    width: 400,
    height: 400,
    svg: sticker(
      '<circle cx="200" cy="200" r="190" fill="#12324a"/><circle cx="232" cy="168" r="98" fill="#fbf0cf"/><circle cx="204" cy="146" r="16" fill="#e4d5a8"/><circle cx="256" cy="196" r="24" fill="#e4d5a8"/>',
      400,
      400,
    ),
  },
  {
    name: 'Wave',
    about: 'The middle layer of a sticker',
    width: 400,
    height: 220,
    svg: sticker(
      `<path d="${wave(400, 78, 220, 26, 2, 0.2)}" fill="#2e8f9b"/><path d="${wave(400, 130, 220, 20, 2.5, 0.6)}" fill="#15616e"/>`,
      400,
      220,
    ),
  },
  {
    name: 'Buoy',
    about: 'The front layer of a sticker',
    width: 180,
    height: 260,
    svg: sticker(
      '<path d="M40 190Q90 250 140 190L128 150H52Z" fill="#b23a32"/><path d="M58 150L76 62H104L122 150Z" fill="#f4efe4"/><path d="M66 112H114L110 92H70Z" fill="#b23a32"/><circle cx="90" cy="44" r="20" fill="#ffd777"/>',
      180,
      260,
    ),
  },
];
