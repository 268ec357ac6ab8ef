import { Button, type ButtonProps } from '@mui/material';
import { useRef } from 'react';

/** A button that asks for a file; the same one can be chosen twice. */
export function FileButton({
  accept,
  testId,
  onFile,
  ...button
}: { accept: string; testId: string; onFile: (file: File) => void } & Omit<ButtonProps, 'onClick'>) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...button} onClick={() => input.current?.click()} />
      <input
        ref={input}
        data-testid={testId}
        hidden
        type="file"
        accept={accept}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}
