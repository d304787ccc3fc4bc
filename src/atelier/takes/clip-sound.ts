/** The sound of an own clip, heard while it plays at its own pace. */
import type { Clip } from '../../core/takes/clip-data';
import type { Seconds } from '../../core/units';
import { soundOfClip } from './clip-store';

/** Farther off than this it is brought to where the picture is; less is not heard, and each jump clicks. */
const APART: Seconds = 0.15;

export class ClipSound {
  private readonly audio = new Audio();
  /** What sounds, to be recorded. */
  get element(): HTMLMediaElement {
    return this.audio;
  }
  private url: string | null = null;
  private of: string | null = null;

  /** Null is a take without a sound of its own. */
  choose(clip: Clip | null): void {
    const id = clip?.hasSound ? clip.id : null;
    if (id === this.of) return;
    this.letGo();
    this.of = id;
    if (id === null) return;
    void soundOfClip(id).then(
      (blob) => {
        if (!blob || this.of !== id) return;
        this.url = URL.createObjectURL(blob);
        this.audio.src = this.url;
      },
      // The clip is seen all the same.
      () => undefined,
    );
  }

  /** Whether it is heard now. */
  get sounds(): boolean {
    return this.url !== null && !this.audio.paused;
  }

  /** Brings it to the moment that is shown; still, it is silent. */
  update(time: Seconds, playing: boolean): void {
    if (this.url === null) return;
    if (!playing) return this.audio.pause();
    if (Math.abs(this.audio.currentTime - time) > APART) this.audio.currentTime = time;
    // A browser that allows no sound yet keeps the picture going.
    if (this.audio.paused) void this.audio.play().catch(() => undefined);
  }

  private letGo(): void {
    this.audio.pause();
    this.audio.removeAttribute('src');
    if (this.url !== null) URL.revokeObjectURL(this.url);
    this.url = null;
  }

  dispose(): void {
    this.of = null;
    this.letGo();
  }
}
