/** Runs in a blank page: sounds and videos written with the browser's own encoders. */
import {
  AudioSample,
  AudioSampleSource,
  BufferTarget,
  CanvasSource,
  Mp4OutputFormat,
  OggOutputFormat,
  Output,
  WebMOutputFormat,
  type OutputFormat,
} from 'mediabunny';

const bytesOf = (target: BufferTarget): number[] => [...new Uint8Array(target.buffer!)];

const sound = async (format: OutputFormat, seconds: number): Promise<number[]> => {
  const target = new BufferTarget();
  const output = new Output({ format, target });
  const source = new AudioSampleSource({ codec: 'opus', bitrate: 64_000 });
  output.addAudioTrack(source);
  await output.start();
  const rate = 48_000;
  const data = Float32Array.from(
    { length: rate * seconds },
    (_, i) => 0.5 * Math.sin((2 * Math.PI * 220 * i) / rate),
  );
  await source.add(
    new AudioSample({ data, format: 'f32-planar', numberOfChannels: 1, sampleRate: rate, timestamp: 0 }),
  );
  await output.finalize();
  return bytesOf(target);
};

const video = async (
  format: OutputFormat,
  codec: 'vp8' | 'vp9',
  alpha: boolean,
  frames: number,
): Promise<number[]> => {
  const canvas = new OffscreenCanvas(64, 48);
  const context = canvas.getContext('2d', { alpha })!;
  const target = new BufferTarget();
  const output = new Output({ format, target });
  const source = new CanvasSource(canvas, { codec, bitrate: 200_000, alpha: alpha ? 'keep' : 'discard' });
  output.addVideoTrack(source);
  await output.start();
  for (let i = 0; i < frames; i++) {
    context.clearRect(0, 0, 64, 48);
    context.fillStyle = '#0f6b62';
    context.fillRect(4 + i, 8, 24, 24);
    await source.add(i / 10, 1 / 10);
  }
  await output.finalize();
  return bytesOf(target);
};

const media = {
  ogg: () => sound(new OggOutputFormat(), 1),
  m4a: () => sound(new Mp4OutputFormat(), 1),
  webm: () => video(new WebMOutputFormat(), 'vp9', true, 10),
  mp4: () => video(new Mp4OutputFormat(), 'vp9', false, 10),
};
export type Media = typeof media;
Object.assign(window, { media });
