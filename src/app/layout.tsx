import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import '@fontsource-variable/archivo/wdth.css';
import '@fontsource-variable/spline-sans-mono/wght.css';
import '@/view/shared/tokens.css';
import { askedReader } from '@/server';
import { Providers } from '@/view/shared/Providers';
import { msg, worded } from '@/core/messages';

export const metadata: Metadata = worded(() => ({
  title: { default: 'Zephyron', template: '%s · Zephyron' },
  description: msg`Designs a complete liquid cooling loop for a PC`,
}));
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  // The page's own scripts bear the number that its policy names.
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  const { language } = await askedReader();
  return (
    <html
      lang={language}
      data-shared={process.env.ZEPHYRON_PASSPHRASE ? '' : undefined}
      suppressHydrationWarning
    >
      <body>
        <InitColorSchemeScript attribute="data-mui-color-scheme" nonce={nonce} />
        <AppRouterCacheProvider options={{ enableCssLayer: true }}>
          <Providers>{children}</Providers>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}
