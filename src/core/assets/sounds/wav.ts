/** WAV (RIFF, Microsoft and IBM 1991): written with 16 bits; its chunks checked. */
import { Bytes } from '../bytes';
import { cutOff, refuse } from '../refuse';
import { checkSound, type Sound } from './sound';

/** A sound as WAV with 16 bits; beyond -1 and 1 it is cut. */
export const writeWav = ({ rate, channels }: Sound): Uint8Array => {
  const frames = channels[0]?.length ?? 0;
  const bytes = new Uint8Array(44 + frames * channels.length * 2);
  const view = new DataView(bytes.buffer);
  const text = (at: number, s: string) => [...s].forEach((c, i) => view.setUint8(at + i, c.charCodeAt(0)));
  text(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, channels.length, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * channels.length * 2, true);
  view.setUint16(32, channels.length * 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, bytes.length - 44, true);
  for (let i = 0; i < frames; i++)
    channels.forEach((channel, c) =>
      view.setInt16(
        44 + (i * channels.length + c) * 2,
        Math.round(Math.max(-1, Math.min(1, channel[i]!)) * 32767),
        true,
      ),
    );
  return bytes;
};

/** Throws `IconiaError`: `sound.*`. */
export const checkWav = (bytes: Uint8Array, name: string): void => {
  const from = new Bytes(bytes, () => cutOff('sound', name));
  let bytesASecond = 0;
  for (let at = 12; ;) {
    const kind = from.tag(at);
    const length = from.u32le(at + 4);
    if (kind === 'fmt ') bytesASecond = from.u32le(at + 16);
    if (kind === 'data') {
      if (bytesASecond === 0)
        refuse(
          'sound.broken',
          `${name} is a damaged WAV: it does not say how it is recorded. Export it again.`,
        );
      // Recorders that are switched off leave the length at its largest.
      const there = Math.min(length, from.length - at - 8);
      if (length !== 0xffffffff && there < length) cutOff('sound', name);
      checkSound(there / bytesASecond, name);
      return;
    }
    at += 8 + length + (length & 1);
  }
};
