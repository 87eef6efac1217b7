import path from 'node:path';
import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // The front door does it, in larger pieces.
  compress: false,
  outputFileTracingRoot: path.resolve('.'),
  turbopack: { root: path.resolve('.') },
  experimental: {
    // Of these only what is named goes to a tablet, and not what stands beside it in its package.
    optimizePackageImports: ['@mantine/core', '@mantine/hooks', 'd3-scale', 'd3-shape', 'valibot'],
  },
  serverExternalPackages: ['@node-rs/argon2', '@react-pdf/renderer', 'knex', 'pg', 'pino', 'piscina'],
};

export default config;
