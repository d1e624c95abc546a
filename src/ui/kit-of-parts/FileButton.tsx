'use client';
import Button from '@mui/material/Button';
import { useRef, type ReactNode } from 'react';

interface Props {
  /** What file it is, for those who do not see the button. */
  readonly label: string;
  readonly accept: string;
  readonly disabled?: boolean;
  readonly strong?: boolean;
  readonly onFile: (file: File) => void;
  readonly children: ReactNode;
}

/** A button that asks the device for a file. The same file can be given twice: it may have been mended between. */
export function FileButton({ label, accept, disabled = false, strong = false, onFile, children }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button
        variant={strong ? 'contained' : 'outlined'}
        {...(strong ? { color: 'secondary' as const } : {})}
        disabled={disabled}
        onClick={() => input.current?.click()}
      >
        {children}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        tabIndex={-1}
        className="ac-visually-hidden"
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          e.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}
