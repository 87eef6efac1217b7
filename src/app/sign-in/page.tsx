import type { Metadata } from 'next';
import { SignInPage } from '@/features/sign-in/sign-in-page';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Sign in' };

interface Props {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function Page({ searchParams }: Props) {
  return <SignInPage search={await searchParams} />;
}
