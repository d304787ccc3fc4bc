/** Records what a stream shows and sounds, as the browser can. */
import { IconiaError } from '../../core/errors';

const KINDS = [
  'video/webm;codecs=vp9,opus',
  'video/webm;codecs=vp8,opus',
  'video/webm',
  'video/mp4;codecs=avc1.42E01E,mp4a.40.2',
  'video/mp4',
];
const BITS_PER_SECOND = 4_000_000;
/** Milliseconds of a part: what was recorded is there when something fails. */
const PART = 500;

export class FilmRecorder {
  private readonly recorder: MediaRecorder;
  private readonly parts: Blob[] = [];

  /** Begins at once. Throws `film.unrecordable` where this browser cannot. */
  constructor(stream: MediaStream) {
    const mimeType =
      typeof MediaRecorder === 'undefined'
        ? undefined
        : KINDS.find((kind) => MediaRecorder.isTypeSupported(kind));
    if (!mimeType)
      throw new IconiaError('film.unrecordable', 'This browser cannot record. A photo still works.');
    this.recorder = new MediaRecorder(stream, { mimeType, videoBitsPerSecond: BITS_PER_SECOND });
    this.recorder.addEventListener('dataavailable', ({ data }) => this.parts.push(data));
    this.recorder.start(PART);
  }

  /** What was recorded, once. */
  async finish(): Promise<Blob> {
    if (this.recorder.state !== 'inactive') {
      const ended = new Promise((done) => this.recorder.addEventListener('stop', done, { once: true }));
      this.recorder.stop();
      await ended;
    }
    return new Blob(this.parts, { type: this.recorder.mimeType.split(';')[0]! });
  }
}
