/** What can be printed of the piece on the desk, and making it. */
import { useState } from 'react';
import { saveSheet } from '@/desk/files';
import type { SheetKind } from '@/sheets/make-sheet';
import { say, useDesk } from '@/desk/store';

interface SheetChoice {
  readonly kind: SheetKind;
  readonly says: string;
  readonly there: boolean;
}

export function useSheets() {
  const [busy, setBusy] = useState(false);
  const hasFace = useDesk((s) => s.piece?.face != null);
  const begun = useDesk((s) => (s.piece?.log.length ?? 0) > 0);
  const make = async (kind: SheetKind) => {
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
  const choices: readonly SheetChoice[] = [
    { kind: 'pdf', says: 'Row sheets (PDF, true scale)', there: true },
    {
      kind: 'face',
      says: hasFace ? 'Face card (PDF, true size)' : 'Face card: no face begun yet',
      there: hasFace,
    },
    { kind: 'book', says: 'Bench book (PDF, every step)', there: true },
    {
      kind: 'story',
      says: begun ? 'Story of the piece (PDF)' : 'Story of the piece: nothing written down yet',
      there: begun,
    },
    { kind: 'tables', says: 'Rows one by one (PDF)', there: true },
    { kind: 'csv', says: 'Cut list (CSV)', there: true },
    { kind: 'rows', says: 'Rows one by one (CSV)', there: true },
  ];
  return { busy, make, choices };
}
