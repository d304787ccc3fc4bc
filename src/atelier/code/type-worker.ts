/** Knows the types of scripts, away from the page. */
import type { TypeAnswer, TypeQuestion } from './type-messages';
import { typeService } from './type-service';

const files = import.meta.glob<string>(
  [
    '/node_modules/typescript/lib/lib.es5.d.ts',
    '/node_modules/typescript/lib/lib.es20{15,16,17,18,19,20,21,22}*.d.ts',
    '/node_modules/typescript/lib/lib.decorators*.d.ts',
  ],
  { query: '?raw', import: 'default', eager: true },
);
const service = typeService(
  Object.fromEntries(
    Object.entries(files).map(([path, text]) => [path.slice(path.lastIndexOf('/') + 1), text]),
  ),
);
const answer = (message: TypeAnswer): void => postMessage(message);

onmessage = ({ data: { number, source, declarations, at } }: MessageEvent<TypeQuestion>): void =>
  at === null
    ? answer({ number, problems: service.problems(source, declarations) })
    : answer({ number, ...service.completions(source, declarations, at) });
