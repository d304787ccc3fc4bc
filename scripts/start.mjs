// npm start: builds what changed, then runs the server in this very process, so that signals reach it.
import { fileURLToPath } from 'node:url';

process.env.ICONIA_ROOT = fileURLToPath(new URL('..', import.meta.url));
await import('./build.mjs');
await import('../dist/server/main.js');
