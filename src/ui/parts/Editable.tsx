'use client';
/** Whether what is shown may be changed in this window: fields and buttons within it ask here, and nobody tells them one by one. */
import Button, { type ButtonProps } from '@mui/material/Button';
import { createContext, useContext, type ReactNode } from 'react';
import { useDesk } from '@/desk/store';

const May = createContext(true);

/** Everything of the piece on the desk: it may be changed as long as it can be stored. */
export function Editable({ children }: { children: ReactNode }) {
  return <May value={useDesk((s) => s.canEdit)}>{children}</May>;
}

export const useEditable = (): boolean => useContext(May);

/** A button that changes the piece. */
export function EditButton({ disabled = false, ...button }: ButtonProps) {
  const editable = useEditable();
  return <Button {...button} disabled={disabled || !editable} />;
}
