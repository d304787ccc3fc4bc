/** Cues in words: what sets them off, only if, then what; and why nothing happens. */
export { objectName, promptName } from './behave-names';
export * from './then-words';
export * from './when-words';
export * from './why-words';
