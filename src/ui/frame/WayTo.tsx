'use client';
/** A link to another screen of the program. */
import type { ComponentProps } from 'react';
import { go } from './way';

export function WayTo({ href, onClick, ...rest }: ComponentProps<'a'> & { href: string }) {
  return (
    <a
      {...rest}
      href={href}
      onClick={(e) => {
        onClick?.(e);
        // Whoever wants it in another window gets it there.
        if (e.defaultPrevented || e.button !== 0 || e.metaKey || e.ctrlKey || e.shiftKey || e.altKey) return;
        e.preventDefault();
        go(href);
      }}
    />
  );
}
