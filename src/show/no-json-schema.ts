/**
 * Stands in for the part of the schema library that writes JSON schemas: only the server's documentation does, and the show page is to be
 * small. What is read of it when a schema is made is here; to write one is refused.
 */
const refused = () => (): never => {
  throw new Error('The show page writes no JSON schemas.');
};
export const createToJSONSchemaMethod = refused;
export const createStandardJSONSchemaMethod = refused;
export const toJSONSchema = refused();
