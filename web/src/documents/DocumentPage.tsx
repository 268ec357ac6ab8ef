import { Alert, Box, Button, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Works } from '../api/client';
import { PageMessage } from '../ui/PageMessage';
import { useOpened, type DocumentHook } from './editing';
import type { Keeper } from './saving';

interface DocumentPageProps<D> {
  id: string;
  /** What it is called: comparison, production. */
  word: string;
  useDocument: DocumentHook<D>;
  keeper: Keeper<D>;
  /** Where all of them are listed, and how that is said. */
  all: { to: string; label: string };
  /** What else can be done when it cannot be opened. */
  otherwise?: ReactNode;
  children: ReactNode;
}

/** The page of one document: opens it, saves it, and says what to do where it cannot be opened. */
export function DocumentPage<D>({ id, word, useDocument, keeper, all, otherwise, children }: DocumentPageProps<D>) {
  const { opened, failure, tryAgain } = useOpened(useDocument, keeper, id);
  if (failure) {
    return (
      <PageMessage title={failure.kind === 'missing' ? `No such ${word}` : `This ${word} cannot be opened now`} text={failure.say}>
        <Button variant="contained" component={Link} to={all.to}>
          {all.label}
        </Button>
        {failure.kind === 'away' && <Button onClick={tryAgain}>Try again</Button>}
        {failure.kind === 'away' && otherwise}
      </PageMessage>
    );
  }
  return opened ? children : <PageMessage title="Opening…" text="The core is starting in your browser." />;
}

interface DeletedNoticeProps<D> {
  word: string;
  works: Works<D>;
  useDocument: DocumentHook<D>;
  keeper: Keeper<D>;
}

/** Says that what is looked at was deleted, and brings it back. */
export function DeletedNotice<D>({ word, works, useDocument, keeper }: DeletedNoticeProps<D>) {
  const id = useDocument((s) => s.id);
  const deleted = useDocument((s) => s.base?.deletedAt != null);
  const restore = async () => {
    if ((await works.setDeleted(id, false)) === null) {
      await keeper.open(id);
    }
  };
  return (
    deleted && (
      <Box>
        <Alert
          severity="warning"
          variant="outlined"
          action={
            <Button color="inherit" onClick={() => void restore()}>
              Restore it
            </Button>
          }
        >
          <Typography variant="body2">This {word} was deleted. You can look at it; changing it brings it back.</Typography>
        </Alert>
      </Box>
    )
  );
}
