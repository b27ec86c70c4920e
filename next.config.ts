import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // The clipping library asks for Node's modules where there is a Node only.
  turbopack: { resolveAlias: { module: { browser: './src/workers/noNode.ts' } } },
  // Tells what this build made from what another did.
  env: { COBBLE_BUILD: Date.now().toString(36) },
  headers: () =>
    Promise.resolve([
      {
        source: '/:path*',
        headers: [
          { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
          { key: 'Cross-Origin-Embedder-Policy', value: 'require-corp' },
        ],
      },
    ]),
};

export default config;
