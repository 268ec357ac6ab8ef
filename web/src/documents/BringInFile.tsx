import { Button } from '@mui/material';
import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { startWork, type Kind } from './outbox';
import { readWorkFile } from './workFile';

interface BringInFileProps {
  /** The kinds that are taken up, and where one of each is looked at. */
  places: { kind: Kind<never>; address: string }[];
  tell: (text: string) => void;
}

/** Takes up a file that was taken out elsewhere, as new work. */
export function BringInFile({ places, tell }: BringInFileProps) {
  const input = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const bring = async (file: File) => {
    const read = await readWorkFile(file);
    const place = typeof read === 'string' ? undefined : places.find(({ kind }) => kind.kind === read.kind);
    const document: unknown = typeof read === 'string' || !place ? null : await place.kind.upgraded(read.document as never);
    if (typeof read === 'string') {
      tell(read);
    } else if (!place || document === null) {
      tell(`${file.name} is of a shape that this version does not read.`);
    } else {
      const id = await startWork(place.kind, { name: read.name, document: document as never });
      void navigate(`${place.address}/${id}`);
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
