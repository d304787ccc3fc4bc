/** Sounds and videos, decoded by the browser's own codecs. */
import {
  ALL_FORMATS,
  AudioSample,
  AudioSampleSink,
  AudioSampleSource,
  BlobSource,
  BufferTarget,
  CanvasSink,
  Input,
  Output,
  Quality,
  WebMOutputFormat,
  type InputAudioTrack,
  type InputVideoTrack,
} from 'mediabunny';
import { MOST_VIDEO_SECONDS } from '../../core/assets/limits';
import { asRefusal, refuse } from '../../core/assets/refuse';
import { sniff, type FileKind } from '../../core/assets/sniff';
import { checkSound, cut, durationOf, mixTo, peaksOf, type Sound } from '../../core/assets/sounds/sound';
import { checkKeptFile } from '../../core/assets/kept-file';
import type { FileMime, SoundPrep } from '../../core/document/schema';
import { result, type AssetDraft, type KeptBytes, type ReadResult } from '../drafts';
import type { IntakeHooks } from '../hooks';
import { picturePreview } from '../previews';
import { rasterOf } from '../browser-codec';

/** Thousand bits a second of a sound as it comes in: nobody hears a difference on a phone. */
const BROUGHT_RATE = 96;

const opened = (bytes: Uint8Array): Input =>
  new Input({ formats: ALL_FORMATS, source: new BlobSource(new Blob([bytes as BlobPart])) });

/** All samples of a track. */
const decodeTrack = async (
  track: InputAudioTrack,
  name: string,
  progress: (share: number) => void,
): Promise<Sound> => {
  if (!(await track.canDecode()))
    refuse(
      'sound.codec',
      `This browser cannot open the sound of ${name} (${(await track.getCodec()) ?? 'unknown'}). Export it as WAV or MP3.`,
    );
  const [rate, count] = [await track.getSampleRate(), await track.getNumberOfChannels()];
  const duration = await track.computeDuration();
  checkSound(duration, name);
  const parts: Float32Array[][] = [];
  let frames = 0;
  for await (const sample of new AudioSampleSink(track).samples()) {
    const planes = Array.from({ length: count }, (_, planeIndex) => {
      const plane = new Float32Array(sample.numberOfFrames);
      sample.copyTo(plane, { planeIndex, format: 'f32-planar' });
      return plane;
    });
    parts.push(planes);
    frames += sample.numberOfFrames;
    progress(Math.min(1, sample.timestamp / duration));
    sample.close();
  }
  const channels = Array.from({ length: count }, (_, c) => {
    const channel = new Float32Array(frames);
    let at = 0;
    for (const part of parts) {
      channel.set(part[c]!, at);
      at += part[c]!.length;
    }
    return channel;
  });
  const sound = { rate, channels };
  checkSound(durationOf(sound), name);
  return sound;
};

export const decodeSound = async (
  bytes: Uint8Array,
  name: string,
  progress: (share: number) => void = () => {},
): Promise<Sound> => {
  try {
    const track = await opened(bytes).getPrimaryAudioTrack();
    if (!track) return refuse('sound.none', `${name} holds no sound. Export it again.`);
    return await decodeTrack(track, name, progress);
  } catch (error) {
    throw asRefusal(error, 'sound.broken', `${name} cannot be opened as a sound. Export it as WAV or MP3.`);
  }
};

/** Opus at 48 kHz in WebM: every current browser plays it, and loops fit to the sample. */
export const encodeSound = async (sound: Sound, kilobits: number, name: string): Promise<Uint8Array> => {
  const target = new BufferTarget();
  const output = new Output({ format: new WebMOutputFormat(), target });
  const source = new AudioSampleSource({
    codec: 'opus',
    quality: new Quality({ bitrate: kilobits * 1000 } as never),
  });
  output.addAudioTrack(source);
  try {
    await output.start();
    const { rate, channels } = sound;
    // In pieces of a tenth of a second, as encoders like them.
    const piece = Math.round(rate / 10);
    const frames = channels[0]!.length;
    for (let at = 0; at < frames; at += piece) {
      const count = Math.min(piece, frames - at);
      const data = new Float32Array(count * channels.length);
      channels.forEach((channel, c) => data.set(channel.subarray(at, at + count), c * count));
      const sample = new AudioSample({
        data,
        format: 'f32-planar',
        numberOfChannels: channels.length,
        sampleRate: rate,
        timestamp: at / rate,
      });
      await source.add(sample);
      sample.close();
    }
    await output.finalize();
  } catch (error) {
    throw asRefusal(
      error,
      'sound.encode',
      `This browser cannot convert ${name}. Leave the sound as it is, or use another browser.`,
    );
  }
  return new Uint8Array(target.buffer!);
};

/** Types under which sounds are kept as they came. */
const SOUND_MIMES: Partial<Record<FileKind, FileMime>> = {
  wav: 'audio/wav',
  mp3: 'audio/mpeg',
  ogg: 'audio/ogg',
  flac: 'audio/flac',
  mp4: 'audio/mp4',
  webm: 'audio/webm',
};

const soundFacts = (
  sound: Sound,
  prep: SoundPrep | null,
  loop: Extract<AssetDraft['facts'], { kind: 'sound' }>['loop'],
): AssetDraft['facts'] => ({
  kind: 'sound',
  duration: durationOf(sound),
  channels: sound.channels.length,
  sampleRate: sound.rate,
  peaks: peaksOf(sound),
  loop: loop && loop.end <= durationOf(sound) + 0.01 ? loop : null,
  prep,
});

/** Cuts, mixes and encodes as asked; without a preparation the original is used as it is. */
export const prepareSound = async (
  { name, from }: Pick<AssetDraft, 'name' | 'from'>,
  original: KeptBytes,
  prep: SoundPrep | null,
  loop: Extract<AssetDraft['facts'], { kind: 'sound' }>['loop'],
  hooks: Pick<IntakeHooks, 'progress'>,
): Promise<AssetDraft> => {
  const whole = await decodeSound(original.bytes, name, (share) => hooks.progress(share * 0.6));
  if (!prep)
    return {
      name,
      facts: soundFacts(whole, null, loop),
      files: [original],
      original: null,
      preview: null,
      from,
    };
  const part = mixTo(cut(whole, prep.start, prep.end), prep.channels);
  checkSound(durationOf(part), name);
  const bytes = await encodeSound(part, prep.rate, name);
  hooks.progress(1);
  return {
    name,
    facts: soundFacts(part, prep, loop),
    files: [{ bytes, mime: 'audio/webm' }],
    original: [original],
    preview: null,
    from,
  };
};

const readSound = async (bytes: Uint8Array, name: string, hooks: IntakeHooks): Promise<ReadResult> => {
  const mime = SOUND_MIMES[sniff(bytes)]!;
  const whole = await decodeSound(bytes, name, (share) => hooks.progress(share * 0.5));
  const prep: SoundPrep = {
    start: 0,
    end: null,
    rate: BROUGHT_RATE,
    channels: whole.channels.length > 1 ? 2 : 1,
  };
  const draft = await prepareSound(
    { name, from: { file: name, layer: null } },
    { bytes, mime },
    prep,
    null,
    hooks,
  );
  return result(
    [draft],
    whole.channels.length > 2
      ? [`${name} has ${whole.channels.length} channels; its first two are used.`]
      : [],
  );
};

const readVideo = async (
  bytes: Uint8Array,
  name: string,
  video: InputVideoTrack,
  input: Input,
): Promise<ReadResult> => {
  if (!(await video.canDecode()))
    refuse(
      'video.codec',
      `This browser cannot open the picture of ${name} (${(await video.getCodec()) ?? 'unknown'}). Export it as WebM or as MP4 with H.264.`,
    );
  const duration = await input.computeDuration();
  if (!(duration > 0))
    refuse('video.no-length', `${name} has no length: there is nothing to see. Export it again.`);
  if (duration > MOST_VIDEO_SECONDS)
    refuse(
      'video.too-long',
      `${name} lasts ${Math.round(duration / 60)} minutes; videos of an effect last up to ${MOST_VIDEO_SECONDS / 60}. Cut out the part you need.`,
    );
  const mime = checkKeptFile(bytes, name);
  const [width, height] = [await video.getDisplayWidth(), await video.getDisplayHeight()];
  const alpha = await video.canBeTransparent();
  const shot = await new CanvasSink(video, { alpha }).getCanvas(Math.min(duration / 3, 1));
  if (!shot) refuse('video.broken', `${name} has no picture that can be drawn. Export it again.`);
  const raster = rasterOf(shot!.canvas as OffscreenCanvas);
  const audio = await input.getPrimaryAudioTrack();
  const draft: AssetDraft = {
    name,
    facts: { kind: 'video', width, height, duration, alpha, audible: audio !== null },
    files: [
      { bytes, mime: mime === 'audio/webm' ? 'video/webm' : mime === 'audio/mp4' ? 'video/mp4' : mime },
    ],
    original: null,
    preview: await picturePreview(raster, true),
    from: { file: name, layer: null },
  };
  return result([draft]);
};

/** Whether a container holds a video or only a sound is told by its tracks. */
export const readMedia = async (bytes: Uint8Array, name: string, hooks: IntakeHooks): Promise<ReadResult> => {
  // What is missing is said better by the structure than by a decoder.
  checkKeptFile(bytes, name);
  let input: Input;
  let video: InputVideoTrack | null;
  try {
    input = opened(bytes);
    video = await input.getPrimaryVideoTrack();
  } catch (error) {
    throw asRefusal(
      error,
      'media.broken',
      `${name} cannot be opened. Export it again, sounds as WAV or MP3, videos as WebM or MP4.`,
    );
  }
  try {
    // Covers of songs are pictures, not videos.
    if (video && (sniff(bytes) === 'mp4' || sniff(bytes) === 'webm'))
      return await readVideo(bytes, name, video, input);
  } catch (error) {
    throw asRefusal(error, 'video.broken', `${name} cannot be opened as a video. Export it as WebM or MP4.`);
  }
  return readSound(bytes, name, hooks);
};
