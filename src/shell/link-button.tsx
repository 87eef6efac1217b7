'use client';
import { Button, type ButtonProps } from '@mantine/core';
import type { ReactNode } from 'react';
import { ShopLink } from './shop-link';

interface Props extends ButtonProps {
  readonly href: string;
  readonly children: ReactNode;
  readonly scroll?: boolean;
  readonly onClick?: () => void;
}

/** A way to another page of the shop that is as large as a button. */
export function LinkButton({ onClick, scroll = true, ...props }: Props) {
  return <Button component={ShopLink} scroll={scroll} {...(onClick ? { onClick } : {})} {...props} />;
}
