import type { NextConfig } from 'next';
import { planMark } from './cli/plan-mark.mjs';

const config: NextConfig = {
  agentRules: false,
  poweredByHeader: false,
  reactStrictMode: true,
  allowedDevOrigins: ['127.0.0.1'],
  turbopack: { root: import.meta.dirname },
  // What finished plans are kept by; while the sources are being written nothing is kept.
  env: { PLAN_MARK: process.env.NODE_ENV === 'development' ? '' : planMark() },
  // The tests check types in a step of their own before they build.
  typescript: { ignoreBuildErrors: process.env.TYPES_CHECKED === '1' },
  serverExternalPackages: ['pdfkit'],
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'Referrer-Policy', value: 'no-referrer' },
        { key: 'Permissions-Policy', value: 'camera=(), microphone=(), geolocation=()' },
      ],
    },
  ],
};

export default config;
