/**
 * A printed picture's target as bytes, for effect packages: made once where an effect is released, so that a viewer's device only reads it. The picture itself is in
 * the package anyway, so its grey levels are not repeated. Little endian:
 *
 *     "ICPT", version u16, levels u16, width u16, height u16 of the grey picture, views u32, descriptors u32
 *     views:        6 f32 each, from pixels of the view to the picture's own space
 *     descriptors:  8 i32 words each; then x f32 of all, y f32 of all, angle f32 of all; then view u8 of all
 *     levels:       points u32, then x u16, y u16 each
 */
import { IconiaError } from '../errors';
import { WORDS } from './descriptors';
import { pyramidOf, type Grey } from './grey';
import { describedOf, keptLevels, MOST_DESCRIPTORS, MOST_VIEWS, type PictureTarget } from './picture-target';
import { MOST_POINTS, type TrackPoint } from './track-points';

const MAGIC = 0x54504349;
const VERSION = 1;
const HEAD = 20;
const MOST_LEVELS = 12;

/** No target is larger than this. */
export const MOST_TARGET_BYTES =
  HEAD + MOST_VIEWS * 24 + MOST_DESCRIPTORS * (4 * WORDS + 13) + MOST_LEVELS * (4 + MOST_POINTS * 4);

/** `picture` is what the target was made of. */
export const writeTarget = (
  { described, points }: PictureTarget,
  { width, height }: Pick<Grey, 'width' | 'height'>,
): Uint8Array<ArrayBuffer> => {
  const { count, views } = described;
  const dots = points.reduce((sum, of) => sum + 4 + 4 * of.length, 0);
  const bytes = new Uint8Array(HEAD + views.length * 24 + count * (4 * WORDS + 13) + dots);
  const view = new DataView(bytes.buffer);
  let at = 0;
  const u16 = (v: number): void => void (view.setUint16(at, v, true), (at += 2));
  const u32 = (v: number): void => void (view.setUint32(at, v, true), (at += 4));
  const f32 = (v: number): void => void (view.setFloat32(at, v, true), (at += 4));
  u32(MAGIC);
  for (const v of [VERSION, points.length, width, height]) u16(v);
  for (const v of [views.length, count]) u32(v);
  for (const v of views.flat()) f32(v);
  for (const v of described.words) u32(v >>> 0);
  for (const column of [described.px, described.py, described.angle]) for (const v of column) f32(v);
  bytes.set(described.view, at);
  at += count;
  for (const level of points) {
    u32(level.length);
    for (const { x, y } of level) {
      u16(x);
      u16(y);
    }
  }
  return bytes;
};

const unreadable = (what: string): IconiaError =>
  new IconiaError(
    'target.unreadable',
    `What a printed picture is found by cannot be read: ${what}. Release the effect again.`,
  );

/** The target of `picture`: the grey picture that it was made of, at the same size. Throws `IconiaError` `target.unreadable`. */
export const readTarget = (bytes: Uint8Array, picture: Grey): PictureTarget => {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = 0;
  const take = (size: number): number => {
    if (at + size > bytes.length) throw unreadable('it ends too early');
    at += size;
    return at - size;
  };
  const u16 = (): number => view.getUint16(take(2), true);
  const u32 = (): number => view.getUint32(take(4), true);
  const f32 = (): number => {
    const v = view.getFloat32(take(4), true);
    if (!Number.isFinite(v)) throw unreadable('it holds what is no number');
    return v;
  };
  if (u32() !== MAGIC) throw unreadable('it is something else');
  if (u16() !== VERSION) throw unreadable('it is of another version');
  const levelCount = u16();
  if (u16() !== picture.width || u16() !== picture.height) throw unreadable('it belongs to another picture');
  const levels = keptLevels(pyramidOf(picture));
  if (levelCount !== levels.length) throw unreadable('it belongs to another picture');
  const [viewCount, count] = [u32(), u32()];
  if (viewCount > MOST_VIEWS || count > MOST_DESCRIPTORS) throw unreadable('it is too large');
  const list = <T>(length: number, next: () => T): T[] => Array.from({ length }, next);
  const views = list(viewCount, () => [f32(), f32(), f32(), f32(), f32(), f32()] as const);
  const words = Int32Array.from(list(count * WORDS, u32));
  const [x, y, angle] = [list(count, f32), list(count, f32), list(count, f32)];
  const seenIn = bytes.slice(take(count), at);
  if (seenIn.some((v) => v >= viewCount)) throw unreadable('it names a view that it has not');
  const points = levels.map((level): TrackPoint[] => {
    const length = u32();
    if (length > MOST_POINTS) throw unreadable('it is too large');
    return list(length, () => {
      const point = { x: u16(), y: u16() };
      if (point.x >= level.width || point.y >= level.height)
        throw unreadable('a place lies beside the picture');
      return point;
    });
  });
  if (at !== bytes.length) throw unreadable('there is something after it');
  return {
    aspect: picture.height / picture.width,
    levels,
    points,
    described: describedOf({ words, x, y, angle, view: seenIn, views }),
  };
};
