/** The page that speaks to an adapter: the only one that may ask for a serial port. */
const LIVE = /^\/jobs\/[^/]+\/drive\/live\/?$/;

/** What no page of ours ever uses. */
const NEVER = [
  'accelerometer',
  'autoplay',
  'camera',
  'display-capture',
  'encrypted-media',
  'geolocation',
  'gyroscope',
  'hid',
  'magnetometer',
  'microphone',
  'midi',
  'payment',
  'usb',
  'xr-spatial-tracking',
] as const;

const permissions = (path: string): string =>
  [
    ...NEVER.map((feature) => `${feature}=()`),
    `serial=${LIVE.test(path) ? '(self)' : '()'}`,
    'screen-wake-lock=(self)',
  ].join(', ');

/** What a page may load and run. @param nonce lets the scripts of this answer run, and no other written into it */
function contentPolicy(nonce: string): string {
  const dev = process.env.NODE_ENV === 'development';
  return [
    "default-src 'none'",
    // The twin's kernel is compiled in the page's workers; nothing else may be.
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'${dev ? " 'unsafe-eval'" : ''}`,
    // Widths and places of pictures are written on the elements.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    `connect-src 'self'${dev ? ' ws:' : ''}`,
    "worker-src 'self'",
    "manifest-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** The headers of every answer. @param path of the request */
export const securityHeaders = (path: string, nonce: string): Readonly<Record<string, string>> => ({
  'Content-Security-Policy': contentPolicy(nonce),
  'Permissions-Policy': permissions(path),
  'Referrer-Policy': 'no-referrer',
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
});
