/**
 * Checks packages against an outlet from the command line:
 *
 *   npm run check -- effect.zip --outlet "Open Web"
 *
 * Ends with 0 when it would be taken, 1 when something stops it, 2 when it could not be checked.
 */
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { findingWords } from '../src/atelier/words';
import { check, stops } from '../src/core/checks/checks';
import { OUTLET_LIMITS } from '../src/core/checks/costs';
import { sentence } from '../src/core/errors';
import { readPackage } from '../src/core/package/read-package';
import { argumentsOf, pathOf, stop } from './command-line';

const { values, positionals } = argumentsOf(
  { outlet: { type: 'string', default: OUTLET_LIMITS[0]!.name } },
  'npm run check -- PACKAGE.zip... [--outlet NAME]',
);
const outlet =
  OUTLET_LIMITS.find(({ name }) => name.toLowerCase() === values.outlet.toLowerCase()) ??
  stop(
    `There is no outlet ${values.outlet}. There are: ${OUTLET_LIMITS.map(({ name }) => name).join(', ')}.`,
  );

let stopped = false;
for (const path of positionals) {
  const name = basename(path);
  try {
    const { effect } = readPackage(new Uint8Array(readFileSync(pathOf(path))));
    const findings = check(effect, outlet.bytes);
    stopped ||= stops(findings).length > 0;
    for (const finding of findings)
      console.log(`${finding.severity === 'stop' ? '✗' : '!'} ${name}: ${findingWords(effect, finding)}`);
    if (stops(findings).length === 0) console.log(`✓ ${name}: ${outlet.name} would take it.`);
  } catch (error) {
    stopped = true;
    console.log(`✗ ${name}: ${sentence(error)}`);
  }
}
process.exit(stopped ? 1 : 0);
