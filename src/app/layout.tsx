import '@fontsource-variable/archivo/standard.css';
import '@/ui/theme/tokens.css';
import '@/ui/theme/snackbar.css';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { NONCE_HEADER } from '@/server/http/nonce';
import { ACTOR_COOKIE } from '@/ui/shell/actor-cookie';
import { GlobalShortcuts } from '@/ui/shell/shortcuts';
import { Providers } from '@/ui/theme/Providers';

export const metadata: Metadata = {
  title: { default: 'Amber Collar', template: '%s · Amber Collar' },
  description: 'Plan, make off and prove the termination of armoured cables',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const actor = (await cookies()).get(ACTOR_COOKIE)?.value ?? '';
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
          <Providers actor={safeDecode(actor)}>
            {children}
            <GlobalShortcuts />
          </Providers>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}

// Next decodes cookies already; a stray percent sign must not break every page.
function safeDecode(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}
