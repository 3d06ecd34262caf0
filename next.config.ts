import path from 'node:path';
import type { NextConfig } from 'next';

const dev = process.env.NODE_ENV === 'development';

// Nothing leaves this machine: the browser itself refuses any other origin.
const csp = [
  "default-src 'self'",
  // The twin's kernel is compiled in the page's workers; nothing else may be.
  `script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'${dev ? " 'unsafe-eval'" : ''}`,
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self'",
  "connect-src 'self'",
  "worker-src 'self'",
  "object-src 'none'",
  "base-uri 'none'",
  "form-action 'self'",
  "frame-ancestors 'none'",
].join('; ');

const nextConfig: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  agentRules: false, // next dev would write a file of its own into the project
  devIndicators: false,
  // `npm run check` has checked the types a moment before it builds.
  typescript: { ignoreBuildErrors: process.env.VARMEK_TYPES_CHECKED === '1' },
  images: { unoptimized: true },
  turbopack: { root: path.resolve('.') },
  experimental: { agentUpgrade: false }, // build and dev would ask the registry for advisories, and may stop
  headers: () =>
    Promise.resolve([
      {
        source: '/:path*',
        headers: [
          { key: 'Content-Security-Policy', value: csp },
          { key: 'Referrer-Policy', value: 'no-referrer' },
          { key: 'X-Content-Type-Options', value: 'nosniff' },
        ],
      },
    ]),
};

export default nextConfig;
