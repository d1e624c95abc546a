import '@fontsource-variable/archivo/standard.css';
import '@/ui/theme/tokens.css';
import '@/ui/theme/snackbar.css';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
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
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <InitColorSchemeScript attribute="data" defaultMode="light" />
        <AppRouterCacheProvider options={{ enableCssLayer: true }}>
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
