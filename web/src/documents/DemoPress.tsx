import { Button } from '@mui/material';
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { setDemo, useDemo } from '../gear/demo';

type Say = (text: string, undo?: () => void) => void;

/** Puts the demo away or brings it back, and says so, with the way back. */
export async function changeDemo(isHere: boolean, queries: QueryClient, say: Say): Promise<void> {
  const outcome = await setDemo(isHere, queries);
  if ('kind' in outcome) {
    say(`${outcome.say} Nothing was changed.`);
    return;
  }
  const held = outcome.held.join(', ');
  const exception =
    held === '' ? '' : isHere ? ` Your own took these names and stay: ${held}.` : ` Kept, since your gear needs them: ${held}.`;
  say(`The demo’s gear and work are ${isHere ? 'here' : 'put away'}.${exception}`, () => void changeDemo(!isHere, queries, say));
}

/** Puts the demo's gear and work away, or brings them back. */
export function DemoPress({ onSaid }: { onSaid: Say }) {
  const demo = useDemo();
  const queries = useQueryClient();
  return (
    demo && (
      <Button
        title={
          demo.isHere
            ? demo.hasOwn
              ? 'The demo is left out of answers about your own work already; put away, it is out of all lists too'
              : 'Its gear and its saved work, as one; kept until you bring it back'
            : 'Gear, comparisons and a production to try things with'
        }
        onClick={() => void changeDemo(!demo.isHere, queries, onSaid)}
      >
        {demo.isHere ? 'Put the demo away' : 'Bring the demo'}
      </Button>
    )
  );
}
