import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { checkFlac, checkMp3, checkMp4, checkOgg, checkWebm } from '../media-containers';
import { join, text, u16le, u32, u32le } from '../testing';
import {
  checkSound,
  cut,
  durationOf,
  mixTo,
  peaksOf,
  quietMoment,
  withoutSilence,
  type Sound,
} from './sound';
import { checkWav, writeWav } from './wav';

const tone = (seconds: number, hertz = 100, rate = 8000): Sound => ({
  rate,
  channels: [
    Float32Array.from({ length: seconds * rate }, (_, i) => Math.sin((2 * Math.PI * hertz * i) / rate)),
  ],
});
const refusal = (code: string) =>
  expect.objectContaining({ name: 'IconiaError', code, message: expect.stringContaining('lap.wav') });

describe('sounds', () => {
  test('are cut to the sample, whatever is asked', () => {
    const sound = tone(2);
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 5, noNaN: true }),
        fc.double({ min: -3, max: 5, noNaN: true }),
        (start, end) => {
          const part = cut(sound, start, end);
          const wanted = Math.max(0, Math.min(2, end) - Math.min(2, Math.max(0, start)));
          return Math.abs(durationOf(part) - wanted) < 2 / 8000;
        },
      ),
    );
    expect(durationOf(cut(sound, 0.5, null))).toBeCloseTo(1.5, 3);
  });
  test('are mixed down without getting louder', () => {
    const loud = {
      rate: 8000,
      channels: [Float32Array.from([1, 1]), Float32Array.from([1, -1]), Float32Array.from([1, 0])],
    };
    expect([...mixTo(loud, 1).channels[0]!].map((x) => Math.round(x * 100) / 100)).toEqual([1, 0]);
    expect(mixTo(tone(1), 2).channels).toHaveLength(2);
  });
  test('show their waveform', () => {
    const sound = {
      rate: 100,
      channels: [Float32Array.from({ length: 100 }, (_, i) => (i === 50 ? -0.5 : i < 10 ? 0.25 : 0))],
    };
    const peaks = peaksOf(sound, 10);
    expect(peaks).toEqual([0.25, 0, 0, 0, 0, 0.5, 0, 0, 0, 0]);
    expect(peaksOf({ rate: 100, channels: [new Float32Array(3)] }, 10)).toHaveLength(3);
    expect(peaksOf({ rate: 100, channels: [] })).toEqual([]);
  });
  test('loop where they pass through zero', () => {
    const at = quietMoment(tone(1), 0.0153);
    expect(at * 100).toBeCloseTo(Math.round(at * 100), 1);
    expect(Math.abs(at - 0.0153)).toBeLessThan(0.011);
  });
  test('lose silence at both ends', () => {
    const channel = new Float32Array(8000);
    channel.set(tone(0.25).channels[0]!, 2000);
    const { start, end } = withoutSilence({ rate: 8000, channels: [channel] });
    expect(start).toBeCloseTo(0.245, 2);
    expect(end).toBeCloseTo(0.52, 2);
    expect(withoutSilence({ rate: 8000, channels: [new Float32Array(800)] })).toEqual({ start: 0, end: 0.1 });
  });
  test('of no length or endless are refused', () => {
    expect(() => checkSound(0, 'lap.wav')).toThrow(refusal('sound.no-length'));
    expect(() => checkSound(NaN, 'lap.wav')).toThrow(refusal('sound.no-length'));
    expect(() => checkSound(3600, 'lap.wav')).toThrow(refusal('sound.too-long'));
    expect(() => checkSound(3, 'lap.wav')).not.toThrow();
  });
});

describe('containers', () => {
  const wav = writeWav(tone(0.01));
  const box = (kind: string, body: Uint8Array) => join(u32(8 + body.length), kind, body);
  const page = (position: number, body: Uint8Array) =>
    join('OggS', [0, 0], u32le(position), u32le(0), u32le(1), u32le(0), u32le(0), [1, body.length], body);
  const webm = join(
    [0x1a, 0x45, 0xdf, 0xa3],
    [0x87],
    [0x42, 0x82, 0x84],
    'webm',
    [0x18, 0x53, 0x80, 0x67],
    [0x83],
    [1, 2, 3],
  );
  const files: [string, (b: Uint8Array, name: string) => void, Uint8Array][] = [
    ['WAV', checkWav, wav],
    ['MP4', checkMp4, join(box('ftyp', text('mp42')), box('mdat', text('....')), box('moov', text('....')))],
    ['OGG', checkOgg, join(page(0, text('head')), page(960, text('sound')))],
    ['WebM', checkWebm, webm],
    ['FLAC', checkFlac, join('fLaC', [0x80, 0, 0, 2], [1, 2], [0xff, 0xf8, 0, 0])],
    [
      'MP3',
      checkMp3,
      join('ID3', [3, 0, 0, 0, 0, 0, 4], 'tags', [0xff, 0xfb, 0x90, 0x00], new Uint8Array(300)),
    ],
  ];
  test.each(files)('a whole %s is let through', (_kind, check, bytes) => {
    expect(() => check(bytes, 'lap.wav')).not.toThrow();
  });
  test.each(files)('a %s cut off is a sentence', (_kind, check, bytes) => {
    // What is cut in the sound itself may still play to there; containers with lengths tell.
    const ends = [4, 6, 8, 10, Math.floor(bytes.length / 2)].filter((end) => end < bytes.length - 1);
    for (const end of ends)
      try {
        check(bytes.slice(0, end), 'lap.wav');
      } catch (error) {
        expect(error).toMatchObject({ name: 'IconiaError', message: expect.stringContaining('lap.wav') });
      }
    expect(() => check(bytes.slice(0, 5), 'lap.wav')).toThrow(
      expect.objectContaining({ name: 'IconiaError' }),
    );
  });
  test('without content', () => {
    expect(() => checkWav(writeWav({ rate: 8000, channels: [new Float32Array(0)] }), 'lap.wav')).toThrow(
      refusal('sound.no-length'),
    );
    expect(() => checkOgg(page(0, text('head')), 'lap.wav')).toThrow(refusal('sound.no-length'));
    expect(() => checkMp4(join(box('ftyp', text('x')), box('moov', text('x'))), 'lap.wav')).toThrow(
      refusal('media.empty'),
    );
    expect(() => checkMp4(box('ftyp', text('x')), 'lap.wav')).toThrow(refusal('media.cut-off'));
    expect(() => checkMp3(join(new Uint8Array(4000)), 'lap.wav')).toThrow(refusal('media.broken'));
    expect(() =>
      checkWav(join('RIFF', u32le(4), 'WAVE', 'data', u32le(4), u16le(0), u16le(0)), 'lap.wav'),
    ).toThrow(refusal('sound.broken'));
  });
});
