/** Paints the skin of a performer's face in the topology's UV. */
import type { Texture } from 'three';
import {
  BROW_LEFT,
  BROW_RIGHT,
  EYE_LEFT,
  EYE_RIGHT,
  INNER_LIP_LOWER,
  INNER_LIP_UPPER,
  OUTER_LIP_LOWER,
  OUTER_LIP_UPPER,
} from '../../core/face/landmarks';
import { Random } from '../../core/maths/random';
import type { Performer } from '../../core/takes/performer';
import { SKINS, type Skin } from '../../core/takes/skin-tones';
import { css, paintCanvas, softly, spot, type Context } from './canvas';
import {
  alongRow,
  at,
  centre,
  cutLips,
  mirrored,
  SHEET,
  trace,
  traceBeard,
  traceMoustache,
  type Point,
} from './face-painting';
import { madeSheet, sheetOf, sheetTexture, type Sheet } from './made-once';

/** Painted at this many pixels: the show page paints it before its first picture. */
const PIXELS = 768;

const paintTone = (g: Context, skin: Skin): void => {
  const shade = (o: number) => css(skin.shade, [1, 1, 1], o);
  const flush = (o: number) => css(skin.flush, [1, 1, 1], o);
  const light = (o: number) => css(skin.base, [1.1, 1.08, 1.05], o);
  g.fillStyle = css(skin.base);
  g.fillRect(0, 0, SHEET, SHEET);
  // Forehead and chin are a little yellower and greyer than the middle of the face.
  spot(g, ...at(151), 300, 130, light, 0.35);
  for (const cheek of [50, 280]) spot(g, ...at(cheek), 140, 110, flush, 0.5);
  spot(g, ...at(4), 66, 58, flush, 0.42);
  spot(g, ...at(152), 80, 50, flush, 0.2);
  for (const eye of [EYE_RIGHT, EYE_LEFT]) {
    const [x, y] = centre(eye);
    spot(g, x, y - 14, 105, 58, shade, 0.34);
    spot(g, x, y + 34, 74, 24, shade, 0.32);
    spot(g, x, y + 64, 80, 30, light, 0.3);
  }
  for (const wing of [129, 358]) spot(g, ...at(wing), 22, 46, shade, 0.36);
  const [cx, cy] = at(18);
  spot(g, cx, cy + 12, 84, 18, shade, 0.4);
  spot(g, ...at(164), 18, 30, shade, 0.28);
  spot(g, ...at(6), 26, 120, light, 0.35);
  for (const nostril of [79, 309]) {
    const [x, y] = at(nostril);
    spot(g, x, y + 4, 17, 10, (o) => css(skin.shade, [0.36, 0.26, 0.24], o), 0.95);
  }
};

/** Hair throws a soft shadow on the skin below it; a shaved scalp is darker than the forehead. */
const paintHairShadow = (g: Context, { hair, tone }: Performer): void => {
  const shade = (o: number) => css(SKINS[tone].shade, [0.9, 0.86, 0.86], o);
  const under = {
    bald: 0.5,
    short: 0.3,
    bob: 0.75,
    long: 0.6,
    curly: 0.7,
    bun: 0.25,
    fringe: 0.9,
    headScarf: 0.6,
  }[hair.style];
  spot(g, 512, 92, 420, hair.style === 'fringe' ? 210 : 120, shade, under);
  for (const temple of [127, 356]) spot(g, ...at(temple), 130, 240, shade, 0.8 * under);
};

/** Lips end softly, with the light rim of skin that runs around them, and are darker and drier towards the corners. */
const paintLips = (g: Context, { lips, base, shade }: Skin): void => {
  const upper = [...OUTER_LIP_UPPER, ...[...INNER_LIP_UPPER].reverse()];
  const lower = [...OUTER_LIP_LOWER, ...[...INNER_LIP_LOWER].reverse()];
  softly(g, 5, (sheet) => {
    for (const rim of [OUTER_LIP_UPPER, OUTER_LIP_LOWER]) {
      trace(sheet, rim);
      sheet.lineWidth = 9;
      sheet.strokeStyle = css(base, [1.12, 1.09, 1.07], 0.5);
      sheet.stroke();
    }
  });
  softly(g, 4, (sheet) => {
    // What faces down lies in its own shade already.
    trace(sheet, upper);
    sheet.fillStyle = css(lips, [1.12, 1.06, 1.06], 0.8);
    sheet.fill();
    trace(sheet, lower);
    sheet.fillStyle = css(lips, [1.06, 1.02, 1.02], 0.78);
    sheet.fill();
  });
  softly(g, 2, (sheet) => {
    for (const seam of [INNER_LIP_UPPER, INNER_LIP_LOWER]) {
      trace(sheet, seam);
      sheet.lineWidth = 4;
      sheet.strokeStyle = css(lips, [0.62, 0.5, 0.5], 0.55);
      sheet.stroke();
    }
  });
  for (const corner of [61, 291]) spot(g, ...at(corner), 16, 12, (o) => css(shade, [0.86, 0.8, 0.8], o), 0.5);
  const [x, y] = at(17);
  spot(g, x, y - 10, 46, 9, (o) => css(lips, [1.28, 1.3, 1.3], o), 0.28);
};
/** The fine furrows that run across lips. */
const paintFurrows = (g: Context, { lips }: Skin, random: Random): void => {
  softly(g, 0.7, (sheet) => {
    for (const [outer, inner] of [
      [OUTER_LIP_UPPER, INNER_LIP_UPPER],
      [OUTER_LIP_LOWER, INNER_LIP_LOWER],
    ] as const)
      for (let n = 0; n < 46; n++) {
        const u = 0.12 + 0.76 * random.next();
        const [a, b] = [outer, inner].map((row) => alongRow(row.map(at), u * (row.length - 1))) as [
          Point,
          Point,
        ];
        const [from, to] = [random.between(0.1, 0.5), random.between(0.6, 1)];
        const dark = random.next() < 0.6;
        sheet.lineWidth = random.between(0.8, 1.6);
        sheet.strokeStyle = css(
          lips,
          dark ? [0.72, 0.64, 0.64] : [1.25, 1.22, 1.22],
          random.between(0.12, 0.34),
        );
        sheet.beginPath();
        sheet.moveTo(a[0] + (b[0] - a[0]) * from, a[1] + (b[1] - a[1]) * from);
        sheet.lineTo(a[0] + (b[0] - a[0]) * to, a[1] + (b[1] - a[1]) * to);
        sheet.stroke();
      }
  });
};

/** The shade below the hairs of a brow, and the finest of them. */
const paintBrow = (
  g: Context,
  ids: readonly number[],
  { brows }: Performer,
  random: Random,
  outwards: number,
): void => {
  softly(g, 8, (sheet) => {
    trace(sheet, ids);
    sheet.fillStyle = css(brows.colour, [1, 1, 1], 0.14 + 0.3 * brows.fullness);
    sheet.fill();
  });
  const low = ids.slice(0, 5).map(at);
  const high = ids.slice(5).reverse().map(at);
  g.lineCap = 'round';
  for (let n = 0; n < 120 + 160 * brows.fullness; n++) {
    const u = random.next() * 3.99;
    const v = random.between(0.02, 0.98);
    const [a, b] = [alongRow(low, u), alongRow(high, u)];
    const x = a[0] * (1 - v) + b[0] * v;
    const y = a[1] * (1 - v) + b[1] * v;
    const rise = 3 + 9 * (u / 4);
    g.lineWidth = random.between(0.7, 1.3);
    g.strokeStyle = css(brows.colour, [1, 1, 1], random.between(0.12, 0.32));
    g.beginPath();
    g.moveTo(x, y);
    g.lineTo(x + outwards * (13 - rise * 0.6), y - rise + 6 * random.next());
    g.stroke();
  }
};

const paintLids = (g: Context, skin: Skin): void => {
  const eyes = [EYE_RIGHT, EYE_LEFT];
  const upper = (eye: readonly number[]) => [eye[0]!, ...eye.slice(9).reverse(), eye[8]!];
  const line = (sheet: Context, ids: readonly number[], width: number, colour: string): void => {
    trace(sheet, ids);
    sheet.lineWidth = width;
    sheet.strokeStyle = colour;
    sheet.stroke();
  };
  softly(g, 1.6, (sheet) => {
    for (const eye of eyes) {
      line(sheet, upper(eye), 9, 'rgba(32,18,14,0.85)');
      line(sheet, eye.slice(0, 9), 4, css(skin.flush, [0.72, 0.62, 0.6], 0.6));
    }
  });
  // The crease of the lid.
  softly(g, 3, (sheet) => {
    sheet.translate(0, -20);
    for (const eye of eyes) line(sheet, upper(eye), 4, css(skin.shade, [0.7, 0.66, 0.66], 0.5));
  });
};

/** Lines that age leaves: from the nose to the mouth, at the eyes, over the brows. */
const paintAge = (sheet: Context, skin: Skin, age: number): void => {
  // Lines deepen late.
  const depth = age ** 1.7;
  const line = (points: readonly Point[], width: number, strength: number): void => {
    for (const [offset, colour] of [
      [0, css(skin.shade, [0.78, 0.74, 0.74], strength * depth)],
      [width * 0.9, css(skin.base, [1.12, 1.1, 1.08], 0.4 * strength * depth)],
    ] as const) {
      sheet.lineWidth = width;
      sheet.strokeStyle = colour;
      sheet.beginPath();
      points.forEach(([x, y], i) => (i === 0 ? sheet.moveTo(x, y + offset) : sheet.lineTo(x, y + offset)));
      sheet.stroke();
    }
  };
  const fold = [129, 203, 206, 216, 212];
  for (const ids of [fold, mirrored(fold)]) line(ids.map(at), 6, 0.62);
  const bag = [133, 112, 232, 231, 230, 229];
  for (const ids of [bag, mirrored(bag)])
    line(
      ids.map(at).map(([x, y]) => [x, y + 12]),
      5,
      0.4,
    );
  for (const side of [-1, 1]) {
    const [x, y] = at(side < 0 ? 33 : 263);
    for (const rise of [-26, -4, 18, 38])
      line(
        [
          [x + side * 14, y + rise * 0.4],
          [x + side * 34, y + rise * 0.8],
          [x + side * 58, y + rise * 1.5],
        ],
        2.6,
        0.55,
      );
  }
  const [fx, fy] = at(151);
  for (const [lift, width] of [
    [10, 150],
    [-24, 170],
    [-56, 140],
  ] as const)
    line(
      Array.from({ length: 13 }, (_, i): Point => {
        const u = (i - 6) / 6;
        return [fx + u * width, fy - lift + 10 * u * u + 2.4 * Math.sin(i * 2.3 + lift)];
      }),
      3,
      0.5 * age,
    );
  for (const side of [-1, 1])
    line(
      [
        [fx + side * 17, at(9)[1] - 6],
        [fx + side * 14, at(9)[1] + 34],
      ],
      3.4,
      0.5,
    );
};

const paintFreckles = (g: Context, amount: number, random: Random): void => {
  for (let n = 0; n < 420 * amount; n++) {
    const cheek = random.next() < 0.72;
    const [x, y] = cheek
      ? [512 + (random.next() < 0.5 ? -1 : 1) * random.between(20, 250), random.between(455, 620)]
      : [random.between(270, 754), random.between(150, 480)];
    const size = random.between(1.4, 3.6);
    spot(
      g,
      x,
      y,
      size,
      size * random.between(0.75, 1.1),
      (o) => `rgba(150,82,48,${o})`,
      random.between(0.25, 0.7),
    );
  }
};

const paintBeard = (g: Context, performer: Performer, random: Random): void => {
  const { beard, hair, brows } = performer;
  if (beard === 'none') return;
  const colour = hair.style === 'bald' ? brows.colour : hair.colour;
  const sheet = paintCanvas(PIXELS, PIXELS);
  const b = sheet.context;
  b.scale(PIXELS / SHEET, PIXELS / SHEET);
  b.filter = `blur(${beard === 'moustache' ? 6 : 16}px)`;
  (beard === 'moustache' ? traceMoustache : traceBeard)(b);
  // Below single hairs only their shade is painted.
  b.fillStyle = css(colour, [0.9, 0.9, 0.9], { stubble: 0.26, moustache: 0.12, full: 0.6 }[beard]);
  b.fill();
  b.filter = 'none';
  b.globalCompositeOperation = 'source-atop';
  for (let n = 0; n < 5200; n++) {
    const [x, y] = [random.between(0, SHEET), random.between(540, SHEET)];
    const light = random.between(0.6, 1.5);
    b.strokeStyle = css(colour, [light, light, light], random.between(0.2, 0.6));
    b.lineWidth = random.between(0.8, 1.6);
    b.beginPath();
    b.moveTo(x, y);
    b.lineTo(
      x + (x - 512) * 0.01 + random.between(-2, 2),
      y + random.between(2, beard === 'stubble' ? 4 : 9),
    );
    b.stroke();
  }
  b.globalCompositeOperation = 'source-over';
  cutLips(b);
  g.save();
  g.setTransform(1, 0, 0, 1, 0, 0);
  g.drawImage(sheet.canvas, 0, 0);
  g.restore();
};

/** Pores repeat after this many pixels, where nobody sees it. */
const PORES = 192;

/** Gives the finished picture. */
const withPores = (g: Context, random: Random, age: number): Sheet => {
  const sheet = sheetOf(g);
  const data = sheet.pixels;
  const much = 6 + 5 * age;
  const pores = Float32Array.from({ length: PORES * PORES }, () => (random.next() - 0.5) * much);
  for (let y = 0; y < PIXELS; y++) {
    const row = (y % PORES) * PORES;
    for (let x = 0; x < PIXELS; x++) {
      const n = pores[row + (x % PORES)]!;
      const i = 4 * (y * PIXELS + x);
      data[i] = data[i]! + n;
      data[i + 1] = data[i + 1]! + n;
      data[i + 2] = data[i + 2]! + n;
    }
  }
  return sheet;
};

const paintSkin = (performer: Performer): Sheet => {
  const { context } = paintCanvas(PIXELS, PIXELS);
  context.scale(PIXELS / SHEET, PIXELS / SHEET);
  const random = new Random(performer.seed);
  const skin = SKINS[performer.tone];
  paintTone(context, skin);
  paintHairShadow(context, performer);
  paintFreckles(context, performer.freckles, random);
  const { age } = performer;
  if (age >= 0.15) softly(context, 3.6, (sheet) => paintAge(sheet, skin, age));
  paintLips(context, skin);
  paintFurrows(context, skin, random);
  paintBeard(context, performer, random);
  paintBrow(context, BROW_RIGHT, performer, random, -1);
  paintBrow(context, BROW_LEFT, performer, random, 1);
  paintLids(context, skin);
  for (const mole of performer.moles) spot(context, ...at(mole), 6.5, 6, (o) => `rgba(52,26,18,${o})`, 0.95);
  return withPores(context, random, age);
};

export const skinTexture = (performer: Performer): Texture =>
  sheetTexture(madeSheet(`skin ${JSON.stringify(performer)}`, () => paintSkin(performer)));
