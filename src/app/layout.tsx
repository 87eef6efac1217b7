import '@mantine/core/styles/baseline.css';
import '@mantine/core/styles/default-css-variables.css';
import '@mantine/core/styles/global.css';
import '@mantine/core/styles/UnstyledButton.css';
import '@mantine/core/styles/Input.css';
import '@mantine/core/styles/Combobox.css';
import '@mantine/core/styles/ScrollArea.css';
import '@mantine/core/styles/Popover.css';
import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/fraunces/index.css';
import './global.css';
import { ColorSchemeScript, MantineProvider, mantineHtmlProps } from '@mantine/core';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Alive } from '@/shell/alive';
import { EARLY_TAPS } from '@/shell/early-taps';
import { theme } from '@/shell/theme';

export const metadata: Metadata = { title: { default: 'Hush Pail', template: '%s · Hush Pail' } };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // The number that lets this page's own inline scripts run, and no others.
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en" {...mantineHtmlProps}>
      <head>
        <ColorSchemeScript defaultColorScheme="auto" nonce={nonce} />
      </head>
      <body>
        <script nonce={nonce} dangerouslySetInnerHTML={{ __html: EARLY_TAPS }} />
        <MantineProvider theme={theme} defaultColorScheme="auto">
          {children}
          <Alive />
        </MantineProvider>
      </body>
    </html>
  );
}
