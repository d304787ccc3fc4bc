/** Colours of notes and areas on boards: one pigment each, thinned for light and dark. */
import type { NoteColour } from '../../../../core/document/board-note-schema';

export const NOTE_COLOUR_NAMES: Readonly<Record<NoteColour, string>> = {
  sand: 'Sand',
  tide: 'Tide',
  kelp: 'Kelp',
  coral: 'Coral',
  dusk: 'Dusk',
};
const PIGMENTS: Readonly<Record<NoteColour, string>> = {
  sand: '#b08a3c',
  tide: '#2c7f8f',
  kelp: '#5d7f3a',
  coral: '#c0604a',
  dusk: '#7a6397',
};
export const noteStyle = (colour: NoteColour): Readonly<Record<string, string>> => ({
  '--note': PIGMENTS[colour],
});
