import { Button, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';
import { productions, type ProductionDocument } from '../../api/client';
import { useSettings } from '../../app/settings';
import { changeStored } from '../../documents/changeStored';
import { production } from '../../documents/kinds';
import { bagsOf, newBag, withThings } from '../../gear/bags';

/** Packs a thing into a bag of the production that was open last. */
export function IntoBag({ thing, name, onSaid }: { thing: string; name: string; onSaid: (say: string) => void }) {
  const last = useSettings((s) => s.lastProduction);
  const [open, setOpen] = useState<{ anchor: HTMLElement; production: string; document: ProductionDocument } | null>(null);
  if (last === null) {
    return null;
  }
  const ask = async (anchor: HTMLElement) => {
    const read = await productions.read(last);
    if (read === null || 'kind' in read) {
      onSaid(read?.say ?? 'The production that was open last is not there any more.');
    } else {
      setOpen({ anchor, production: read.name, document: read.document });
    }
  };
  const pack = async (id: string | null, bagName: string) => {
    setOpen(null);
    const failed = await changeStored(production, last, (document) => {
      const bags = bagsOf(document);
      return {
        ...document,
        bags:
          id === null
            ? [...bags, withThings(newBag(bags, bagName), [thing])]
            : bags.map((bag) => (bag.id === id ? withThings(bag, [thing]) : bag)),
      };
    });
    onSaid(failed ? failed.say : `“${name}” is packed into ${bagName}.`);
  };
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => void ask(event.currentTarget)}>
        Into a bag
      </Button>
      {open && (
        <Menu anchorEl={open.anchor} open onClose={() => setOpen(null)}>
          {bagsOf(open.document).map((bag) => (
            <MenuItem key={bag.id} onClick={() => void pack(bag.id, `${bag.name} of ${open.production}`)}>
              {bag.name} of {open.production}
            </MenuItem>
          ))}
          <MenuItem onClick={() => void pack(null, 'Bag')}>A new bag of {open.production}</MenuItem>
        </Menu>
      )}
    </>
  );
}
