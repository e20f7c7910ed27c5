import type { NextConfig } from 'next';

const CSP = [
  "default-src 'self'",
  "script-src 'self' 'unsafe-inline'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self' data:",
  "worker-src 'self' blob:",
  "connect-src 'self'",
  "object-src 'none'",
  "base-uri 'none'",
  "form-action 'self'",
  "frame-ancestors 'none'",
];

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: ['@libsql/client', 'libsql', '@react-pdf/renderer', 'piscina'],
  ...(process.env.NODE_ENV === 'production'
    ? {
        headers: async () => [
          {
            source: '/:path*',
            headers: [
              { key: 'Content-Security-Policy', value: CSP.join('; ') },
              { key: 'X-Content-Type-Options', value: 'nosniff' },
              { key: 'Referrer-Policy', value: 'no-referrer' },
              { key: 'X-Frame-Options', value: 'DENY' },
              // Pages stand alone: the engine's worker then shares memory with them, and a job can
              // be stopped while it runs.
              { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
              { key: 'Cross-Origin-Embedder-Policy', value: 'require-corp' },
            ],
          },
        ],
      }
    : {}),
};

export default config;
