/** Fingers on the picture, as an effect takes them. */
import type { Finger } from '../core/program/inputs';

export interface TouchTaker {
  /** A finger comes down; false where it is none of the effect's. */
  down(finger: Finger): boolean;
  /** The fingers that lie there from now on. */
  now(fingers: readonly Finger[]): void;
}

/** Listens on the surface; what lies over the picture is touched for itself. */
export const listenToTouches = (surface: HTMLElement, canvas: HTMLCanvasElement, taker: TouchTaker): void => {
  const fingers = new Map<number, Finger>();
  const at = (event: PointerEvent): Finger => {
    const box = canvas.getBoundingClientRect();
    return {
      id: event.pointerId,
      x: (event.clientX - box.left) / box.width,
      y: (event.clientY - box.top) / box.height,
    };
  };
  surface.addEventListener('pointerdown', (event) => {
    if (event.target !== canvas && event.target !== surface) return;
    const finger = at(event);
    if (!taker.down(finger)) return;
    fingers.set(finger.id, finger);
    taker.now([...fingers.values()]);
  });
  surface.addEventListener('pointermove', (event) => {
    if (!fingers.has(event.pointerId)) return;
    fingers.set(event.pointerId, at(event));
    taker.now([...fingers.values()]);
  });
  for (const end of ['pointerup', 'pointercancel', 'pointerleave'] as const)
    surface.addEventListener(end, (event) => {
      fingers.delete(event.pointerId);
      taker.now([...fingers.values()]);
    });
};
