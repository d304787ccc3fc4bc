/** A sheet over the picture with what was captured: looked at, saved, shared. */
import { sentence } from '../core/errors';
import { keptLoop, keptPhoto, keptVideo, type Kept, type KeptChoice } from '../stage/capture/kept';
import { mayShare, shareFile } from '../stage/capture/kept-file';
import { saveFile } from '../stage/save-file';
import type { LoopFrames } from '../stage/capture/loop-messages';
import { briefly, element, note } from './page';

const button = (words: string, press: () => void): HTMLButtonElement => {
  const made = document.createElement('button');
  made.type = 'button';
  made.textContent = words;
  made.addEventListener('click', press);
  return made;
};

const act = (work: (file: File) => void | Promise<unknown>, { file }: KeptChoice): void => {
  void file()
    .then(work)
    .catch((error: unknown) => briefly(sentence(error)));
};

const choiceButton = (choice: KeptChoice): HTMLButtonElement => {
  const save = button(`Save as ${choice.label}`, () => act((file) => saveFile(file, file.name), choice));
  if (!choice.takesLong) return save;
  const make = button(`Make it ${choice.label}`, () => {
    make.disabled = true;
    act(() => {
      make.replaceWith(save);
      save.focus();
    }, choice);
    // What failed can be tried again.
    void choice.file().catch(() => (make.disabled = false));
  });
  return make;
};

const NAMES = { photo: 'Your photo', video: 'Your recording', loop: 'Your loop' } as const;

const shownOf = ({ kind }: Kept, url: string): HTMLElement => {
  if (kind === 'video') {
    const video = document.createElement('video');
    Object.assign(video, { src: url, controls: true, playsInline: true, loop: true });
    video.setAttribute('aria-label', NAMES.video);
    return video;
  }
  return Object.assign(document.createElement('img'), { src: url, alt: NAMES[kind] });
};

const open = (kept: Kept): void => {
  const sheet = element('kept');
  const url = URL.createObjectURL(kept.preview);
  // What lies beneath is neither pressed nor read meanwhile.
  const beneath = element('controls');
  const before = document.activeElement;
  const shut = (): void => {
    sheet.hidden = true;
    sheet.onkeydown = null;
    sheet.replaceChildren();
    URL.revokeObjectURL(url);
    beneath.inert = false;
    if (before instanceof HTMLElement) before.focus();
  };
  const buttons = document.createElement('div');
  buttons.className = 'buttons';
  const ways = kept.choices.map(choiceButton);
  ways[0]!.className = 'primary';
  buttons.append(...ways);
  // Whether it is taken is known once the file is there.
  if (typeof navigator.share === 'function')
    buttons.append(
      button('Share', () =>
        act((file) => {
          if (!mayShare(file)) return briefly('This device shares no files. Save it instead.');
          return shareFile(file);
        }, kept.choices[0]),
      ),
    );
  const close = button('Close', shut);
  buttons.append(close);
  sheet.replaceChildren(shownOf(kept, url), buttons);
  sheet.onkeydown = ({ key }) => key === 'Escape' && shut();
  sheet.hidden = false;
  beneath.inert = true;
  close.focus();
};

export const showPhoto = async (photo: OffscreenCanvas, name: string): Promise<void> =>
  open(await keptPhoto(photo, name));
export const showVideo = (film: Blob, name: string): void => open(keptVideo(film, name));
export const showLoop = async (loop: LoopFrames, name: string): Promise<void> =>
  open(
    await keptLoop(loop, name, (share) =>
      note(share < 1 ? `Making the loop: ${Math.round(share * 100)} %` : ''),
    ),
  );
