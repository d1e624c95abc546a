import '@fontsource-variable/archivo/standard.css';
import '@fontsource-variable/commissioner/wght.css';
import '@/ui/theme/tokens.css';
import '@/ui/theme/snackbar.css';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { NONCE_HEADER } from '@/server/http/nonce';
import { GlobalShortcuts } from '@/ui/shell/shortcuts';
import { Providers } from '@/ui/theme/Providers';
import { acting } from './acting';

export const metadata: Metadata = {
  title: { default: 'Amber Collar', template: '%s · Amber Collar' },
  description: 'Plan, make off and prove the termination of armoured cables',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const found = await acting();
  const person = found.ok && found.value !== null ? found.value : null;
  const nonce = (await headers()).get(NONCE_HEADER) ?? '';
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        {/* The style sheet of the messages is made while their module loads, and takes its nonce from here. */}
        <script
          nonce={nonce}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: `window.__nonce__=${JSON.stringify(nonce)}` }}
        />
      </head>
      <body>
        <InitColorSchemeScript attribute="data" defaultMode="system" nonce={nonce} />
        <AppRouterCacheProvider options={{ enableCssLayer: true, nonce }}>
          <Providers
            person={
              person && {
                id: person.id,
                name: person.name,
                until: person.until,
                administrator: person.administrator,
              }
            }
          >
            {children}
            <GlobalShortcuts />
          </Providers>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}
