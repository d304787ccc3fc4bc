/** How loud it is around the viewer, for effects that listen. Nothing is kept and nothing leaves the device. */
/** Quieter than this is silence, louder is as loud as can be: decibels of full scale. */
const QUIET = -55;
const LOUD = -10;

/** Loudness from 0 to 1 of samples from -1 to 1, by their root mean square. */
export const loudnessOf = (samples: ArrayLike<number>): number => {
  let sum = 0;
  for (let i = 0; i < samples.length; i++) sum += samples[i]! * samples[i]!;
  const level = Math.sqrt(sum / Math.max(1, samples.length));
  if (level === 0) return 0;
  return Math.min(1, Math.max(0, (20 * Math.log10(level) - QUIET) / (LOUD - QUIET)));
};

export class Microphone {
  private stream: MediaStream | null = null;
  private context: AudioContext | null = null;
  private analyser: AnalyserNode | null = null;
  private readonly samples = new Float32Array(1024);

  /** Rejects when there is none, or it is not allowed: the effect then hears nothing. */
  async start(): Promise<void> {
    this.stream = await navigator.mediaDevices.getUserMedia({ audio: true });
    this.context = new AudioContext();
    this.analyser = new AnalyserNode(this.context, { fftSize: 1024 });
    this.context.createMediaStreamSource(this.stream).connect(this.analyser);
  }

  get loudness(): number {
    if (!this.analyser) return 0;
    this.analyser.getFloatTimeDomainData(this.samples);
    return loudnessOf(this.samples);
  }

  stop(): void {
    for (const track of this.stream?.getTracks() ?? []) track.stop();
    void this.context?.close();
    this.stream = this.context = this.analyser = null;
  }
}
