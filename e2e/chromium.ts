/** How the tests start Debian's Chromium: software WebGL, nothing in the background. */
export const CHROMIUM = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';
/** Given again, because a later list takes the place of Playwright's own. */
const OFF_FOR_TESTS = [
  ...['AvoidUnnecessaryBeforeUnloadCheckSync', 'DestroyProfileOnBrowserClose', 'HttpsUpgrades'],
  ...['HttpsFirstBalancedModeAutoEnable', 'LensOverlay', 'MediaRouter', 'PaintHolding'],
  ...['ThirdPartyStoragePartitioning', 'AvoidCorsURLLoaderRestartOnRedirect', 'OptimizationHints'],
  ...['NetworkTimeServiceQuerying', 'AimEnabled', 'PreconnectToSearch'],
];
/** The address bar's list is a page of its own, which nobody sees here: it costs more than a second a window. */
const OFF_UNSEEN = ['WebUIOmniboxPopup', 'WebUIOmniboxAimPopup', 'WebUIOmniboxFullPopup'];

export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--use-angle=swiftshader',
  '--enable-unsafe-swiftshader',
  '--ignore-gpu-blocklist',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--no-first-run',
  `--disable-features=${[...OFF_FOR_TESTS, ...OFF_UNSEEN].join(',')}`,
  '--disable-quic',
  // Without a graphics card the page itself is put together without one too: its first screenshot takes 0.4 s instead of 8.
  '--disable-gpu-compositing',
  '--autoplay-policy=no-user-gesture-required',
];
