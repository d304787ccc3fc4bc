/** A sheet to print: the picture in its true size, and a ruler that says whether the printer kept it. */
import { PDFDocument, rgb, StandardFonts, type PDFPage, type PDFFont } from '@cantoo/pdf-lib';
import type { Metres } from '../core/units';

/** Points of a PDF a metre. */
const POINTS = 72 / 0.0254;
const [A4_SHORT, A4_LONG] = [0.21, 0.297];
/** Room around the picture, and below it for the ruler. */
const MARGIN: Metres = 0.012;
const FOOT: Metres = 0.03;
const RULER: Metres = 0.1;

export interface Printed {
  readonly name: string;
  /** PNG or JPEG. */
  readonly bytes: Uint8Array;
  readonly mime: 'image/png' | 'image/jpeg';
  readonly width: Metres;
  readonly height: Metres;
}

/** The page: A4 on the side where the picture fits, else as large as the picture asks for. */
export const pageSize = (width: Metres, height: Metres): readonly [Metres, Metres] => {
  const [w, h] = [width + 2 * MARGIN, height + 2 * MARGIN + FOOT];
  for (const [pw, ph] of [
    [A4_SHORT, A4_LONG],
    [A4_LONG, A4_SHORT],
  ] as const)
    if (w <= pw && h <= ph) return [pw, ph];
  return [Math.max(w, RULER + 2 * MARGIN), h];
};

/** The sheet as the bytes of a PDF. */
export const printSheet = async ({ name, bytes, mime, width, height }: Printed): Promise<Uint8Array> => {
  const document = await PDFDocument.create();
  document.setTitle(`${name}, to print`);
  const [pw, ph] = pageSize(width, height);
  const page = document.addPage([pw * POINTS, ph * POINTS]);
  const image = mime === 'image/png' ? await document.embedPng(bytes) : await document.embedJpg(bytes);
  page.drawImage(image, {
    x: ((pw - width) / 2) * POINTS,
    y: (ph - MARGIN - height) * POINTS,
    width: width * POINTS,
    height: height * POINTS,
  });
  drawRuler(page, await document.embedFont(StandardFonts.Helvetica), width, height);
  return document.save();
};

const INK = rgb(0.11, 0.14, 0.15);

const drawRuler = (page: PDFPage, font: PDFFont, width: Metres, height: Metres): void => {
  const x = MARGIN * POINTS;
  const y = (MARGIN + 0.008) * POINTS;
  const line = (from: number, to: number, rise: number): void =>
    page.drawLine({
      start: { x: x + from * POINTS, y },
      end: { x: x + to * POINTS, y: y + rise * POINTS },
      thickness: 0.6,
      color: INK,
    });
  line(0, RULER, 0);
  for (let mm = 0; mm <= 100; mm++)
    line(mm / 1000, mm / 1000, mm % 10 === 0 ? 0.005 : mm % 5 === 0 ? 0.0035 : 0.002);
  const write = (text: string, at: number, size: number): void =>
    page.drawText(text, { x, y: at, size, font, color: INK });
  write(
    'This ruler is 10 cm long. If it is not, print again at 100 %, without fitting to the page.',
    y - 12,
    7.5,
  );
  write(
    `The picture is ${(100 * width).toFixed(1)} x ${(100 * height).toFixed(1)} cm.`,
    y + 0.007 * POINTS,
    7.5,
  );
};
