/** What viewers do that triggers can wait for. */
export const TOUCHES = ['tap', 'doubleTap', 'hold', 'drag', 'pinch', 'twist'] as const;
export const HEAD_GESTURES = ['nod', 'shake', 'tilt'] as const;
/** What the viewer does with the camera application. */
export const VIEWER_EVENTS = ['recordStarts', 'recordStops', 'photo', 'cameraFlips'] as const;
export type TouchGesture = (typeof TOUCHES)[number];
export type HeadGesture = (typeof HEAD_GESTURES)[number];
export type ViewerEvent = (typeof VIEWER_EVENTS)[number];

export const TOUCH_WORDS: Readonly<Record<TouchGesture, string>> = {
  tap: 'tapped',
  doubleTap: 'double-tapped',
  hold: 'held',
  drag: 'dragged',
  pinch: 'pinched',
  twist: 'twisted',
};
