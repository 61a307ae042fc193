import { withSerwist } from '@serwist/turbopack';
import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  // `npm run check` looks at the types before it builds.
  typescript: { ignoreBuildErrors: process.env.TYPES_CHECKED === 'yes' },
  // Answered before anything is rendered.
  redirects: async () => [
    { source: '/', destination: '/brief', permanent: false },
    // Browsers ask for it where they find no icon in time.
    { source: '/favicon.ico', destination: '/icon.svg', permanent: false },
  ],
  poweredByHeader: false,
  devIndicators: false,
  outputFileTracingIncludes: { '/api/**': ['./node_modules/highs/build/highs.wasm'] },
  serverExternalPackages: ['highs'],
};

export default withSerwist(config);
