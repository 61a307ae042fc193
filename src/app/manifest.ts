import type { MetadataRoute } from 'next';
import { appText } from '@/text';

const t = appText.manifest;

export default function manifest(): MetadataRoute.Manifest {
  return {
    name: t.armReach,
    short_name: t.armReach,
    description: t.theFewestLensesThatGet,
    start_url: '/carry',
    display: 'standalone',
    background_color: '#eaeff1',
    theme_color: '#eaeff1',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
