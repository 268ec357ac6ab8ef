import { Alert, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Draft } from './drafts';
import { throwAway, useOutbox } from './outbox';
import { takeOut } from './workFile';

/** Work of one kind that this browser has and the server has not: where it stands, and what can be done about it. */
export function UnsavedWork({ kind, address }: { kind: string; address: string }) {
  const waiting = useOutbox((s) => s.waiting);
  return waiting
    .filter((draft) => draft.kind === kind)
    .map((draft) => <Row key={`${draft.id} ${draft.tab}`} draft={draft} address={address} />);
}

function Row({ draft, address }: { draft: Draft<unknown>; address: string }) {
  const [sure, setSure] = useState(false);
  return (
    <Alert
      severity={draft.conflicts || draft.refused ? 'warning' : 'info'}
      variant="outlined"
      sx={{ mb: 1, flexWrap: 'wrap' }}
      action={
        <>
          <Button color="inherit" component={Link} to={`${address}/${draft.id}`}>
            Open
          </Button>
          <Button color="inherit" onClick={() => takeOut(draft.kind, draft)}>
            Take out as a file
          </Button>
          <Button color="inherit" onClick={() => (sure ? void throwAway(draft) : setSure(true))} onBlur={() => setSure(false)}>
            {sure ? 'Really throw it away' : 'Throw away'}
          </Button>
        </>
      }
    >
      <Typography variant="body2">
        “{draft.name || 'Without a name'}” has changes that are not saved yet.{' '}
        {draft.conflicts
          ? 'Somebody else changed it too: open it and choose.'
          : draft.refused || 'They are kept in this browser and go by themselves when the server is back.'}
      </Typography>
    </Alert>
  );
}
