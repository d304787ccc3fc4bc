declare module 'gifenc' {
  export type Palette = number[][];
  export const quantize: (rgba: Uint8Array | Uint8ClampedArray, colours: number) => Palette;
  export const applyPalette: (rgba: Uint8Array | Uint8ClampedArray, palette: Palette) => Uint8Array;
  export const GIFEncoder: () => {
    writeFrame(
      index: Uint8Array,
      width: number,
      height: number,
      options: { palette: Palette; delay: number; repeat?: number },
    ): void;
    finish(): void;
    bytes(): Uint8Array;
  };
}
