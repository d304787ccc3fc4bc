/**
 * Draws SVGs in the worker, where they can be given up: a page that draws one stands still until it is done. Words are drawn in our own
 * typeface, since the typefaces of the machine are out of reach, and other viewers would not have them.
 */
import bold from '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-700-normal.woff?url';
import regular from '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-400-normal.woff?url';
import type { Resvg } from '@resvg/resvg-wasm';
import wasm from '@resvg/resvg-wasm/index_bg.wasm?url';
import { unpackWoff } from '../core/assets/fonts/woff';
import { multipliedOut, type Raster } from '../core/assets/raster';
import { IconiaError } from '../core/errors';
import type { Pixels } from '../core/units';

/** What words of a drawing are drawn in, whatever typeface they ask for. */
export const DRAWN_IN = 'Hanken Grotesk';

interface Renderer {
  readonly Resvg: typeof Resvg;
  readonly fonts: Uint8Array[];
}
let renderer: Promise<Renderer> | null = null;

const load = async (): Promise<Renderer> => {
  try {
    return await fetchRenderer();
  } catch (cause) {
    // Asked for again with the next drawing.
    renderer = null;
    throw new IconiaError(
      'intake.renderer',
      'What draws SVGs could not be fetched from the server. See that it runs, and bring the drawing in again.',
      { cause },
    );
  }
};
const fetchRenderer = async (): Promise<Renderer> => {
  const [{ initWasm, Resvg }, ...fonts] = await Promise.all([
    import('@resvg/resvg-wasm'),
    ...[regular, bold].map(async (url) =>
      unpackWoff(new Uint8Array(await (await fetch(url)).arrayBuffer()), DRAWN_IN),
    ),
  ]);
  await initWasm(fetch(wasm));
  return { Resvg, fonts };
};

/**
 * The drawing as large as asked, in its own shape. Throws what the renderer says when it finds no drawing in it, and `IconiaError`
 * `intake.renderer` when the renderer itself cannot be fetched.
 */
export const drawSvg = async (svg: string, width: Pixels, height: Pixels): Promise<Raster> => {
  const { Resvg, fonts } = await (renderer ??= load());
  const drawing = new Resvg(svg, {
    fitTo: width >= height ? { mode: 'width', value: width } : { mode: 'height', value: height },
    font: {
      fontBuffers: fonts,
      defaultFontFamily: DRAWN_IN,
      serifFamily: DRAWN_IN,
      sansSerifFamily: DRAWN_IN,
      cursiveFamily: DRAWN_IN,
      fantasyFamily: DRAWN_IN,
      monospaceFamily: DRAWN_IN,
    },
  });
  try {
    const image = drawing.render();
    try {
      return multipliedOut({ width: image.width, height: image.height, data: image.pixels });
    } finally {
      image.free();
    }
  } finally {
    drawing.free();
  }
};
