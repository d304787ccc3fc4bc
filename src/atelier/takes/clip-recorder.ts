/** Records a clip with the camera and its sound, right here. Nothing of it leaves the page. */
import { FilmRecorder } from '../../stage/capture/film-recorder';
import { cameraError } from '../../tracker/live-camera';

export class ClipRecorder {
  private stream: MediaStream | null = null;
  private recorder: FilmRecorder | null = null;

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

  /** Throws `film.unrecordable` where this browser cannot record. */
  start(): void {
    if (this.stream) this.recorder = new FilmRecorder(this.stream);
  }

  /** The clip so far; the camera is closed. */
  async finish(): Promise<Blob> {
    const clip = await this.recorder?.finish();
    this.close();
    return clip ?? new Blob([]);
  }

  close(): void {
    for (const track of this.stream?.getTracks() ?? []) track.stop();
    this.stream = null;
  }
}
