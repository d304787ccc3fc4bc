/** Security headers. The policy allows nothing that the pages do not need. */
import helmet from 'helmet';
import type { RequestHandler, Response } from 'express';

const base = {
  defaultSrc: ["'none'"],
  baseUri: ["'none'"],
  formAction: ["'none'"],
  frameAncestors: ["'none'"],
  objectSrc: ["'none'"],
  // Scripts of effects run in an engine that is WebAssembly.
  scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
  styleSrc: ["'self'"],
  fontSrc: ["'self'"],
  imgSrc: ["'self'", 'blob:', 'data:'],
  mediaSrc: ["'self'", 'blob:'],
  connectSrc: ["'self'", 'blob:'],
  workerSrc: ["'self'"],
  manifestSrc: ["'self'"],
};

const headers = (directives: Record<string, string[]>): RequestHandler =>
  helmet({
    contentSecurityPolicy: { useDefaults: false, directives },
    crossOriginEmbedderPolicy: false,
    strictTransportSecurity: false,
    referrerPolicy: { policy: 'no-referrer' },
  });

/** The show page and everything else: none of it makes code of texts. */
export const strict = headers(base);
/** The atelier: its component library writes style elements. */
export const atelier = headers({ ...base, styleSrc: ["'self'", "'unsafe-inline'"] });
/**
 * The workers of the face tracker and of KTX2 textures only: their WebAssembly glue compiles code. A worker follows
 * the policy it was served with, so pages stay strict.
 */
export const compiling = headers({ ...base, scriptSrc: ["'self'", "'unsafe-eval'", "'wasm-unsafe-eval'"] });

/**
 * The worker that opens files: decoders of compressed models and textures are WebAssembly. It fetches only what
 * the page hands it, and nothing it makes is run by a page. Transparent videos are put together by helpers of the
 * media library, which it starts from memory; they follow this policy too.
 */
export const intake = headers({
  ...base,
  workerSrc: ["'self'", 'blob:'],
});

/** Bytes that a creator brought in: never a page, never a script, whatever is in them. */
export const userContent = (response: Response): void => {
  response.setHeader('Content-Security-Policy', "default-src 'none'; sandbox");
  response.setHeader('X-Content-Type-Options', 'nosniff');
};

/** What our own pages may ask the viewer for; nobody else may. */
const ALLOWED = ['camera', 'microphone', 'accelerometer', 'gyroscope', 'magnetometer', 'xr-spatial-tracking'];
const FORBIDDEN = ['geolocation', 'payment', 'usb', 'display-capture'];
export const permissions: RequestHandler = (_request, response, next) => {
  response.setHeader(
    'Permissions-Policy',
    [...ALLOWED.map((name) => `${name}=(self)`), ...FORBIDDEN.map((name) => `${name}=()`)].join(', '),
  );
  next();
};
