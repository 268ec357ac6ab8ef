import { Button, Typography } from '@mui/material';
import { when } from '../ui/format';
import type { Saving } from './documentStore';
import type { DocumentHook } from './editing';
import type { Keeper } from './saving';
import { takeOut } from './workFile';

/** The quiet word that says where saving stands, and what can be done where it does not go on by itself. */
export function SavingWord<D>({ useDocument, keeper }: { useDocument: DocumentHook<D>; keeper: Keeper<D> }) {
  const saving = useDocument((s) => s.saving);
  const nameless = useDocument((s) => s.name.trim() === '');
  const cannotKeep = useDocument((s) => s.cannotKeep) && saving.kind !== 'saved';
  const stuck = saving.kind === 'away' || saving.kind === 'refused' || saving.kind === 'held';
  return (
    <>
      <Typography
        variant="body2"
        role="status"
        title={saving.kind === 'away' ? saving.say : undefined}
        sx={{ color: stuck || cannotKeep ? 'warning.main' : 'text.secondary', minWidth: 0, maxWidth: { xs: '100%', md: 380 } }}
      >
        {wordOf(saving, nameless)}
        {cannotKeep && '. This browser has no room to keep it: take it out as a file before you close the page.'}
      </Typography>
      {(saving.kind === 'away' || saving.kind === 'refused') && (
        <Button size="small" onClick={() => void keeper.save()}>
          Try now
        </Button>
      )}
      {((stuck && saving.kind !== 'held') || cannotKeep) && (
        <Button size="small" onClick={() => takeOut(keeper.kind, useDocument.getState())}>
          Take out as a file
        </Button>
      )}
    </>
  );
}

function wordOf(saving: Saving<unknown>, nameless: boolean): string {
  switch (saving.kind) {
    case 'saved':
      return saving.at ? `Saved ${when(saving.at)}` : 'Saved';
    case 'unsaved':
    case 'saving':
      return 'Saving…';
    case 'held':
      return nameless ? 'Not saved: give it a name' : 'Not saved: mend the marked field';
    case 'away':
      return 'Cannot save now; saved when the database is back';
    case 'refused':
      return `Not saved: ${saving.say}`;
    case 'conflict':
      return 'Not saved: someone else changed it';
  }
}
