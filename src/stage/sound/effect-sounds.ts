/** The sounds of an effect, heard as the runtime says: what runs, from where in it, how loud, and from where in the room. */
import type { Program } from '../../core/program/program';
import type { Media } from '../../core/kinds/values';
import type { AssetId, SoundAsset, SoundObject } from '../../core/document/schema';
import { isIn } from '../../core/program/program';
import { toLocal } from '../../core/maths/pose';
import { positionOf } from '../../core/maths/matrix';
import type { ObjectPlaces } from '../../core/placing/places';
import type { TrackFrame } from '../../core/tracking/track-frame';
import type { FileSource } from '../effect/texture-store';

/** What is asked of the runtime. */
export interface Sounding {
  readonly scene: string | null;
  values(i: number): { readonly visible: boolean; readonly opacity: number; readonly media: Media | null };
  objectNow(i: number): { readonly kind: string };
}

interface Voice {
  readonly source: AudioBufferSourceNode;
  readonly gain: GainNode;
  readonly panner: PannerNode | null;
  readonly since: number;
  /** Of the clock of the sound system, and where in the sound it was then. */
  readonly startedAt: number;
  readonly offset: number;
  readonly rate: number;
}

/** A sound that is so far from where it should be is set anew: the take was scrubbed, or the browser stalled. */
const DRIFT = 0.25;
/** Changes of loudness take so long, so that nothing clicks. */
const SOFT = 0.03;

export class EffectSounds {
  private context: AudioContext | null = null;
  private out: GainNode | null = null;
  private tap: MediaStreamAudioDestinationNode | null = null;
  private readonly buffers = new Map<string, AudioBuffer | 'loading' | 'refused'>();
  private readonly voices = new Map<number, Voice>();

  /** `onRefused` is told of a sound that this browser cannot play. */
  constructor(
    private readonly files: FileSource,
    private readonly onRefused: (asset: AssetId, name: string) => void = () => {},
  ) {}

  /** How many sound now. */
  get sounding(): number {
    return this.voices.size;
  }

  /** Brings what is heard to this moment. Nothing sounds while the effect does not run. */
  update(
    program: Program,
    runtime: Sounding,
    places: readonly ObjectPlaces[],
    frame: TrackFrame,
    running: boolean,
  ): void {
    program.objects.forEach((object, i) => {
      if (object.kind !== 'sound') return;
      const { media, visible, opacity } = runtime.values(i);
      const asset = object.asset ? program.effect.assets[object.asset] : undefined;
      const there = isIn(program, i, runtime.scene) && visible;
      const buffer = asset?.kind === 'sound' ? this.bufferOf(asset) : null;
      if (!running || !media?.running || !there || !buffer) return this.hush(i, running ? object.fadeOut : 0);
      const now = runtime.objectNow(i) as SoundObject;
      this.sound(i, now, media, buffer, opacity, places[i], frame);
    });
  }

  private sound(
    i: number,
    object: SoundObject,
    media: Media,
    buffer: AudioBuffer,
    volume: number,
    placed: ObjectPlaces | undefined,
    frame: TrackFrame,
  ): void {
    const context = this.context!;
    const rate = Math.max(0.05, Math.abs(media.speed) * object.pitch);
    let voice = this.voices.get(i);
    if (voice && (voice.since !== media.since || this.driftOf(voice, media, context) > DRIFT)) {
      this.hush(i, 0);
      voice = undefined;
    }
    if (!voice) {
      const source = context.createBufferSource();
      source.buffer = buffer;
      source.loop = media.left !== 1;
      source.loopStart = media.from;
      source.loopEnd = Math.min(buffer.duration, media.to);
      const gain = context.createGain();
      gain.gain.value = 0;
      const inRoom = placed?.layering === 'space';
      const panner = inRoom
        ? new PannerNode(context, {
            panningModel: 'equalpower',
            distanceModel: 'inverse',
            refDistance: object.near,
          })
        : null;
      source.connect(gain);
      const out = this.outOf(context);
      if (panner) gain.connect(panner).connect(out);
      else gain.connect(out);
      source.start(0, Math.min(media.at, Math.max(0, buffer.duration - 0.001)));
      voice = {
        source,
        gain,
        panner,
        since: media.since,
        startedAt: context.currentTime,
        offset: media.at,
        rate,
      };
      this.voices.set(i, voice);
    }
    voice.source.playbackRate.value = rate;
    const fade = object.fadeIn > 0 && media.left === 1 ? Math.min(1, media.at / object.fadeIn) : 1;
    voice.gain.gain.setTargetAtTime(volume * fade, context.currentTime, SOFT);
    const matrix = placed?.places[0]?.matrix;
    if (!voice.panner || !matrix) return;
    const [x, y, z] = toLocal(frame.camera.pose, positionOf(matrix));
    voice.panner.positionX.setTargetAtTime(x, context.currentTime, SOFT);
    voice.panner.positionY.setTargetAtTime(y, context.currentTime, SOFT);
    voice.panner.positionZ.setTargetAtTime(z, context.currentTime, SOFT);
  }

  /** Everything goes through it, to be heard and to be recorded. */
  private outOf(context: AudioContext): GainNode {
    if (!this.out) {
      this.out = context.createGain();
      this.out.connect(context.destination);
    }
    return this.out;
  }

  /** What is heard, to be recorded; `too` is heard beside the effect, and through here from now on. */
  stream(too?: HTMLMediaElement): MediaStream {
    this.context ??= new AudioContext();
    this.tap ??= this.context.createMediaStreamDestination();
    // It may have been made before anything was pressed.
    void this.context.resume();
    const out = this.outOf(this.context);
    out.connect(this.tap);
    // An element can be led through here once.
    if (too && !this.led) {
      this.led = true;
      this.context.createMediaElementSource(too).connect(out);
    }
    return this.tap.stream;
  }
  private led = false;

  private driftOf(voice: Voice, media: Media, context: AudioContext): number {
    const length = Math.max(0.01, media.to - media.from);
    const at = voice.offset + (context.currentTime - voice.startedAt) * voice.rate;
    const off = Math.abs(at - media.at);
    return media.left === 1 ? off : Math.min(off % length, length - (off % length));
  }

  private hush(i: number, fade: number): void {
    const voice = this.voices.get(i);
    if (!voice || !this.context) return;
    this.voices.delete(i);
    const now = this.context.currentTime;
    const over = Math.max(SOFT, fade);
    voice.gain.gain.setTargetAtTime(0, now, over / 3);
    voice.source.stop(now + over);
  }

  /** The decoded sound; null while it is on its way, and for one that cannot be played. */
  private bufferOf(asset: SoundAsset): AudioBuffer | null {
    const [file] = asset.files;
    const kept = this.buffers.get(file!.sha256);
    if (kept !== undefined) return typeof kept === 'string' ? null : kept;
    this.context ??= new AudioContext();
    const context = this.context;
    this.buffers.set(file!.sha256, 'loading');
    this.files(file!)
      .then(async (blob) => context.decodeAudioData(await blob.arrayBuffer()))
      .then((buffer) => this.buffers.set(file!.sha256, buffer))
      .catch(() => {
        this.buffers.set(file!.sha256, 'refused');
        this.onRefused(asset.id, asset.name);
      });
    return null;
  }

  /** Browsers let nothing sound before the viewer has touched the page. */
  wake(): void {
    if (this.context?.state === 'suspended') void this.context.resume();
  }

  silence(): void {
    for (const i of [...this.voices.keys()]) this.hush(i, 0);
  }

  dispose(): void {
    this.silence();
    void this.context?.close();
    this.context = this.out = this.tap = null;
  }
}
