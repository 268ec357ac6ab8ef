import { Alert, Button, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { askAgain, deleteGear, type SetAsideThing } from '../../gear/shelfApi';

/** Things that are stored and that this version cannot read: they take nothing else down, and are not lost. */
export function SetAside({ things }: { things: SetAsideThing[] }) {
  return things.map((thing) => <Thing key={thing.id} thing={thing} />);
}

function Thing({ thing }: { thing: SetAsideThing }) {
  const [sure, setSure] = useState(false);
  const [said, setSaid] = useState('');
  const queries = useQueryClient();
  const remove = async () => {
    const outcome = await deleteGear(thing.id);
    if (outcome && 'kind' in outcome) {
      setSaid(outcome.say);
    }
    await askAgain(queries);
  };
  return (
    <Alert
      severity="warning"
      variant="outlined"
      action={
        <>
          <Button color="inherit" component="a" href={`/api/shelf/${thing.id}/stored`} download={`${thing.name}.json`}>
            Take it out
          </Button>
          <Button color="inherit" onClick={() => (sure ? void remove() : setSure(true))} onBlur={() => setSure(false)}>
            {sure ? 'Really delete it' : 'Delete'}
          </Button>
        </>
      }
    >
      <Typography variant="body2">
        “{thing.name}” ({thing.kind}) cannot be read by this version, so it is set aside. {thing.why} {said}
      </Typography>
    </Alert>
  );
}
