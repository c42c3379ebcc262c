/** What a browser needs to install the program beside others. */
import type { MetadataRoute } from 'next';

export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Fond Badger',
    short_name: 'Fond Badger',
    description: 'Plans the coat and the face of felted animals, and goes along at the bench.',
    id: '/',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#DEDEDC',
    theme_color: '#DEDEDC',
    icons: [
      { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
      { src: '/icons/192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/512-whole.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
