/** A sheet over the picture with what was captured: looked at, saved, shared. */
import { sentence } from '../core/errors';
import { fileOf, mayShare, photoFile, saveFile, shareFile } from '../stage/capture/kept-file';
import type { LoopFormat, LoopFrames } from '../stage/capture/loop-messages';
import { makeLoop } from '../stage/capture/make-loop';
import { briefly, element, note } from './page';

/** A way to have it, and the file, made when it is wanted. */
interface Choice {
  readonly label: string;
  readonly file: () => Promise<File>;
  /** Making it takes long: browsers save only right after a press, so it is made by one and saved by the next. */
  readonly takesLong?: boolean;
}

const once = (make: () => Promise<File>): (() => Promise<File>) => {
  let made: Promise<File> | null = null;
  return () => {
    made ??= make();
    // What failed is tried again.
    made.catch(() => (made = null));
    return made;
  };
};

const button = (words: string, press: () => void): HTMLButtonElement => {
  const made = document.createElement('button');
  made.type = 'button';
  made.textContent = words;
  made.addEventListener('click', press);
  return made;
};

const open = (shown: HTMLElement, url: string | null, choices: readonly Choice[]): void => {
  const sheet = element('kept');
  const shut = (): void => {
    sheet.hidden = true;
    sheet.replaceChildren();
    if (url) URL.revokeObjectURL(url);
  };
  const act = (work: (file: File) => void | Promise<unknown>, { file }: Choice): void => {
    void file()
      .then(work)
      .catch((error: unknown) => briefly(sentence(error)));
  };
  const buttons = document.createElement('div');
  buttons.className = 'buttons';
  for (const choice of choices) {
    const save = button(`Save as ${choice.label}`, () => act(saveFile, choice));
    if (!choice.takesLong) {
      buttons.append(save);
      continue;
    }
    const make = button(`Make it ${choice.label}`, () => {
      make.disabled = true;
      act(() => {
        make.replaceWith(save);
        save.focus();
      }, choice);
      // What failed can be tried again.
      void choice.file().catch(() => (make.disabled = false));
    });
    buttons.append(make);
  }
  const [first] = choices;
  // Whether it is taken is known once the file is there.
  if (first && typeof navigator.share === 'function')
    buttons.append(
      button('Share', () =>
        act((file) => {
          if (!mayShare(file)) return briefly('This device shares no files. Save it instead.');
          return shareFile(file);
        }, first),
      ),
    );
  const close = button('Close', shut);
  buttons.append(close);
  sheet.replaceChildren(shown, buttons);
  sheet.hidden = false;
  close.focus();
};

const picture = (url: string, words: string): HTMLImageElement => {
  const image = document.createElement('img');
  image.src = url;
  image.alt = words;
  return image;
};

export const showPhoto = async (photo: OffscreenCanvas, name: string): Promise<void> => {
  const png = await photoFile(photo, 'png', name);
  const url = URL.createObjectURL(png);
  open(picture(url, 'Your photo'), url, [
    { label: 'PNG', file: () => Promise.resolve(png) },
    { label: 'JPEG', file: once(() => photoFile(photo, 'jpeg', name)) },
  ]);
};

export const showVideo = (blob: Blob, name: string): void => {
  const file = fileOf(blob, name);
  const url = URL.createObjectURL(file);
  const video = document.createElement('video');
  Object.assign(video, { src: url, controls: true, playsInline: true, loop: true });
  video.setAttribute('aria-label', 'Your recording');
  open(video, url, [
    { label: blob.type === 'video/mp4' ? 'MP4' : 'WebM', file: () => Promise.resolve(file) },
  ]);
};

export const showLoop = async (loop: LoopFrames, name: string): Promise<void> => {
  const made = async (format: LoopFormat): Promise<File> => {
    const blob = await makeLoop(loop, format, {
      onProgress: (share) => note(`Making the loop: ${Math.round(share * 100)} %`),
    });
    note('');
    return fileOf(blob, name);
  };
  const gif = await made('gif');
  const url = URL.createObjectURL(gif);
  open(picture(url, 'Your loop'), url, [
    { label: 'GIF', file: () => Promise.resolve(gif) },
    { label: 'WebP', file: once(() => made('webp')), takesLong: true },
  ]);
};
