/** A video file, or a recording, opened with the browser's own codecs to be looked at picture by picture. */
import {
  ALL_FORMATS,
  AudioSampleSink,
  BlobSource,
  CanvasSink,
  Input,
  type InputAudioTrack,
  type WrappedCanvas,
} from 'mediabunny';
import { writeWav } from '../../core/assets/sounds/wav';
import { IconiaError } from '../../core/errors';
import { loudnessOfPictures, clipPictures, LONGEST_CLIP } from '../../core/takes/clip';
import type { Unit } from '../../core/units';
import type { ClipSource } from '../../tracker/track-clip';

/** The longer side of the pictures that are kept and tracked. */
const LONGEST_SIDE = 640;

export interface OpenedClip extends ClipSource {
  /** Its sound, as WAV, and how loud each picture's stretch of it is; null where there is none that can be read. */
  sound(
    loudness: (stretch: ArrayLike<number>) => Unit,
  ): Promise<{ readonly wav: Blob; readonly loudness: readonly Unit[] } | null>;
  close(): void;
}

const refusal = (name: string, why: string): IconiaError =>
  new IconiaError('clip.unreadable', `${name} ${why}`);

/** Mono samples of the beginning of a sound, as far as clips go. */
const samplesOf = async (track: InputAudioTrack): Promise<{ rate: number; samples: Float32Array }> => {
  const rate = await track.getSampleRate();
  const parts: Float32Array[] = [];
  for await (const sample of new AudioSampleSink(track).samples(0, LONGEST_CLIP)) {
    const plane = new Float32Array(sample.numberOfFrames);
    sample.copyTo(plane, { planeIndex: 0, format: 'f32-planar' });
    parts.push(plane);
    sample.close();
  }
  const samples = new Float32Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    samples.set(part, at);
    at += part.length;
  }
  return { rate, samples };
};

/** Throws `IconiaError` `clip.unreadable` with what is to be done. */
export const openClip = async (file: Blob, name: string): Promise<OpenedClip> => {
  const input = new Input({ formats: ALL_FORMATS, source: new BlobSource(file) });
  try {
    const track = await input.getPrimaryVideoTrack().catch((cause: unknown) => {
      throw new IconiaError(
        'clip.unreadable',
        `${name} is no video that Iconia knows. Bring in WebM, MP4 or MOV.`,
        {
          cause,
        },
      );
    });
    if (!track) throw refusal(name, 'has no picture. Bring in a video, or record one here.');
    if (!(await track.canDecode()))
      throw refusal(
        name,
        `cannot be opened by this browser (${(await track.getCodec()) ?? 'unknown'}). Export it as MP4 with H.264, or as WebM.`,
      );
    const [wide, high] = [await track.getDisplayWidth(), await track.getDisplayHeight()];
    const scale = Math.min(1, LONGEST_SIDE / Math.max(wide, high));
    const [width, height] = [wide, high].map((side) => Math.max(2, 2 * Math.round((side * scale) / 2))) as [
      number,
      number,
    ];
    const start = await track.getFirstTimestamp();
    const duration = Math.max(0.001, (await track.computeDuration()) - start);
    return {
      width,
      height,
      duration,
      // Pictures of a changing size are brought to that of the first.
      pictures: async function* (times) {
        // What is shown, and what comes after it.
        const sink = new CanvasSink(track, { width, height, fit: 'contain', poolSize: 2 });
        // From its beginning to its end: a recording has no index, and few pictures that can be jumped to.
        let shown: WrappedCanvas | null = null;
        let i = 0;
        for await (const next of sink.canvases()) {
          for (; shown && i < times.length && start + times[i]! < next.timestamp - 1e-6; i++)
            yield shown.canvas;
          if (i >= times.length) return;
          shown = next;
        }
        for (; shown && i < times.length; i++) yield shown.canvas;
      },
      sound: async (of) => {
        const sound = await input.getPrimaryAudioTrack();
        if (!sound || !(await sound.canDecode())) return null;
        const { rate, samples } = await samplesOf(sound);
        return {
          wav: new Blob([writeWav({ rate, channels: [samples] }) as BlobPart], { type: 'audio/wav' }),
          loudness: loudnessOfPictures(samples, rate, clipPictures(duration), of),
        };
      },
      close: () => input.dispose(),
    };
  } catch (cause) {
    input.dispose();
    throw cause instanceof IconiaError
      ? cause
      : new IconiaError(
          'clip.unreadable',
          `${name} is damaged, or no video that Iconia knows. Export it again as MP4 or WebM.`,
          {
            cause,
          },
        );
  }
};
