'use client';
/** A button that asks for a file; the same file can be chosen again. */
import { useRef } from 'react';
import { EditButton } from './Editable';

interface FileButtonProps {
  /** On the button. */
  readonly says: string;
  /** What the file is, for those who hear it. */
  readonly label: string;
  readonly accept: string;
  readonly disabled?: boolean;
  readonly onFile: (file: File) => void;
}

export function FileButton({ says, label, accept, disabled = false, onFile }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <EditButton disabled={disabled} onClick={() => input.current?.click()}>
        {says}
      </EditButton>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        hidden
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}
