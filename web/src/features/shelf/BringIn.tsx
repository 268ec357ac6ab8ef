import { Alert, Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, LinearProgress, Link, Typography } from '@mui/material';
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { askAgain, bringIn, takeImportBack, type ImportResult } from '../../gear/shelfApi';
import { counted } from '../../ui/format';

const shownRows = 200;

/** Brings a file of gear in: first it is looked through, row by row; only then, all or nothing, it is written. */
export function BringIn({ onClose, onSaid }: { onClose: () => void; onSaid: (text: string, undo?: () => void) => void }) {
  const queries = useQueryClient();
  const [files, setFiles] = useState<File[]>([]);
  const [result, setResult] = useState<ImportResult | null>(null);
  const [say, setSay] = useState('');
  const [busy, setBusy] = useState('');
  const stop = useRef<AbortController>(null);
  const picker = useRef<HTMLInputElement>(null);

  const ask = async (chosen: File[], write: number | null) => {
    setSay('');
    setBusy(write === null ? `Looking through ${named(chosen)}…` : 'Writing…');
    stop.current = new AbortController();
    const outcome = await bringIn(chosen, write, stop.current.signal);
    setBusy('');
    if ('kind' in outcome) {
      setSay(outcome.say);
      return;
    }
    setResult(outcome);
    if (outcome.written) {
      await askAgain(queries);
      onSaid(
        `${outcome.added} added, ${outcome.changed} changed from ${named(chosen)}.`,
        () => void takeBack(outcome.revision, queries, onSaid),
      );
      onClose();
    }
  };
  const choose = (chosen: FileList | null) => {
    if (chosen && chosen.length > 0) {
      const list = [...chosen];
      setFiles(list);
      setResult(null);
      void ask(list, null);
    }
  };
  const idle = busy === '';
  const nothing = result !== null && result.added + result.changed === 0;

  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="bring-in">
      <DialogTitle id="bring-in">Bring gear in</DialogTitle>
      <DialogContent
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault();
          choose(event.dataTransfer.files);
        }}
      >
        <Typography sx={{ fontSize: 14, color: 'text.secondary', mb: 1 }}>
          Tables as CSV, a shelf as JSON, a ZIP of these, or the XML database of the open-source lens-correction library; one file or
          several. What a table holds is told by its columns, and one that it lacks changes nothing. All is looked through first; nothing is
          written until you say so, and it can be taken back afterwards. The shape of the JSON:{' '}
          <Link href="/api/shelf/schema.json" target="_blank">
            schema.json
          </Link>
          .
        </Typography>
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, flexWrap: 'wrap' }}>
          <Button variant={files.length > 0 ? 'outlined' : 'contained'} onClick={() => picker.current?.click()} disabled={!idle}>
            {files.length > 0 ? 'Choose others' : 'Choose files'}
          </Button>
          <input
            ref={picker}
            type="file"
            multiple
            hidden
            data-testid="file"
            accept=".json,.csv,.zip,.xml"
            onChange={(event) => {
              choose(event.target.files);
              event.target.value = '';
            }}
          />
          <Typography sx={{ fontSize: 14 }}>{files.length > 0 ? named(files) : 'or drop them here'}</Typography>
        </Box>
        {!idle && (
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mt: 2 }}>
            <Box sx={{ flex: 1 }}>
              <Typography role="status" sx={{ fontSize: 13 }}>
                {busy}
              </Typography>
              <LinearProgress aria-label={busy} />
            </Box>
            <Button onClick={() => stop.current?.abort()}>Stop</Button>
          </Box>
        )}
        {say && (
          <Alert severity="error" variant="outlined" sx={{ mt: 2 }}>
            {say}
          </Alert>
        )}
        {result && <Found result={result} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button
          variant="contained"
          disabled={!idle || !result || result.refused > 0 || nothing}
          onClick={() => result && void ask(files, result.revision)}
        >
          {result && !nothing ? `Write ${counted(result.added + result.changed, 'thing')}` : 'Write'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const named = (files: File[]): string => (files.length === 1 ? files[0]!.name : `${files.length} files`);

/** Takes an import back, and says what stayed. */
async function takeBack(revision: number, queries: QueryClient, onSaid: (text: string) => void): Promise<void> {
  const outcome = await takeImportBack(revision);
  await askAgain(queries);
  if ('kind' in outcome) {
    onSaid(outcome.say);
    return;
  }
  const stayed = outcome.stayed.length > 0 ? ` Changed or used since, and so kept: ${outcome.stayed.slice(0, 5).join(', ')}.` : '';
  onSaid(`${counted(outcome.back, 'thing')} as before.${stayed}`);
}

function Found({ result }: { result: ImportResult }) {
  const { added, changed, same, refused, rows } = result;
  return (
    <Box sx={{ mt: 2 }}>
      <Typography role="status" sx={{ fontWeight: 650 }}>
        {added} to add, {changed} to change, {same} the same already, {refused} refused.
      </Typography>
      {refused > 0 && (
        <Typography sx={{ fontSize: 14, color: 'warning.main' }}>
          Nothing can be written while rows are refused: mend them in the file, or take them out of it.
        </Typography>
      )}
      <Box
        component="ul"
        sx={{
          listStyle: 'none',
          p: 0,
          m: 0,
          mt: 1,
          fontSize: 13.5,
          '& li': { py: 0.75, borderTop: 1, borderColor: 'divider' },
          '& small': { fontSize: 12.5, color: 'text.secondary' },
        }}
      >
        {rows.slice(0, shownRows).map((row, i) => (
          <li key={i}>
            <Box component="span" sx={{ fontWeight: 650, color: row.outcome === 'refused' ? 'warning.main' : 'text.primary' }}>
              {row.outcome}
            </Box>{' '}
            {row.kind && `${row.kind.toLowerCase()} `}
            <span style={{ overflowWrap: 'anywhere' }}>{row.name}</span> <small>{row.where}</small>
            {row.problems.map((p, at) => (
              <div key={at}>
                {p.message} <small>{p.fix}</small>
              </div>
            ))}
            {row.changes.map((c) => (
              <div key={c.field}>
                {c.field}: {c.from || 'not known'} → {c.to || 'not known'}
              </div>
            ))}
          </li>
        ))}
      </Box>
      {rows.length > shownRows && (
        <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
          The first {Math.min(shownRows, rows.length)} of {added + changed + same + refused}; refused rows come first.
        </Typography>
      )}
    </Box>
  );
}
