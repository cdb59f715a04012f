import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  agentRules: false,
  // What was the place of the elevations is the model's.
  redirects: () =>
    Promise.resolve([{ source: '/elevations', destination: '/model', permanent: false }]),
} as NextConfig;

export default config;
