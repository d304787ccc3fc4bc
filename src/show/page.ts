/** The page itself: its parts, and what it says to the viewer. */
export const element = <T extends HTMLElement>(id: string): T => document.getElementById(id) as T;

let state = '';
let noted = '';
const show = (): void => {
  element('message').textContent = noted || state;
};

/** What is the case now: until something else is. */
export const say = (text: string): void => {
  state = text;
  show();
};

/** What the viewer is told of something they did, or that happens to them: before what is the case, until it is taken back with ''. */
export const note = (text: string): void => {
  noted = text;
  show();
};

/** Milliseconds that something is told which is over. */
const BRIEF = 5000;
/** Tells something that is over, for a while. */
export const briefly = (text: string): void => {
  note(text);
  setTimeout(() => {
    if (noted === text) note('');
  }, BRIEF);
};
