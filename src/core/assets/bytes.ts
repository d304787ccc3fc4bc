/**
 * Reads numbers out of a file, never beyond its end.
 *
 *   const from = new Bytes(file, () => cutOff('font', name));
 *   from.u16(4)   // big-endian, as in fonts, PNG and PSD
 *   from.u32le(8) // little-endian, as in zip, WebP and glTF
 */
export class Bytes {
  private readonly view: DataView;

  constructor(
    readonly bytes: Uint8Array,
    /** Called for what lies outside; throws. */
    private readonly outside: () => never,
  ) {
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  }

  get length(): number {
    return this.bytes.length;
  }

  private check(at: number, size: number): void {
    if (!Number.isSafeInteger(at) || at < 0 || size < 0 || at + size > this.bytes.length) this.outside();
  }

  u8(at: number): number {
    this.check(at, 1);
    return this.view.getUint8(at);
  }
  u16(at: number): number {
    this.check(at, 2);
    return this.view.getUint16(at);
  }
  i16(at: number): number {
    this.check(at, 2);
    return this.view.getInt16(at);
  }
  u32(at: number): number {
    this.check(at, 4);
    return this.view.getUint32(at);
  }
  i32(at: number): number {
    this.check(at, 4);
    return this.view.getInt32(at);
  }
  u16le(at: number): number {
    this.check(at, 2);
    return this.view.getUint16(at, true);
  }
  u24le(at: number): number {
    return this.u16le(at) | (this.u8(at + 2) << 16);
  }
  u32le(at: number): number {
    this.check(at, 4);
    return this.view.getUint32(at, true);
  }
  i32le(at: number): number {
    this.check(at, 4);
    return this.view.getInt32(at, true);
  }
  f32le(at: number): number {
    this.check(at, 4);
    return this.view.getFloat32(at, true);
  }
  /** ISO 8859-1: one character a byte. */
  text(at: number, length: number): string {
    this.check(at, length);
    let out = '';
    for (let i = 0; i < length; i++) out += String.fromCharCode(this.bytes[at + i]!);
    return out;
  }
  /** Four characters that name a chunk, box or table. */
  tag(at: number): string {
    return this.text(at, 4);
  }
  slice(at: number, length: number): Uint8Array {
    this.check(at, length);
    return this.bytes.subarray(at, at + length);
  }
}
