import type { MetadataRoute } from 'next';

export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Arm Reach',
    short_name: 'Arm Reach',
    description: 'The fewest lenses that get every wanted picture of an outing, proven.',
    start_url: '/carry',
    display: 'standalone',
    background_color: '#eaeff1',
    theme_color: '#eaeff1',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
