/**
 * What is dear to make of a person: painted sheets and meshes of hair. Each is made once, on the page or in the worker, and kept for
 * all that show the same person: the Viewfinder and the stills.
 */
import {
  BufferAttribute,
  BufferGeometry,
  DataTexture,
  LinearFilter,
  LinearMipmapLinearFilter,
  RGBAFormat,
  SRGBColorSpace,
  UnsignedByteType,
} from 'three';

/** RGBA, not premultiplied, the top row first. As values they upload at a fraction of what their canvas costs. */
export interface Sheet {
  readonly pixels: Uint8ClampedArray<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
}
/** A mesh as plain values, which can go from thread to thread. */
export interface PlainMesh {
  readonly attributes: readonly {
    readonly name: string;
    readonly values: Float32Array<ArrayBuffer>;
    readonly size: number;
  }[];
  readonly index: Uint32Array<ArrayBuffer>;
}
export type Made = Sheet | PlainMesh;
/** The key says all that it depends on. */
export type MadeParts = readonly (readonly [key: string, made: Made])[];

export const buffersOf = (made: Made): ArrayBuffer[] =>
  'pixels' in made
    ? [made.pixels.buffer]
    : [...made.attributes.map(({ values }) => values.buffer), made.index.buffer];
const bytesOf = (made: Made): number => buffersOf(made).reduce((sum, buffer) => sum + buffer.byteLength, 0);

/** About sixteen people. */
const MOST_BYTES = 160 * 1024 * 1024;

export class MadeOnce {
  private readonly kept = new Map<string, Made>();
  private bytes = 0;

  constructor(private readonly most = MOST_BYTES) {}

  get<T extends Made>(key: string, make: () => T): T {
    const made = (this.kept.get(key) as T | undefined) ?? make();
    this.put(key, made);
    return made;
  }

  /** The oldest are forgotten; who shows them goes on showing them. */
  put(key: string, made: Made): void {
    this.forget(key);
    this.kept.set(key, made);
    this.bytes += bytesOf(made);
    for (const oldest of this.kept.keys()) {
      if (this.bytes <= this.most || oldest === key) break;
      this.forget(oldest);
    }
  }

  private forget(key: string): void {
    const made = this.kept.get(key);
    if (!made) return;
    this.bytes -= bytesOf(made);
    this.kept.delete(key);
  }

  /** All that was made; nothing of it is kept here. */
  handOver(): MadeParts {
    const all = [...this.kept];
    this.kept.clear();
    this.bytes = 0;
    return all;
  }
}

/** Of all people. */
export const madeOfPeople = new MadeOnce();

/** A painted sheet. */
export const madeSheet = (key: string, paint: () => Sheet): Sheet => madeOfPeople.get(key, paint);

export const sheetOf = (context: OffscreenCanvasRenderingContext2D): Sheet => {
  const { width, height } = context.canvas;
  const { data } = context.getImageData(0, 0, width, height);
  return { pixels: data as Uint8ClampedArray<ArrayBuffer>, width, height };
};

/** V runs down, as the rows do. */
export const sheetTexture = ({ pixels, width, height }: Sheet): DataTexture => {
  const texture = new DataTexture(pixels, width, height, RGBAFormat, UnsignedByteType);
  texture.colorSpace = SRGBColorSpace;
  texture.magFilter = LinearFilter;
  texture.minFilter = LinearMipmapLinearFilter;
  texture.generateMipmaps = true;
  texture.needsUpdate = true;
  return texture;
};

const plainMesh = (geometry: BufferGeometry): PlainMesh => ({
  attributes: Object.entries(geometry.attributes).map(([name, attribute]) => ({
    name,
    values: Float32Array.from(attribute.array),
    size: attribute.itemSize,
  })),
  index: Uint32Array.from(geometry.index!.array),
});

/** A mesh with an index, as a geometry of its own: letting go of one leaves the others. */
export const madeGeometry = (key: string, make: () => BufferGeometry): BufferGeometry => {
  const { attributes, index } = madeOfPeople.get(key, () => plainMesh(make()));
  const geometry = new BufferGeometry();
  for (const { name, values, size } of attributes)
    geometry.setAttribute(name, new BufferAttribute(values, size));
  geometry.setIndex(new BufferAttribute(index, 1));
  return geometry;
};
