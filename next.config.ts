import path from 'node:path';
import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  outputFileTracingRoot: path.resolve('.'),
  turbopack: { root: path.resolve('.') },
  serverExternalPackages: ['@node-rs/argon2', '@react-pdf/renderer', 'knex', 'pg', 'pino', 'piscina'],
};

export default config;
