import { Button, Typography } from '@mui/material';
import { when } from '../ui/format';
import type { Saving } from './saving';

/** The quiet word that says where saving stands. */
export function SavingWord({ saving, nameless, save }: { saving: Saving<unknown>; nameless: boolean; save: () => Promise<void> }) {
  const loud = saving.kind === 'away' || saving.kind === 'refused' || saving.kind === 'held';
  return (
    <>
      <Typography
        variant="body2"
        role="status"
        title={saving.kind === 'away' ? saving.say : undefined}
        sx={{ color: loud ? 'warning.main' : 'text.secondary', minWidth: 0, maxWidth: { xs: '100%', md: 380 } }}
      >
        {text()}
      </Typography>
      {saving.kind === 'away' && (
        <Button size="small" onClick={() => void save()}>
          Try now
        </Button>
      )}
    </>
  );

  function text(): string {
    switch (saving.kind) {
      case 'saved':
        return saving.at ? `Saved ${when(saving.at)}` : 'Saved';
      case 'unsaved':
      case 'saving':
        return 'Saving…';
      case 'held':
        return nameless ? 'Not saved: give it a name' : 'Not saved: mend the marked field';
      case 'away':
        return 'Cannot save now; kept here, saved when the database is back';
      case 'refused':
        return `Not saved: ${saving.say}`;
      case 'conflict':
        return 'Not saved: someone else changed it';
    }
  }
}
