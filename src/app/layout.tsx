import { cssVars } from '@/ui/common/cssVars';
import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css';
import { AntdRegistry } from '@ant-design/nextjs-registry';
import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Providers } from '@/ui/theme/Providers';
import { cssVariables, LOOK_COOKIE, lookChoiceOf, lookOf, SYSTEM_RULES } from '@/ui/theme/tokens';
import '@/ui/theme/antd.css';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Yemko', template: '%s · Yemko' },
  description: 'Measure an LDR, size its divider, set the brightness at which your circuit switches.',
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#15182B' };

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  // Each page is rendered for its own request, because its scripts carry that request's nonce.
  await headers();
  const choice = lookChoiceOf((await cookies()).get(LOOK_COOKIE)?.value);
  const look = lookOf(choice, false);
  return (
    <html
      lang="en"
      data-look={look}
      data-look-open={choice === 'system' ? '' : undefined}
      style={cssVars(cssVariables(look))}
      suppressHydrationWarning
    >
      <body>
        {choice === 'system' && <style>{SYSTEM_RULES}</style>}
        <AntdRegistry>
          <Providers look={choice}>{children}</Providers>
        </AntdRegistry>
      </body>
    </html>
  );
}
