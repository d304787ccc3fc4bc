/** Posters that the picture tracker is measured on: rich, middling and poor in detail, none of them used for tuning it. */
import sharp from 'sharp';
import { Random } from '../src/core/maths/random';
import { Grey, greyOfRgba } from '../src/core/vision/grey';

const WORDS = [
  'Low Tide Nights',
  'lantern walk',
  'pier 4',
  'bring a coat',
  'ebb 21:40',
  'salt and shells',
  'free',
];

/** How much there is on it. */
const AMOUNT = { rich: 60, medium: 22, poor: 7 } as const;
export type Richness = keyof typeof AMOUNT;
export const RICHNESS = Object.keys(AMOUNT) as Richness[];

const shape = (random: Random, i: number): string => {
  const [x, y] = [random.next() * 720, random.next() * 960];
  const size = 20 + random.next() ** 2 * 190;
  const fill = `hsl(${Math.round(random.next() * 360)} ${Math.round(30 + random.next() * 60)}% ${Math.round(12 + random.next() * 76)}%)`;
  const turn = Math.round(random.next() * 360);
  switch (i % 4) {
    case 0:
      return `<circle cx="${x}" cy="${y}" r="${size / 2}" fill="${fill}"/>`;
    case 1:
      return `<rect x="${x}" y="${y}" width="${size}" height="${size * random.between(0.3, 1.2)}" fill="${fill}" transform="rotate(${turn} ${x} ${y})"/>`;
    case 2:
      return `<path d="M${x} ${y}l${size} ${size * random.between(-0.6, 0.6)}l${-size * 0.7} ${size * 0.8}z" fill="${fill}"/>`;
    default:
      return `<text x="${x}" y="${y}" font-family="sans-serif" font-weight="700" font-size="${18 + size / 4}" fill="${fill}" transform="rotate(${Math.round(random.between(-12, 12))} ${x} ${y})">${WORDS[(i >> 2) % WORDS.length]}</text>`;
  }
};

/** The poster as SVG, 720 x 960. */
const posterSvg = (richness: Richness, seed: number): string => {
  const random = new Random(seed);
  const body = Array.from({ length: AMOUNT[richness] }, (_, i) => shape(random, i)).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="720" height="960"><defs><linearGradient id="sky" x2="0" y2="1"><stop stop-color="#1c3a4a"/><stop offset="1" stop-color="#d9c9a8"/></linearGradient></defs><rect width="720" height="960" fill="url(#sky)"/>${body}</svg>`;
};

export const greyOf = async (picture: Buffer): Promise<Grey> => {
  const { data, info } = await sharp(picture).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return greyOfRgba(data, new Grey(info.width, info.height));
};
export const poster = (richness: Richness, seed: number): Promise<Grey> =>
  greyOf(Buffer.from(posterSvg(richness, seed)));
