/** Records a clip with the camera and its sound, right here. Nothing of it leaves the page. */
import { IconiaError } from '../../core/errors';
import { cameraError } from '../../tracker/live-camera';

const KINDS = ['video/webm;codecs=vp9,opus', 'video/webm;codecs=vp8,opus', 'video/webm', 'video/mp4'];

export class ClipRecorder {
  private stream: MediaStream | null = null;
  private recorder: MediaRecorder | null = null;
  private parts: Blob[] = [];

  /** What the camera sees, to be shown while it is recorded. Throws `IconiaError` `camera.*`. */
  async open(): Promise<MediaStream> {
    try {
      const video = { width: { ideal: 640 }, height: { ideal: 480 } };
      this.stream = await navigator.mediaDevices
        .getUserMedia({ video, audio: true })
        .catch((cause: unknown) => {
          // Without a microphone it has no sound.
          if ((cause as { name?: string }).name !== 'NotFoundError') throw cause;
          return navigator.mediaDevices.getUserMedia({ video });
        });
      return this.stream;
    } catch (cause) {
      throw cameraError(cause);
    }
  }

  start(): void {
    const mimeType = KINDS.find((kind) => MediaRecorder.isTypeSupported(kind));
    if (!this.stream || !mimeType)
      throw new IconiaError(
        'clip.unrecordable',
        'This browser cannot record. Bring in a video file instead.',
      );
    this.parts = [];
    this.recorder = new MediaRecorder(this.stream, { mimeType, videoBitsPerSecond: 4_000_000 });
    this.recorder.addEventListener('dataavailable', ({ data }) => this.parts.push(data));
    this.recorder.start(500);
  }

  /** The clip so far; the camera is closed. */
  async finish(): Promise<Blob> {
    const { recorder } = this;
    if (recorder && recorder.state !== 'inactive') {
      const ended = new Promise((done) => recorder.addEventListener('stop', done, { once: true }));
      recorder.stop();
      await ended;
    }
    this.close();
    return new Blob(this.parts, { type: recorder?.mimeType ?? 'video/webm' });
  }

  close(): void {
    for (const track of this.stream?.getTracks() ?? []) track.stop();
    this.stream = null;
  }
}
