import { Button } from '@mui/material';
import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { startWork, type Kind } from './outbox';
import { readWorkFile } from './workFile';

/** Takes up a file that was taken out elsewhere, as new work. */
export function BringInFile<D>({ kind, address, tell }: { kind: Kind<D>; address: string; tell: (text: string) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const bring = async (file: File) => {
    const read = await readWorkFile<D>(kind.kind, file);
    const document = typeof read === 'string' ? null : await kind.upgraded(read.document);
    if (typeof read === 'string') {
      tell(read);
    } else if (document === null) {
      tell(`${file.name} is of a shape that this version does not read.`);
    } else {
      const id = await startWork(kind, { name: read.name, document });
      void navigate(`${address}/${id}`);
    }
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        hidden
        aria-label="A file to bring in"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void bring(file);
        }}
      />
      <Button onClick={() => input.current?.click()}>Bring in a file</Button>
    </>
  );
}
