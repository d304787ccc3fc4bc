/** How the tests start Debian's Chromium: software WebGL, nothing in the background. */
export const CHROMIUM = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--use-angle=swiftshader',
  '--enable-unsafe-swiftshader',
  '--ignore-gpu-blocklist',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--no-first-run',
  '--disable-quic',
  // Without a graphics card the page itself is put together without one too: its first screenshot takes 0.4 s instead of 8.
  '--disable-gpu-compositing',
  '--autoplay-policy=no-user-gesture-required',
];
