import type { MetadataRoute } from 'next';

export default function manifest(): MetadataRoute.Manifest {
  return {
    id: '/',
    name: 'Nelvix',
    short_name: 'Nelvix',
    description:
      'Knows before the parts are on the table what covers, what clears and what reaches.',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#15201f',
    theme_color: '#15201f',
    icons: [
      { src: '/icons/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
      { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
    ],
  };
}
