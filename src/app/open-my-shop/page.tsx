import type { Metadata } from 'next';
import { LANGUAGE_CHOICES } from '@/core/words/catalogues';
import { LanguagesProvider } from '@/shell/languages';
import { OpenShopForm } from '@/features/open-shop/open-shop-form';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Open my shop' };

export default function Page() {
  return (
    <LanguagesProvider languages={LANGUAGE_CHOICES}>
      <OpenShopForm />
    </LanguagesProvider>
  );
}
