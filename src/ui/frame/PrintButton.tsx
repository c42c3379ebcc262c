'use client';
/** Print sheets: what the piece gives on paper, as a file. Where there is little room, a menu of the piece holds it with the rest. */
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { SheetKind } from '@/sheets/make-sheet';
import { useSheets } from './useSheets';

interface PrintButtonProps {
  readonly says: string;
  /** What else is in the menu. */
  readonly more?: readonly { readonly says: string; readonly onClick: () => void }[];
  /** The widths it is shown at. */
  readonly display: object;
}

export function PrintButton({ says, more = [], display }: PrintButtonProps): ReactNode {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const { busy, make, choices } = useSheets();
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    const open = () => {
      const b = button.current;
      if (b?.checkVisibility() && b.getAttribute('aria-disabled') !== 'true') setAt(b);
    };
    document.addEventListener('fond-badger:print', open);
    return () => document.removeEventListener('fond-badger:print', open);
  }, []);
  const print = (kind: SheetKind) => {
    setAt(null);
    void make(kind);
  };
  return (
    <>
      <Button
        ref={button}
        onClick={(e) => !busy && setAt(e.currentTarget)}
        aria-haspopup="menu"
        aria-expanded={at !== null}
        // Not switched off: whoever works by key would lose their place.
        aria-disabled={busy}
        sx={{ display }}
      >
        {busy ? 'Making sheets' : says}
      </Button>
      <Menu open={at !== null} anchorEl={at} onClose={() => setAt(null)}>
        {choices.map((c) => (
          <MenuItem key={c.kind} disabled={!c.there} onClick={() => print(c.kind)}>
            {c.says}
          </MenuItem>
        ))}
        {more.map((m) => (
          <MenuItem
            key={m.says}
            onClick={() => {
              setAt(null);
              m.onClick();
            }}
          >
            {m.says}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
