import '@mantine/core/styles/baseline.layer.css';
import '@mantine/core/styles/default-css-variables.layer.css';
import '@mantine/core/styles/global.layer.css';
import '@mantine/core/styles/UnstyledButton.layer.css';
import '@mantine/core/styles/Button.layer.css';
import '@mantine/core/styles/ActionIcon.layer.css';
import '@mantine/core/styles/CloseButton.layer.css';
import '@mantine/core/styles/Input.layer.css';
import '@mantine/core/styles/InlineInput.layer.css';
import '@mantine/core/styles/Combobox.layer.css';
import '@mantine/core/styles/ScrollArea.layer.css';
import '@mantine/core/styles/Popover.layer.css';
import '@mantine/core/styles/Kbd.layer.css';
import '@mantine/core/styles/Alert.layer.css';
import '@mantine/core/styles/VisuallyHidden.layer.css';
import '@mantine/core/styles/Loader.layer.css';
import '@mantine/core/styles/Table.layer.css';
import '@mantine/core/styles/NumberInput.layer.css';
import '@mantine/core/styles/PasswordInput.layer.css';
import '@mantine/core/styles/Checkbox.layer.css';
import '@mantine/core/styles/Radio.layer.css';
import '@mantine/core/styles/RadioCard.layer.css';
import '@mantine/core/styles/RadioIndicator.layer.css';
import '@mantine/core/styles/Switch.layer.css';
import '@mantine/core/styles/ModalBase.layer.css';
import '@mantine/core/styles/Modal.layer.css';
import '@mantine/core/styles/Overlay.layer.css';
import '@mantine/core/styles/Paper.layer.css';
import '@mantine/core/styles/Group.layer.css';
import '@mantine/core/styles/Stack.layer.css';
import '@mantine/core/styles/SimpleGrid.layer.css';
import '@mantine/core/styles/Menu.layer.css';
import '@mantine/core/styles/Progress.layer.css';
import '@mantine/core/styles/Text.layer.css';
import '@mantine/core/styles/Skeleton.layer.css';
import '@mantine/core/styles/Title.layer.css';
import '@mantine/core/styles/Notification.layer.css';
import '@mantine/notifications/styles.layer.css';
import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/fraunces/index.css';
import './global.css';
import { ColorSchemeScript, mantineHtmlProps } from '@mantine/core';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Alive } from '@/shell/alive';
import { EARLY_TAPS } from '@/shell/early-taps';
import { ShopTheme } from '@/shell/theme/shop-theme';

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
        <ShopTheme>
          {children}
          <Alive />
        </ShopTheme>
      </body>
    </html>
  );
}
