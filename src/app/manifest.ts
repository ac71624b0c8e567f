import type { MetadataRoute } from 'next';

/** What a browser needs to install the app. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Yemko',
    short_name: 'Yemko',
    description: 'Measure an LDR, size its divider, set the brightness at which your circuit switches.',
    start_url: '/',
    display: 'standalone',
    background_color: '#F3F4F8',
    theme_color: '#15182B',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
