/**
 * The codes of a GIF frame (GIF89a specification, appendix F), walked without building any pixel. A code that stands
 * for nothing yet ties the tables of common decoders into a ring they never leave, so it is found before they start.
 */

/** The sub-blocks that begin at `at`, joined. They must have been walked before: every length is inside the file. */
const joined = (bytes: Uint8Array, at: number): Uint8Array => {
  const parts: Uint8Array[] = [];
  for (let length = bytes[at]!; length !== 0; length = bytes[at]!) {
    parts.push(bytes.subarray(at + 1, at + 1 + length));
    at += length + 1;
  }
  const all = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let filled = 0;
  for (const part of parts) {
    all.set(part, filled);
    filled += part.length;
  }
  return all;
};

/**
 * @param dataAt where the frame's smallest code size stands, followed by its sub-blocks
 * @returns whether every code stands for pixels: one of the palette, one made before, or the one being made
 */
export const gifCodesHold = (bytes: Uint8Array, dataAt: number): boolean => {
  const data = joined(bytes, dataAt + 1);
  const smallest = bytes[dataAt]!;
  const clear = 2 ** smallest;
  let size = smallest + 1;
  let next = clear + 2;
  let first = true;
  let [held, bits] = [0, 0];
  for (const byte of data) {
    held |= byte << bits;
    bits += 8;
    while (bits >= size) {
      const code = held & (2 ** size - 1);
      held >>= size;
      bits -= size;
      if (code === clear) {
        size = smallest + 1;
        next = clear + 2;
        first = true;
      } else if (code === clear + 1) return true;
      else if (first) {
        if (code > clear) return false;
        first = false;
      } else {
        if (code > next) return false;
        if (next < 4096 && ++next === 2 ** size && size < 12) size++;
      }
    }
  }
  return true;
};
