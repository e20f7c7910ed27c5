import type { NextConfig } from 'next';

const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'no-referrer',
  'X-Frame-Options': 'DENY',
  // Pages stand alone: the engine's worker then shares memory with them, and a job can be stopped
  // while it runs.
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Embedder-Policy': 'require-corp',
  'Cross-Origin-Resource-Policy': 'same-origin',
  'Permissions-Policy':
    'accelerometer=(), camera=(), display-capture=(), geolocation=(), gyroscope=(), magnetometer=(), microphone=(), midi=(), payment=(), usb=(), serial=(), bluetooth=()',
};

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // Pictures are drawn, never resized: the native image package is not installed.
  images: { unoptimized: true },
  // Addresses of before the pages took the words of the trade.
  redirects: async () => [
    { source: '/stores', destination: '/catalogue', permanent: true },
    { source: '/proof', destination: '/validation', permanent: true },
  ],
  serverExternalPackages: ['@libsql/client', 'libsql', 'piscina'],
  ...(process.env.NODE_ENV === 'production'
    ? {
        headers: async () => [
          {
            source: '/:path*',
            headers: Object.entries(HEADERS).map(([key, value]) => ({ key, value })),
          },
        ],
      }
    : {}),
};

export default config;
