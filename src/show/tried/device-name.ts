/** What a device calls itself, short: "Android, Chrome". From what its browser says of itself to every page. */
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/iPhone/, 'iPhone'],
  [/iPad/, 'iPad'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'Mac'],
  [/Linux/, 'Linux'],
];
const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Firefox|FxiOS/, 'Firefox'],
  [/Edg(A|iOS)?\//, 'Edge'],
  [/Chrome|CriOS/, 'Chrome'],
  [/Safari/, 'Safari'],
];

const named = (list: readonly (readonly [RegExp, string])[], userAgent: string): string | undefined =>
  list.find(([pattern]) => pattern.test(userAgent))?.[1];

export const deviceName = (userAgent: string): string =>
  [named(SYSTEMS, userAgent), named(BROWSERS, userAgent)].filter(Boolean).join(', ') || 'Another device';
