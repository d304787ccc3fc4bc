/** How close the Viewfinder has come to its picture: a sheet that is drawn larger behind a window of fixed size. CSS pixels. */
import { clamp } from '../../../core/maths/scalar';

export interface CloseUp {
  /** 1 shows the whole picture. */
  readonly zoom: number;
  /** Where the sheet's top left corner lies in the window. */
  readonly x: number;
  readonly y: number;
}
export interface Extent {
  readonly width: number;
  readonly height: number;
}
/** A part of the picture, 0..1 from its top left. */
export interface PicturePart {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}
/** The window, and the sheet as it is at zoom 1. */
export interface Frame {
  readonly window: Extent;
  readonly sheet: Extent;
}

export const CLOSEST = 8;

const along = (at: number, window: number, sheet: number): number =>
  // A sheet larger than the window covers it, a smaller one stands in its middle.
  sheet <= window ? (window - sheet) / 2 : clamp(at, window - sheet, 0);

/** The nearest that shows no more emptiness than it has to. */
export const within = ({ zoom, x, y }: CloseUp, { window, sheet }: Frame): CloseUp => {
  const z = clamp(zoom, 1, CLOSEST);
  return {
    zoom: z,
    x: along(x, window.width, sheet.width * z),
    y: along(y, window.height, sheet.height * z),
  };
};

/** The whole picture. */
export const whole = (frame: Frame): CloseUp => within({ zoom: 1, x: 0, y: 0 }, frame);

/** Closer, or farther, by a factor; what is under a point of the window stays there. */
export const zoomedAt = (
  now: CloseUp,
  [px, py]: readonly [number, number],
  factor: number,
  frame: Frame,
): CloseUp => {
  const zoom = clamp(now.zoom * factor, 1, CLOSEST);
  const k = zoom / now.zoom;
  return within({ zoom, x: px - (px - now.x) * k, y: py - (py - now.y) * k }, frame);
};

/** The picture is shoved in its window. */
export const shoved = (now: CloseUp, dx: number, dy: number, frame: Frame): CloseUp =>
  within({ ...now, x: now.x + dx, y: now.y + dy }, frame);

/** A part of the picture fills the window, as far as its shape allows. */
export const closeTo = (part: PicturePart, frame: Frame): CloseUp => {
  const { window, sheet } = frame;
  const zoom = clamp(
    Math.min(
      window.width / ((part.right - part.left) * sheet.width),
      window.height / ((part.bottom - part.top) * sheet.height),
    ),
    1,
    CLOSEST,
  );
  const middle = [(part.left + part.right) / 2, (part.top + part.bottom) / 2] as const;
  return within(
    {
      zoom,
      x: window.width / 2 - middle[0] * sheet.width * zoom,
      y: window.height / 2 - middle[1] * sheet.height * zoom,
    },
    frame,
  );
};
