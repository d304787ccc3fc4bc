/** What the glTF library has to say is said in sentences here. */
import { Logger, Verbosity } from '@gltf-transform/core';

export const QUIET = new Logger(Verbosity.SILENT);
