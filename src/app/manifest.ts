import type { MetadataRoute } from 'next';

export const dynamic = 'force-static';

/** What a device shows when the product is installed on it. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Grenko',
    short_name: 'Grenko',
    description: 'Plans, times, guides and records two-part repairs.',
    id: '/',
    start_url: '/',
    display: 'standalone',
    background_color: '#e6e0d4',
    theme_color: '#e6e0d4',
    categories: ['productivity', 'utilities'],
    icons: [
      { src: '/icons/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
    screenshots: [
      {
        src: '/screens/measure.png',
        sizes: '1280x800',
        type: 'image/png',
        form_factor: 'wide',
        label: 'Measuring a void',
      },
      {
        src: '/screens/run-phone.png',
        sizes: '390x844',
        type: 'image/png',
        form_factor: 'narrow',
        label: 'Running a repair',
      },
    ],
  };
}
