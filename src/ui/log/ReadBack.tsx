'use client';
/** A log read back from CSV: what came of it, or which line says what nobody can take; then nothing was changed. */
import Box from '@mui/material/Box';
import { allRight } from '@/desk/put-right';
import { useDesk } from '@/desk/store';
import { readLogCsv } from '@/sheets/read-log-csv';
import { EditButton } from '@/ui/parts/Editable';
import { BarNote } from '@/ui/parts/Panel';

export interface ReadBack {
  readonly says: string;
  readonly problems: readonly string[];
}

const LARGEST = 20 * 1024 * 1024;
const many = (n: number, one: string): string => `${n} ${n === 1 ? one : `${one.replace(/y$/, 'ie')}s`}`;

export async function readBack(file: File): Promise<ReadBack | null> {
  if (file.size > LARGEST) return { says: `${file.name} is larger than 20 MB; a log is far smaller.`, problems: [] };
  const text = await file.text();
  const { piece, cupboard } = useDesk.getState();
  if (!piece) return null;
  const r = readLogCsv(text, piece, cupboard, Date.now());
  if (!r.ok) return { says: `Nothing was taken from ${file.name}.`, problems: r.problems };
  allRight(r.fixes, r.added);
  return {
    says: `From ${file.name}: ${many(r.fixes.length, 'entry')} put right, ${many(r.added.length, 'entry')} written down anew, ${r.same} as they were. Undo takes all of it back.`,
    problems: [],
  };
}

export function WhatWasRead({ read, onClose }: { read: ReadBack | null; onClose: () => void }) {
  if (!read) return null;
  return (
    <BarNote of={read.problems.length > 0 ? 'error' : 'warning'} role="status">
      {read.says}
      {read.problems.length > 0 && (
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {read.problems.map((p) => (
            <li key={p}>{p}</li>
          ))}
        </Box>
      )}
      <EditButton variant="text" onClick={onClose}>
        Close
      </EditButton>
    </BarNote>
  );
}
