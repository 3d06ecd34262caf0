import type { MetadataRoute } from 'next';

/** What a browser needs to install the program. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Varmek',
    short_name: 'Varmek',
    description: 'From a logged warm-up to a finding',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#f8fbfa',
    theme_color: '#14393a',
    icons: [
      { src: '/icons/192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
    ],
  };
}
