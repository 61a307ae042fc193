import { withSerwist } from '@serwist/turbopack';
import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  outputFileTracingIncludes: { '/api/**': ['./node_modules/highs/build/highs.wasm'] },
  serverExternalPackages: ['highs'],
};

export default withSerwist(config);
