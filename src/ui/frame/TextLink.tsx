'use client';
/** A link within the app that looks like a link. */
import MuiLink from '@mui/material/Link';
import Link from 'next/link';
import type { ReactNode } from 'react';

export function TextLink({ href, children }: { href: string; children: ReactNode }) {
  return (
    <MuiLink component={Link} href={href} sx={{ color: 'primary.main', fontWeight: 600 }}>
      {children}
    </MuiLink>
  );
}
