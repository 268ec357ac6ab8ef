import { Button, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';
import { bagsOf, countOf } from '../../../gear/bags';
import { useProduction } from '../productionStore';
import { addThings, packAs } from './bagCommands';

/** Packs things into one of the production's bags, or into a new one. */
export function IntoBag({ things, name }: { things: string[]; name: string }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const document = useProduction((s) => s.document);
  const [packed, setPacked] = useState('');
  const into = (pack: () => void, say: string) => () => {
    pack();
    setPacked(say);
    setAnchor(null);
  };
  return (
    <>
      <Button size="small" aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        {packed || 'Into a bag'}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {bagsOf(document).map((bag) => (
          <MenuItem
            key={bag.id}
            disabled={things.every((id) => countOf(bag, id) > 0)}
            onClick={into(() => addThings(bag.id, things), `Packed into ${bag.name}`)}
          >
            {bag.name}
          </MenuItem>
        ))}
        <MenuItem onClick={into(() => void packAs(name, things), 'Packed')}>A new bag</MenuItem>
      </Menu>
    </>
  );
}
