import { createSerwistRoute } from '@serwist/turbopack';

/** Serves the service worker with the list of everything that the build made. */
export const { dynamic, dynamicParams, revalidate, generateStaticParams, GET } = createSerwistRoute(
  {
    swSrc: 'src/offline/serviceWorker.ts',
    useNativeEsbuild: true,
    globPatterns: ['.next/static/**/*.{js,css,woff2,wasm,svg,json}'],
    maximumFileSizeToCacheInBytes: 6_000_000,
  },
);
