/** What phones say of themselves, in words. */
import type { Phone, PhoneReport } from '../../../../../core/contract/try-contract';

const several = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** How fast it draws. */
export const rateWords = ({ rate, milliseconds }: PhoneReport): string =>
  rate === 0
    ? 'Nothing drawn yet'
    : `${Math.round(rate)} pictures a second, ${milliseconds.toFixed(milliseconds < 10 ? 1 : 0)} ms of work each`;

/** What it draws on, and what it finds there. */
export const seenWords = ({ source, camera, faces, hands, pictures }: PhoneReport): string => {
  if (source === 'take') return 'On a performer, not on its camera';
  if (camera === 'starting') return 'Its camera is being opened';
  const found = [
    faces > 0 ? several(faces, 'face', 'faces') : '',
    hands > 0 ? several(hands, 'hand', 'hands') : '',
    pictures > 0 ? several(pictures, 'printed picture', 'printed pictures') : '',
  ].filter(Boolean);
  return found.length > 0 ? `On its camera: ${found.join(', ')} found` : 'On its camera: nothing found yet';
};

export const screenWords = ({ screen, drawn }: PhoneReport): string =>
  `Screen ${Math.round(screen.width)} x ${Math.round(screen.height)}, ${Number(screen.density.toFixed(2))} pixels to a point; draws ${drawn.width} x ${drawn.height}`;

const MINUTE = 60_000;
/** How long from now, roughly: "5 min", "3 h", "6 days". */
export const spanWords = (milliseconds: number): string => {
  const minutes = Math.max(1, Math.round(milliseconds / MINUTE));
  if (minutes < 90) return `${minutes} min`;
  const hours = Math.round(minutes / 60);
  return hours < 36 ? `${hours} h` : `${Math.round(hours / 24)} days`;
};

export const hereWords = ({ here, seenAt }: Phone, now: number): string =>
  here ? 'Has it open' : `Left ${spanWords(now - Date.parse(seenAt))} ago`;
