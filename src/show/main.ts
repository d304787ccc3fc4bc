/** The show page: loads a released effect and plays it on the viewer's camera or on a take. */
import type { ScriptEngine } from '../core/script/engine';
import { scriptsFor } from '../stage/script-engine';
import { compile } from '../core/program/program';
import { IconiaError, sentence } from '../core/errors';
import {
  promptIn,
  promptLanguage,
  type PromptLanguage,
  type PromptTexts,
} from '../core/behave/prompt-languages';
import { unpackPackage, withDocument, type OpenedPackage } from '../core/package/effect-package';
import { readDocument } from './read-document';
import { requirementsOf, type Requirements } from '../core/requirements/requirements';
import { seekingPrompt } from '../core/requirements/seeking';
import type { Finger } from '../core/program/inputs';
import { heardOn } from '../core/behave/loudness';
import { RoomBar } from '../stage/overlay/room-bar';
import { ViewerOverlay } from '../stage/overlay/viewer-overlay';
import '../stage/overlay/viewer-overlay.css';
import type { EffectSounds } from '../stage/sound/effect-sounds';
import { keepPhoto, Recording } from './keep-picture';
import type { AssetId } from '../core/document/schema';
import type { Abilities } from '../stage/abilities/abilities';
import { loadAbilities } from '../stage/abilities/load';
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
import { WorldView } from './world-view';

const element = <T extends HTMLElement>(id: string): T => document.getElementById(id) as T;
const canvas = element<HTMLCanvasElement>('picture');
const say = (text: string): void => {
  element('message').textContent = text;
};

/** Pictures are drawn with at most this many pixels in height, so that weak phones keep up. */
const MOST_HEIGHT = 1280;

const notLoaded = (cause?: unknown): IconiaError =>
  new IconiaError('release.failed', 'The effect could not be loaded. Check the connection and reload.', {
    cause,
  });
/** What comes over the network: where it does not, the viewer is told so. */
const arrived = <T>(coming: Promise<T>): Promise<T> =>
  coming.catch((cause: unknown) => {
    throw notLoaded(cause);
  });

const fetchPackage = async (): Promise<OpenedPackage> => {
  const slug = location.pathname.split('/').filter(Boolean).at(-1) ?? '';
  const response = await arrived(fetch(`/outlet/${encodeURIComponent(slug)}/effect.zip`));
  if (response.status === 404)
    throw new IconiaError(
      'release.missing',
      'No effect is released under this address. Ask whoever sent it for the new one.',
    );
  if (!response.ok) throw notLoaded();
  const unpacked = unpackPackage(new Uint8Array(await arrived(response.arrayBuffer())));
  return withDocument(unpacked, await readDocument(unpacked.document));
};

const TEXTS_IN: Readonly<Record<PromptLanguage, () => Promise<{ TEXTS: PromptTexts }>>> = {
  en: () => import('../core/behave/prompt-texts/en'),
  de: () => import('../core/behave/prompt-texts/de'),
  fr: () => import('../core/behave/prompt-texts/fr'),
  es: () => import('../core/behave/prompt-texts/es'),
  pt: () => import('../core/behave/prompt-texts/pt'),
  ja: () => import('../core/behave/prompt-texts/ja'),
};
/** What prompts say is fetched in the viewer's language alone. */
const promptTexts = async (): Promise<PromptTexts> =>
  (await TEXTS_IN[promptLanguage(navigator.languages)]()).TEXTS;

class ShowPage {
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
  private readonly requirements: Requirements;
  private recording: Recording | null = null;
  private wantsPhoto = false;

  private readonly files: FileSource = async ({ sha256 }) => {
    const file = this.opened.files.get(sha256);
    if (!file)
      throw new IconiaError('package.unreadable', 'A file of the effect is missing from its package.');
    return new Blob([file.bytes as BlobPart], { type: file.mime });
  };

  constructor(
    private readonly opened: OpenedPackage,
    abilities: Abilities,
    texts: PromptTexts,
    private readonly scripts: ScriptEngine | null,
  ) {
    this.stage = new Stage(canvas, createStores(this.files), abilities);
    this.worldView = new WorldView(
      this.stage,
      document.querySelector('main')!,
      () => this.drawSafely(),
      () => this.resize(),
    );
    void mayMeasure().then((may) => (this.mayMeasure = may));
    this.live = new LiveRuntime(compile(opened.effect), scripts);
    this.overlay = new ViewerOverlay({
      textOf: (prompt) => promptIn(prompt, texts),
      onControl: (control, value) => this.live.control(control, value),
      pictureUrl: (id) => this.pictureUrl(id),
    });
    element('stage').append(this.overlay.element);
    this.overlay.element.append(this.roomBar.element);
    this.requirements = requirementsOf(opened.effect);
    this.input.need(cameraNeeds(opened.effect, this.files, opened.targets));
    if (Object.values(opened.effect.objects).some((o) => o.kind === 'sound')) void this.fetchSounds();
    new ResizeObserver(() => this.resize()).observe(canvas);
    this.resize();
    const fingers = new Map<number, Finger>();
    const at = (event: PointerEvent): Finger => {
      const box = canvas.getBoundingClientRect();
      return {
        id: event.pointerId,
        x: (event.clientX - box.left) / box.width,
        y: (event.clientY - box.top) / box.height,
      };
    };
    const surface = element('stage');
    surface.addEventListener('pointerdown', (event) => {
      // What lies over the picture is touched for itself.
      if (event.target !== canvas && event.target !== surface) return;
      this.sounds?.wake();
      const finger = at(event);
      if (this.putDown(finger)) return;
      fingers.set(finger.id, finger);
      this.live.tap(finger.x, finger.y);
      this.live.touch([...fingers.values()]);
    });
    surface.addEventListener('pointermove', (event) => {
      if (!fingers.has(event.pointerId)) return;
      fingers.set(event.pointerId, at(event));
      this.live.touch([...fingers.values()]);
    });
    for (const end of ['pointerup', 'pointercancel', 'pointerleave'] as const)
      surface.addEventListener(end, (event) => {
        fingers.delete(event.pointerId);
        this.live.touch([...fingers.values()]);
      });
  }

  /** A tap that puts the effect down in the room is none of the effect's. */
  private putDown(point: Finger): boolean {
    const { room, frame } = this.input;
    if (room?.state !== 'placing' || !frame) return false;
    room.tap(point, this.stage.viewOf(frame));
    return true;
  }

  private readonly urls = new Map<string, string>();
  private pictureUrl(id: AssetId): string | null {
    const asset = this.opened.effect.assets[id];
    const file = asset && this.opened.files.get(asset.files[0]!.sha256);
    if (!file) return null;
    let url = this.urls.get(id);
    if (!url)
      this.urls.set(id, (url = URL.createObjectURL(new Blob([file.bytes as BlobPart], { type: file.mime }))));
    return url;
  }

  /** Starts or stops a recording of what is seen. */
  record(): void {
    if (this.recording) {
      this.recording.stop();
      this.recording = null;
      this.live.event('recordStops');
    } else
      try {
        this.recording = new Recording(canvas, this.opened.manifest.name);
        this.live.event('recordStarts');
      } catch {
        say('This browser cannot record. A photo still works.');
      }
    const button = element('record');
    button.setAttribute('aria-pressed', String(this.recording !== null));
    button.textContent = this.recording ? 'Stop recording' : 'Record';
  }
  photo(): void {
    this.wantsPhoto = true;
    this.live.event('photo');
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
        say(`${name} cannot be played in this browser. The effect goes on without it.`),
      );
    } catch {
      say('The sounds of this effect could not be loaded; it goes on without them. Reload to try again.');
    }
  }

  /** A performer who wears the effect has been fetched. */
  setPerformer(performer: OnPerformer): void {
    this.performer = performer;
    if (this.source === 'take') this.showSource('take');
    void performer.print(this.files).then((printed) => {
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
    this.live = new LiveRuntime(compile(this.opened.effect), this.scripts);
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
    // Asked for first: one picture that cannot be drawn does not end the effect.
    requestAnimationFrame(this.draw);
    // The device's own frames draw it meanwhile.
    if (!this.worldView.picture) this.drawSafely();
  };

  private drawSafely(): void {
    try {
      this.drawOne();
    } catch (error) {
      if (!this.faulty) console.error(error);
      this.faulty = true;
      say('Something of this effect cannot be drawn on this device. The rest of it goes on.');
    }
  }
  private faulty = false;

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
    if (this.wantsPhoto) {
      this.wantsPhoto = false;
      keepPhoto(canvas, this.opened.manifest.name);
    }
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

const main = async (): Promise<void> => {
  say('Loading the effect');
  const fetched = fetchPackage();
  const performing = import('./on-performer');
  // The performer's head is made while the package is on its way.
  void performing.then(({ makeFirstHead }) => makeFirstHead()).catch(() => undefined);
  const opened = await fetched;
  const { manifest } = opened;
  document.title = `${manifest.name} · Iconia`;
  for (const id of ['title', 'name']) element(id).textContent = manifest.name;
  element('summary').textContent = manifest.summary;
  const icon = manifest.files.find((f) => f.path === manifest.icon);
  if (icon) {
    const image = element<HTMLImageElement>('icon');
    image.src = URL.createObjectURL(
      new Blob([opened.files.get(icon.sha256)!.bytes as BlobPart], { type: icon.mime }),
    );
    image.hidden = false;
  }
  const { effect } = opened;
  const [abilities, texts, scripts] = await arrived(
    Promise.all([loadAbilities(requirementsOf(effect)), promptTexts(), scriptsFor(effect)]),
  );
  const page = new ShowPage(opened, abilities, texts, scripts);
  page.showTake();
  performing
    .then(({ OnPerformer }) => page.setPerformer(new OnPerformer(opened.effect)))
    .catch(() => say('The performer could not be loaded. Use your camera, or reload the page.'));
  element('start').hidden = false;
  element('use-camera').addEventListener('click', () => void page.showCamera());
  element('use-take').addEventListener('click', () => {
    element('start').hidden = true;
    page.offerOther();
    say('');
  });
  element('switch').addEventListener('click', () => page.switchSource());
  element('record').addEventListener('click', () => page.record());
  element('photo').addEventListener('click', () => page.photo());
  element('flip').addEventListener('click', () => void page.flip());
  requestAnimationFrame(page.draw);
};

main().catch((error: unknown) => say(sentence(error)));
