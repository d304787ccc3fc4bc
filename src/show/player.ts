/** Plays an effect on the viewer's camera or on a performer; the effect may be changed while it plays. */
import type { ScriptEngine } from '../core/script/engine';
import { sentence } from '../core/errors';
import { compile } from '../core/program/program';
import { promptIn, type PromptTexts } from '../core/behave/prompt-languages';
import type { PhoneReport } from '../core/contract/try-contract';
import type { Effect } from '../core/document/schema';
import { requirementsOf, type Requirements } from '../core/requirements/requirements';
import { seekingPrompt } from '../core/requirements/seeking';
import type { Finger } from '../core/program/inputs';
import type { Witness } from '../core/behave/witness';
import { heardOn } from '../core/behave/loudness';
import { RoomBar } from '../stage/overlay/room-bar';
import { ViewerOverlay } from '../stage/overlay/viewer-overlay';
import '../stage/overlay/viewer-overlay.css';
import type { EffectSounds } from '../stage/sound/effect-sounds';
import { Capturing } from '../stage/capture/capturing';
import type { AssetId } from '../core/document/schema';
import type { Abilities } from '../stage/abilities/abilities';
import { Stage } from '../stage/stage';
import { createStores } from '../stage/effect/stores';
import type { FileSource } from '../stage/effect/texture-store';
import { VideoPicture } from '../stage/video-picture';
import { cameraNeeds } from '../tracker/camera-needs';
import { LiveInput } from '../tracker/live-input';
import { LiveRuntime } from '../tracker/live-runtime';
import { mayMeasure } from '../tracker/webxr';
import { WorldCamera } from '../tracker/world-camera';
import type { OnPerformer } from './on-performer';
import type { Playable } from './playable';
import { briefly, element, note, say } from './page';
import { listenToTouches } from './touches';
import { WorldView } from './world-view';

const canvas = element<HTMLCanvasElement>('picture');

/** How it goes. */
export type PlayerFacts = Omit<PhoneReport, 'revision' | 'screen' | 'rate'> & {
  /** Pictures drawn since it began. */
  readonly frames: number;
};

/** Pictures are drawn with at most this many pixels in height, so that weak phones keep up. */
const MOST_HEIGHT = 1280;

const hasSounds = (effect: Effect): boolean => Object.values(effect.objects).some((o) => o.kind === 'sound');

export class Player {
  private readonly stage: Stage;
  private live: LiveRuntime;
  private readonly input = new LiveInput({
    onChange: () => this.readInput(),
    world: (events, surfaces) => (this.mayMeasure ? new WorldCamera(events, surfaces, this.worldView) : null),
  });
  /** The device measures the room itself. */
  private mayMeasure = false;
  private readonly worldView: WorldView;
  /** The effect on a performer; null until that has been fetched. */
  private performer: OnPerformer | null = null;
  private source: 'take' | 'camera' = 'take';
  private startedAt = performance.now();
  private drawn = 0;
  private readonly overlay: ViewerOverlay;
  private readonly roomBar = new RoomBar();
  /** Null until they have been fetched, and where an effect has none. */
  private sounds: EffectSounds | null = null;
  private requirements: Requirements;
  private effect: Effect;
  private readonly files: FileSource;
  /** Scripts that were stopped are told of; the viewer is not bothered. */
  private readonly witness: Witness = {
    acted: () => {},
    refused: () => {},
    scripted: ({ node }, told) => {
      if ('problem' in told)
        this.faults.set(`script ${node}`, `A script was stopped: ${told.problem.message}`);
    },
  };

  constructor(
    private readonly playable: Playable,
    abilities: Abilities,
    texts: PromptTexts,
    private scripts: ScriptEngine | null,
  ) {
    const { effect } = playable;
    this.effect = effect;
    this.files = playable.files;
    this.stage = new Stage(canvas, createStores(this.files), abilities);
    this.worldView = new WorldView(
      this.stage,
      document.querySelector('main')!,
      () => this.drawSafely(),
      () => this.resize(),
    );
    void mayMeasure().then((may) => (this.mayMeasure = may));
    this.live = new LiveRuntime(compile(effect), scripts, this.witness);
    this.overlay = new ViewerOverlay({
      textOf: (prompt) => promptIn(prompt, texts),
      onControl: (control, value) => this.live.control(control, value),
      pictureUrl: (id) => this.pictureUrl(id),
    });
    element('stage').append(this.overlay.element);
    this.overlay.element.append(this.roomBar.element);
    this.requirements = requirementsOf(effect);
    this.input.need(cameraNeeds(effect, this.files, playable.targets));
    if (hasSounds(effect)) void this.fetchSounds();
    new ResizeObserver(() => this.resize()).observe(canvas);
    this.resize();
    listenToTouches(element('stage'), canvas, {
      down: (finger) => {
        this.sounds?.wake();
        if (this.putDown(finger)) return false;
        this.live.tap(finger.x, finger.y);
        return true;
      },
      now: (fingers) => this.live.touch(fingers),
    });
  }

  /** A tap that puts the effect down in the room is none of the effect's. */
  private putDown(point: Finger): boolean {
    const { room, frame } = this.input;
    if (room?.state !== 'placing' || !frame) return false;
    room.tap(point, this.stage.viewOf(frame));
    return true;
  }

  private pictureUrl(id: AssetId): string | null {
    const asset = this.effect.assets[id];
    return asset ? this.playable.urlOf(asset.files[0]!) : null;
  }

  /** Photos, videos and loops of what is seen. */
  private readonly capturing = new Capturing(canvas, () => this.sounds?.stream() ?? null);

  /** Starts or stops a recording of what is seen and heard. */
  async record(): Promise<void> {
    const button = element('record');
    const isOn = !this.capturing.isRecording;
    try {
      if (isOn) this.capturing.startVideo();
    } catch (error) {
      return briefly(sentence(error));
    }
    this.live.event(isOn ? 'recordStarts' : 'recordStops');
    button.setAttribute('aria-pressed', String(isOn));
    button.textContent = isOn ? 'Stop recording' : 'Record';
    if (isOn) return;
    const film = await this.capturing.stopVideo();
    if (film) (await import('./kept-sheet')).showVideo(film, this.effect.name);
  }
  async photo(): Promise<void> {
    this.live.event('photo');
    const photo = await this.taken(this.capturing.photo());
    if (photo) await (await import('./kept-sheet')).showPhoto(photo, this.effect.name);
  }
  /** Takes some seconds that go round. */
  async loop(): Promise<void> {
    if (this.capturing.isWaiting) return;
    const frames = await this.taken(
      this.capturing.takeLoop((share) => note(`Taking a loop: ${Math.round(share * 100)} %`)),
    );
    if (!frames) return;
    note('Making the loop');
    await (await import('./kept-sheet')).showLoop(frames, this.effect.name);
  }
  /** Null when the effect was taken away meanwhile. */
  private taken<T>(taking: Promise<T>): Promise<T | null> {
    return taking.catch((error: unknown) => {
      if (this.stopped) return null;
      throw error;
    });
  }
  /** The other camera, where there is one; the effect is told when its picture is there. */
  async flip(): Promise<void> {
    const going = this.live;
    if (!(await this.input.flip())) return;
    if (this.source === 'camera') this.live = going;
    this.live.event('cameraFlips');
  }

  private async fetchSounds(): Promise<void> {
    try {
      const { EffectSounds } = await import('../stage/sound/effect-sounds');
      this.sounds = new EffectSounds(this.files, (_, name) =>
        this.fault(
          `sound ${name}`,
          `${name} cannot be played in this browser. The effect goes on without it.`,
        ),
      );
    } catch {
      say('The sounds of this effect could not be loaded; it goes on without them. Reload to try again.');
    }
  }

  /** What makes performers has been fetched. */
  setPerforming(perform: (effect: Effect) => OnPerformer): void {
    this.perform = perform;
    this.setPerformer(perform(this.effect));
  }
  private perform: ((effect: Effect) => OnPerformer) | null = null;

  private setPerformer(performer: OnPerformer): void {
    this.performer = performer;
    if (this.source === 'take') this.showSource('take');
    void performer.print(this.files).then((printed) => {
      if (this.performer !== performer) return;
      if (printed && this.source === 'take') this.stage.setPicture(performer.picture());
      if (this.requirements.colours)
        void performer
          .readColours()
          .catch(() => say('The colours of the picture could not be read; the effect goes on without them.'));
    });
  }

  private resize(): void {
    const { clientWidth, clientHeight } = canvas;
    if (this.worldView.picture) return;
    if (clientWidth === 0 || clientHeight === 0) return;
    this.stage.setSize(clientWidth, clientHeight, Math.min(devicePixelRatio, MOST_HEIGHT / clientHeight));
  }

  showTake(): void {
    this.input.useTake();
    this.showSource('take');
    say('');
  }

  async showCamera(): Promise<void> {
    say('Opening the camera and what finds things in it');
    if (await this.input.useCamera()) {
      element('start').hidden = true;
      this.offerOther();
    }
  }

  /** What of the camera and the microphone there is to say and to show. */
  private readInput(): void {
    const { input } = this;
    if (input.source !== this.source) this.showSource(input.source);
    if (input.problem) {
      say(input.problem);
      // The viewer chooses whether to go on with the performer.
      if (input.source === 'take') {
        element('start').hidden = false;
        element('controls').hidden = true;
      }
    } else if (input.peopleError) say(input.peopleError);
    else if (input.people === 'loading') say('Looking for the people in the picture');
    else if (input.state === 'looking' || input.state === 'tracking') say('');
  }

  /** The effect was changed while it plays: values change, what is under way goes on. */
  change(effect: Effect, scripts: ScriptEngine | null): void {
    this.effect = effect;
    this.scripts = scripts;
    this.requirements = requirementsOf(effect);
    this.live.change(compile(effect), scripts);
    this.input.need(cameraNeeds(effect, this.files, this.playable.targets));
    if (hasSounds(effect) && !this.sounds) void this.fetchSounds();
    // Another performer is asked for only where this one cannot show it.
    if (this.performer && this.perform && !this.performer.shows(effect))
      this.setPerformer(this.perform(effect));
  }

  /** How it goes, for whoever made the effect. */
  facts(): PlayerFacts {
    const { input, source } = this;
    const frame = source === 'take' ? null : input.frame;
    const said = [input.problem, input.peopleError, ...this.faults.values()];
    return {
      source,
      camera: source === 'camera' ? input.state : null,
      drawn: { width: canvas.width, height: canvas.height },
      frames: this.drawn,
      milliseconds: this.drawing,
      faces: frame?.faces.length ?? 0,
      hands: frame?.hands.length ?? 0,
      pictures: frame?.pictures.length ?? 0,
      faults: said.filter((words): words is string => Boolean(words)),
    };
  }
  /** Milliseconds that pictures take to draw, of late. */
  private drawing = 0;
  /** What is wrong, by what it is about. */
  private readonly faults = new Map<string, string>();
  private fault(about: string, words: string): void {
    this.faults.set(about, words);
    say(words);
  }

  /** The camera's own picture and sound, to record them as they are; null on a performer, and where a device keeps its picture. */
  get cameraStream(): MediaStream | null {
    return this.input.camera?.stream ?? null;
  }

  /** The next picture that is drawn. */
  async nextPicture(type: string): Promise<Blob> {
    return (await this.capturing.photo()).convertToBlob({ type, quality: 0.85 });
  }

  /** Nothing goes on: the effect was taken away from its viewer. */
  stop(): void {
    this.stopped = true;
    this.capturing.stop();
    this.input.useTake();
    this.sounds?.dispose();
    this.stage.dispose();
  }
  private stopped = false;

  private showSource(source: 'take' | 'camera'): void {
    this.source = source;
    const { camera } = this.input;
    // One that measures the room has brought its own picture.
    if (camera?.picture) this.stage.setPicture(new VideoPicture(camera.picture, () => camera.people));
    else if (camera) this.stage.setPicture(this.worldView.picture!);
    else if (this.performer) this.stage.setPicture(this.performer.picture());
    this.restart();
  }

  /** The effect starts anew whenever the picture under it changes. */
  private restart(): void {
    this.live = new LiveRuntime(compile(this.effect), this.scripts, this.witness);
    this.startedAt = performance.now();
  }

  offerOther(): void {
    element('controls').hidden = false;
    element('switch').textContent = this.source === 'take' ? 'Use my camera' : 'Watch it on a performer';
  }

  switchSource(): void {
    if (this.source === 'take') void this.showCamera();
    else {
      this.showTake();
      this.offerOther();
    }
  }

  readonly draw = (): void => {
    if (this.stopped) return;
    // Asked for first: one picture that cannot be drawn does not end the effect.
    requestAnimationFrame(this.draw);
    // The device's own frames draw it meanwhile.
    if (!this.worldView.picture) this.drawSafely();
  };

  private drawSafely(): void {
    try {
      this.drawOne();
    } catch (error) {
      if (!this.faults.has('drawing')) console.error(error);
      this.fault(
        'drawing',
        'Something of this effect cannot be drawn on this device. The rest of it goes on.',
      );
    }
  }

  private drawOne(): void {
    const now = performance.now();
    const frame =
      this.source === 'take' ? this.performer?.frameAt((now - this.startedAt) / 1000) : this.input.frame;
    // The performer is on the way, or the camera is open and its first picture is.
    if (!frame) return;
    this.live.setView(this.stage.viewOf(frame));
    this.live.hear(this.source === 'take' ? heardOn(frame) : (this.input.loudness ?? 0));
    this.live.advance(now / 1000, frame);
    this.stage.draw(frame, this.live.program, this.live.runtime);
    this.drawing += (performance.now() - now - this.drawing) * 0.1;
    this.capturing.drawn(performance.now());
    const { program, runtime } = this.live;
    const seeking =
      this.source === 'camera' && program.effect.asks
        ? seekingPrompt(this.requirements, program.prompts, frame, this.input.room?.state)
        : null;
    this.overlay.update(program, runtime, seeking);
    this.roomBar.update(this.input.room);
    canvas.dataset.room = this.input.room?.state ?? '';
    this.sounds?.update(program, runtime, this.stage.drawn?.places ?? [], frame, true);
    canvas.dataset.sounds = String(this.sounds?.sounding ?? 0);
    if (this.drawn++ === 0) performance.mark('first-frame');
    canvas.dataset.source = this.source;
    canvas.dataset.faces = String(frame.faces.length);
    canvas.dataset.hands = String(frame.hands.length);
    canvas.dataset.pictures = String(frame.pictures.length);
    canvas.dataset.loudness = (this.input.loudness ?? 0).toFixed(2);
  }
}
