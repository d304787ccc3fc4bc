/** Shapes of screens, as data: invented devices with the sizes, notches and safe edges that real ones have. CSS pixels, held upright. */

export interface Rect {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}
export interface Edges {
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly left: number;
}
export interface Screen {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly width: number;
  readonly height: number;
  /** Pixels to a CSS pixel. */
  readonly density: number;
  readonly corners: number;
  /** What the screen leaves out: a notch, a hole, the bar at the foot that goes home. */
  readonly cut: readonly (Rect & { readonly what: 'notch' | 'hole' | 'bar' })[];
  /** Held upright; on its side they turn with the device. */
  readonly safe: Edges;
}

const NONE: Edges = { top: 0, right: 0, bottom: 0, left: 0 };
const bar = (width: number, height: number) =>
  ({ what: 'bar', left: width * 0.32, top: height - 13, width: width * 0.36, height: 5 }) as const;

export const SCREENS: readonly Screen[] = [
  {
    id: 'short-phone',
    name: 'Short phone',
    about: '16 : 9, no notch',
    width: 360,
    height: 640,
    density: 2,
    corners: 4,
    cut: [],
    safe: { ...NONE, top: 24 },
  },
  {
    id: 'notch-phone',
    name: 'Phone with a notch',
    about: 'Tall, a wide notch',
    width: 390,
    height: 844,
    density: 3,
    corners: 46,
    cut: [{ what: 'notch', left: 90, top: 0, width: 210, height: 33 }, bar(390, 844)],
    safe: { ...NONE, top: 47, bottom: 34 },
  },
  {
    id: 'hole-phone',
    name: 'Phone with a hole',
    about: 'Taller, a camera hole',
    width: 412,
    height: 915,
    density: 2.625,
    corners: 30,
    cut: [{ what: 'hole', left: 192, top: 14, width: 28, height: 28 }, bar(412, 915)],
    safe: { ...NONE, top: 48, bottom: 24 },
  },
  {
    id: 'large-phone',
    name: 'Large phone',
    about: 'Large, sensors below its edge',
    width: 430,
    height: 932,
    density: 3,
    corners: 54,
    cut: [{ what: 'notch', left: 152, top: 11, width: 126, height: 37 }, bar(430, 932)],
    safe: { ...NONE, top: 59, bottom: 34 },
  },
  {
    id: 'tablet',
    name: 'Tablet',
    about: 'Nearly 4 : 3',
    width: 820,
    height: 1180,
    density: 2,
    corners: 18,
    cut: [bar(820, 1180)],
    safe: { ...NONE, top: 24, bottom: 20 },
  },
  {
    id: 'laptop',
    name: 'Laptop',
    about: 'A page in a browser window',
    width: 800,
    height: 1280,
    density: 1.5,
    corners: 0,
    cut: [],
    safe: NONE,
  },
];

export type Held = 'upright' | 'sideways';

/** A screen as it is held; sideways its top is at the left. */
export interface HeldScreen {
  readonly width: number;
  readonly height: number;
  readonly corners: number;
  readonly cut: Screen['cut'];
  readonly safe: Edges;
}

const turned = ({ left, top, width, height }: Rect, high: number): Rect => ({
  left: top,
  top: high - left - width,
  width: height,
  height: width,
});

/** A laptop is never upright: its screen is wide. */
export const isAlwaysSideways = ({ id }: Screen): boolean => id === 'laptop';

export const hold = (screen: Screen, held: Held): HeldScreen => {
  if (held === 'upright' && !isAlwaysSideways(screen)) return screen;
  const { safe } = screen;
  return {
    width: screen.height,
    height: screen.width,
    corners: screen.corners,
    // The bar that goes home stays at the foot.
    cut: screen.cut.map((cut) =>
      cut.what === 'bar'
        ? { ...bar(screen.height, screen.width) }
        : { what: cut.what, ...turned(cut, screen.width) },
    ),
    safe: {
      top: 0,
      left: safe.top,
      right: safe.bottom > 0 ? safe.top : 0,
      bottom: Math.min(21, safe.bottom),
    },
  };
};
