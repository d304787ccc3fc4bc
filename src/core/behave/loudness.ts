/** What a microphone hears on a take. Drawn takes have no sound: performers are as loud as their mouths are open. */
import { expression, type TrackFrame } from '../tracking/track-frame';
import type { Unit } from '../units';

/** How loud a take sounds: as it was recorded, else as wide as the widest mouth on it is open. */
export const heardOn = ({ faces, loudness }: TrackFrame): Unit =>
  loudness ??
  faces.reduce((loudest, face) => Math.max(loudest, Math.min(1, 1.2 * expression(face, 'jawOpen'))), 0);
