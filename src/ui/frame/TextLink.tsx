'use client';
/** A link within the app that looks like a link. */
import MuiLink from '@mui/material/Link';
import type { ReactNode } from 'react';
import { WayTo } from './WayTo';

export function TextLink({ href, children }: { href: string; children: ReactNode }) {
  return (
    <MuiLink component={WayTo} href={href} sx={{ color: 'primary.main', fontWeight: 600 }}>
      {children}
    </MuiLink>
  );
}
