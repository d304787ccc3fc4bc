/** Moves of landmarks as text, small enough to stand in a document: whole hundredths of a millimetre in 16 bits. */
import { FACE_LANDMARKS } from '../landmarks';

const NUMBERS = FACE_LANDMARKS * 3;
const STEPS_PER_METRE = 100_000;
const MOST = 32_767;

/** Base64 (RFC 4648) of the 2808 bytes. */
export const PACKED_MOVES = new RegExp(`^[A-Za-z0-9+/]{${(NUMBERS * 2 * 4) / 3}}$`);

/** `moves` are metres; what goes farther than 32 cm is kept at that. Little-endian whatever the machine. */
export const packMoves = (moves: ArrayLike<number>): string => {
  const view = new DataView(new ArrayBuffer(NUMBERS * 2));
  for (let i = 0; i < NUMBERS; i++) {
    const steps = Math.round((moves[i] ?? 0) * STEPS_PER_METRE);
    view.setInt16(2 * i, Math.min(MOST, Math.max(-MOST, steps)), true);
  }
  return btoa(String.fromCharCode(...new Uint8Array(view.buffer)));
};

/** Moves of the landmarks, x, y, z of each in metres, from a text that `PACKED_MOVES` accepts; to a step what `packMoves` was given. */
export const unpackMoves = (text: string): Float32Array => {
  const bytes = Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
  const view = new DataView(bytes.buffer);
  return Float32Array.from({ length: NUMBERS }, (_, i) => view.getInt16(2 * i, true) / STEPS_PER_METRE);
};
