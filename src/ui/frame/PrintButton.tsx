'use client';
/** Print sheets: the PDF or the cut list of this piece as a file. */
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useEffect, useRef, useState } from 'react';
import { saveSheet } from '@/desk/files';
import type { SheetKind } from '@/sheets/make-sheet';
import { say, useDesk } from '@/desk/store';

export function PrintButton() {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const [busy, setBusy] = useState(false);
  const hasFace = useDesk((s) => s.piece?.face != null);
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    const open = () => button.current?.getAttribute('aria-disabled') !== 'true' && setAt(button.current);
    document.addEventListener('fond-badger:print', open);
    return () => document.removeEventListener('fond-badger:print', open);
  }, []);
  const make = async (kind: SheetKind) => {
    setAt(null);
    const { piece, cupboard, hand, settings } = useDesk.getState();
    if (!piece) return;
    setBusy(true);
    try {
      await saveSheet(kind, { piece, cupboard, hand, settings });
    } catch (e) {
      say(e instanceof Error ? e.message : 'The sheets could not be made.');
    } finally {
      setBusy(false);
    }
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
      >
        {busy ? 'Making sheets' : 'Print sheets'}
      </Button>
      <Menu open={at !== null} anchorEl={at} onClose={() => setAt(null)}>
        <MenuItem onClick={() => void make('pdf')}>Row sheets (PDF, true scale)</MenuItem>
        <MenuItem disabled={!hasFace} onClick={() => void make('face')}>
          {hasFace ? 'Face card (PDF, true size)' : 'Face card: no face begun yet'}
        </MenuItem>
        <MenuItem onClick={() => void make('book')}>Bench book (PDF, every step)</MenuItem>
        <MenuItem onClick={() => void make('csv')}>Cut list (CSV)</MenuItem>
      </Menu>
    </>
  );
}
