/** The moving thumbnails of shipped takes: rows of frames made by scripts/take-films.ts. */
export const FILM_FRAMES = 12;
export const FILM_WIDTH = 108;
export const FILM_HEIGHT = 192;
