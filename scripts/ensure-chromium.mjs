// The interface tests need Debian's Chromium: installs it when it is missing and that is allowed.
import { existsSync } from 'node:fs';
import { spawnSync } from 'node:child_process';

export function ensureChromium() {
  const path = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';
  if (existsSync(path)) return path;
  const fail = (why) => {
    console.error(
      `The interface tests need Chromium at ${path}, and ${why}\n` +
        'Install it (Debian: apt-get install chromium), or set CHROMIUM_PATH to a Chromium you have.',
    );
    process.exit(1);
  };
  if (process.env.CHROMIUM_PATH) fail('nothing stands there.');
  if (process.platform !== 'linux' || !existsSync('/usr/bin/apt-get'))
    fail('it can be installed by itself on Debian only.');
  if (process.getuid?.() !== 0) fail('installing it takes root.');
  console.log('Installing Chromium (apt-get install chromium)');
  for (const args of [['update'], ['install', '-y', '--no-install-recommends', 'chromium']]) {
    const result = spawnSync('apt-get', args, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
    if (result.status !== 0) fail(`apt-get ${args[0]} failed.`);
  }
  if (!existsSync(path)) fail('apt-get did not put it there.');
  return path;
}
