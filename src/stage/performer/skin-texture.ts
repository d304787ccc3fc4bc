/** Paints the skin of a performer's face in the topology's UV: cheeks, lips, brows, lashes, pores. */
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
import { UV } from '../../core/face/neutral';
import { Random } from '../../core/maths/random';
import type { Performer } from '../../core/takes/performer';
import { css, paintCanvas, spot, textureOf, type Context } from './canvas';

/** Positions and widths below are on a sheet of this size... */
const SIZE = 1024;
/** ...which is painted at this many pixels: the show page paints it before its first picture. */
const PIXELS = 768;

type Point = readonly [number, number];
const at = (landmark: number): Point => [UV[2 * landmark]! * SIZE, UV[2 * landmark + 1]! * SIZE];

const trace = (g: Context, ids: readonly number[]): void => {
  g.beginPath();
  ids.forEach((id, i) => (i === 0 ? g.moveTo(...at(id)) : g.lineTo(...at(id))));
};

const centre = (ids: readonly number[]): Point => {
  const sum = ids.map(at).reduce(([x, y], [px, py]) => [x + px, y + py], [0, 0]);
  return [sum[0] / ids.length, sum[1] / ids.length];
};

const paintTone = (g: Context, { look }: Performer): void => {
  const dark = (k: number) => (o: number) => css(look.skin, [k, k * 0.94, k * 0.92], o);
  const rosy = (o: number) => css(look.skin, [1.02, 0.74, 0.72], o);
  g.fillStyle = css(look.skin);
  g.fillRect(0, 0, SIZE, SIZE);
  for (const cheek of [50, 280]) spot(g, ...at(cheek), 130, 105, rosy, 0.42);
  spot(g, ...at(4), 62, 55, rosy, 0.32);
  spot(g, ...at(152), 80, 50, rosy, 0.18);
  for (const eye of [EYE_RIGHT, EYE_LEFT]) {
    const [x, y] = centre(eye);
    spot(g, x, y - 14, 105, 58, dark(0.78), 0.42);
    spot(g, x, y + 36, 78, 26, dark(0.84), 0.3);
  }
  for (const wing of [129, 358]) spot(g, ...at(wing), 22, 46, dark(0.76), 0.28);
  const [cx, cy] = at(18);
  spot(g, cx, cy + 12, 84, 18, dark(0.72), 0.34);
  spot(g, ...at(164), 18, 30, dark(0.86), 0.3);
  for (const nostril of [79, 309]) {
    const [x, y] = at(nostril);
    spot(g, x, y + 4, 17, 10, (o) => `rgba(52,20,16,${o})`, 0.95);
  }
};

const paintLips = (g: Context, { look }: Performer): void => {
  g.save();
  g.filter = 'blur(3px)';
  trace(g, [...OUTER_LIP_UPPER, ...[...INNER_LIP_UPPER].reverse()]);
  g.fillStyle = css(look.lips, [0.93, 0.88, 0.88], 0.82);
  g.fill();
  trace(g, [...OUTER_LIP_LOWER, ...[...INNER_LIP_LOWER].reverse()]);
  g.fillStyle = css(look.lips, [1.04, 1, 1], 0.82);
  g.fill();
  for (const seam of [INNER_LIP_UPPER, INNER_LIP_LOWER]) {
    trace(g, seam);
    g.lineWidth = 5;
    g.strokeStyle = css(look.lips, [0.5, 0.38, 0.38], 0.75);
    g.stroke();
  }
  g.restore();
  const [x, y] = at(17);
  spot(g, x, y - 10, 46, 9, (o) => css(look.lips, [1.35, 1.4, 1.4], o), 0.4);
};

const paintBrow = (
  g: Context,
  ids: readonly number[],
  performer: Performer,
  random: Random,
  outwards: number,
): void => {
  const { brows } = performer.look;
  g.save();
  g.filter = 'blur(7px)';
  trace(g, ids);
  g.fillStyle = css(brows, [1, 1, 1], 0.5);
  g.fill();
  g.restore();
  const low = ids.slice(0, 5).map(at);
  const high = ids.slice(5).reverse().map(at);
  const along = (row: Point[], u: number): Point => {
    const i = Math.min(3, Math.floor(u));
    const f = u - i;
    return [row[i]![0] * (1 - f) + row[i + 1]![0] * f, row[i]![1] * (1 - f) + row[i + 1]![1] * f];
  };
  g.lineCap = 'round';
  for (let n = 0; n < 340; n++) {
    const u = random.next() * 3.99;
    const v = random.between(0.08, 0.92);
    const [a, b] = [along(low, u), along(high, u)];
    const x = a[0] * (1 - v) + b[0] * v;
    const y = a[1] * (1 - v) + b[1] * v;
    // Near the nose the hairs stand up; towards the temple they lie flat.
    const rise = 3 + 9 * (u / 4);
    g.lineWidth = random.between(1, 2.1);
    g.strokeStyle = css(brows, [1, 1, 1], random.between(0.18, 0.42));
    g.beginPath();
    g.moveTo(x, y);
    g.quadraticCurveTo(
      x + outwards * 5,
      y - rise * 0.4,
      x + outwards * (15 - rise * 0.6),
      y - rise + 6 * random.next(),
    );
    g.stroke();
  }
};

const paintLids = (g: Context, eye: readonly number[]): void => {
  const upper = [eye[0]!, ...eye.slice(9).reverse(), eye[8]!];
  g.save();
  g.lineCap = 'round';
  g.lineJoin = 'round';
  g.filter = 'blur(1.6px)';
  trace(g, upper);
  g.lineWidth = 11;
  g.strokeStyle = 'rgba(32,18,14,0.9)';
  g.stroke();
  trace(g, eye.slice(0, 9));
  g.lineWidth = 4;
  g.strokeStyle = 'rgba(110,62,50,0.55)';
  g.stroke();
  // The crease of the lid.
  g.filter = 'blur(3px)';
  g.translate(0, -20);
  trace(g, upper);
  g.lineWidth = 4;
  g.strokeStyle = 'rgba(92,52,42,0.38)';
  g.stroke();
  g.restore();
};

const paintPores = (g: Context, random: Random): void => {
  const image = g.getImageData(0, 0, PIXELS, PIXELS);
  for (let i = 0; i < image.data.length; i += 4) {
    const n = (random.next() - 0.5) * 7;
    for (let k = 0; k < 3; k++) image.data[i + k]! += n;
  }
  g.putImageData(image, 0, 0);
};

export const skinTexture = (performer: Performer): Texture => {
  const { canvas, context } = paintCanvas(PIXELS, PIXELS);
  context.scale(PIXELS / SIZE, PIXELS / SIZE);
  const random = new Random(performer.seed);
  paintTone(context, performer);
  paintLips(context, performer);
  paintBrow(context, BROW_RIGHT, performer, random, -1);
  paintBrow(context, BROW_LEFT, performer, random, 1);
  paintLids(context, EYE_RIGHT);
  paintLids(context, EYE_LEFT);
  paintPores(context, random);
  const texture = textureOf(canvas);
  // The topology's V runs down, as the canvas does.
  texture.flipY = false;
  return texture;
};
