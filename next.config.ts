import path from 'node:path';
import type { NextConfig } from 'next';

const nextConfig: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  compress: false, // it answers to this machine alone: packing costs time on both ends and saves none on the way
  agentRules: false, // next dev would write a file of its own into the project
  devIndicators: false,
  // `npm run check` has checked the types a moment before it builds.
  typescript: { ignoreBuildErrors: process.env.VARMEK_TYPES_CHECKED === '1' },
  images: { unoptimized: true },
  turbopack: { root: path.resolve('.') },
  experimental: { agentUpgrade: false }, // build and dev would ask the registry for advisories, and may stop
};

export default nextConfig;
