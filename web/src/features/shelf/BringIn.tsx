import { Alert, Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, LinearProgress, Link, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { askAgain, bringIn, type ImportResult } from '../../gear/shelfApi';
import { counted } from '../../ui/format';

const shownRows = 200;

/** Brings a file of gear in: first it is looked through, row by row; only then, all or nothing, it is written. */
export function BringIn({ onClose, onSaid }: { onClose: () => void; onSaid: (text: string) => void }) {
  const queries = useQueryClient();
  const [file, setFile] = useState<File | null>(null);
  const [result, setResult] = useState<ImportResult | null>(null);
  const [say, setSay] = useState('');
  const [busy, setBusy] = useState('');
  const stop = useRef<AbortController>(null);
  const picker = useRef<HTMLInputElement>(null);

  const ask = async (chosen: File, write: number | null) => {
    setSay('');
    setBusy(write === null ? `Looking through ${chosen.name}…` : 'Writing…');
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
      onSaid(`${outcome.added} added, ${outcome.changed} changed from ${chosen.name}.`);
      onClose();
    }
  };
  const choose = (chosen: File | undefined) => {
    if (chosen) {
      setFile(chosen);
      setResult(null);
      void ask(chosen, null);
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
          choose(event.dataTransfer.files[0]);
        }}
      >
        <Typography sx={{ fontSize: 14, color: 'text.secondary', mb: 1 }}>
          A shelf as JSON, tables as CSV (lenses.csv, bodies.csv with modes.csv …) alone or in a ZIP, or the XML database of the open-source
          lens-correction library. The file is looked through first; nothing is written until you say so. The shape of the JSON:{' '}
          <Link href="/api/shelf/schema.json" target="_blank">
            schema.json
          </Link>
          .
        </Typography>
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, flexWrap: 'wrap' }}>
          <Button variant={file ? 'outlined' : 'contained'} onClick={() => picker.current?.click()} disabled={!idle}>
            {file ? 'Choose another file' : 'Choose a file'}
          </Button>
          <input
            ref={picker}
            type="file"
            hidden
            data-testid="file"
            accept=".json,.csv,.zip,.xml"
            onChange={(event) => {
              choose(event.target.files?.[0]);
              event.target.value = '';
            }}
          />
          <Typography sx={{ fontSize: 14 }}>{file?.name ?? 'or drop it here'}</Typography>
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
          onClick={() => file && result && void ask(file, result.revision)}
        >
          {result && !nothing ? `Write ${counted(result.added + result.changed, 'thing')}` : 'Write'}
        </Button>
      </DialogActions>
    </Dialog>
  );
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
      {added + changed + refused > shownRows && (
        <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
          The first {Math.min(shownRows, rows.length)} of {added + changed + refused}; refused rows come first.
        </Typography>
      )}
    </Box>
  );
}
