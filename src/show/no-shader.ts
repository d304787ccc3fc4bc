/** Stands in for shaders of the drawing library that nothing here is drawn with: one that is nothing cannot be compiled, and says so. */
export const vertex = '';
export const fragment = '';
/** A part of one. */
export default '';
