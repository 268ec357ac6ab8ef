import { Box, Button, Checkbox, FormControlLabel, MenuItem, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { GearItem } from '../../core/core';
import { leftOutFor, useDemoSet } from '../../gear/demo';
import { fullName } from '../../gear/gear';
import { counted } from '../../ui/format';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { hasWords } from '../../ui/words';
import { bagsOf, chosenGear, withOnly } from '../../gear/bags';
import { changeChosen, chooseFrom, packAs } from './bags/bagCommands';
import { useGear } from '../../gear/fitting';
import { useProduction } from './productionStore';

const chosenKinds: [string, string][] = [
  ['body', 'Bodies'],
  ['fixedLensCamera', 'Cameras with their lens'],
  ['lens', 'Lenses'],
  ['adapter', 'Adapters'],
];

const shelf = 'shelf';
const another = 'another';
const setBag = (ids: string[]) => changeChosen((bag) => withOnly(bag, ids));

/** The gear to choose from: the whole shelf, or what is ticked. */
export function Bag() {
  const document = useProduction((s) => s.document);
  const bag = chosenGear(document);
  const work = useProduction((s) => s.id);
  const demo = useDemoSet((s) => s.demo);
  const items = useGear((s) => s.items);
  const [typed, setTyped] = useState('');
  const leftOut = new Set(leftOutFor(demo, work, null));
  const everything = [...items.values()];
  const all = everything.filter((item) => chosenKinds.some(([kind]) => kind === item.kind));
  const besides = bag?.filter((id) => all.every((item) => item.id !== id)) ?? [];
  const shown = all.filter((item) => hasWords(fullName(item), typed));
  const ours = everything.filter((item) => !leftOut.has(item.id) && (item.ownership === undefined || item.ownership === 'own'));
  return (
    <Box component="section" aria-label="Gear to choose from">
      <LabelledSelect
        label="Gear to choose from"
        help="The whole shelf, or what is in a bag."
        value={document.chooseFrom ?? shelf}
        onChange={(value) =>
          value === another
            ? packAs(
                'Gear to choose from',
                ours.map((item) => item.id),
                true,
              )
            : chooseFrom(value === shelf ? null : value)
        }
      >
        <MenuItem value={shelf}>{leftOut.size > 0 ? 'The whole shelf, without the demo’s' : 'The whole shelf'}</MenuItem>
        {bagsOf(document).map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.name}
          </MenuItem>
        ))}
        <MenuItem value={another}>Only what is ticked: another bag</MenuItem>
      </LabelledSelect>
      {bag !== null && (
        <>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1, mt: 1 }}>
            <Typography role="status" sx={{ fontSize: 13.5, flex: 1 }}>
              {counted(all.filter((item) => bag.includes(item.id)).length, 'thing')} of {all.length} ticked
            </Typography>
            <Button onClick={() => setBag(besides)}>None</Button>
            <Button onClick={() => setBag([...besides, ...all.map((item) => item.id)])}>All</Button>
          </Box>
          <TextField
            size="small"
            type="search"
            placeholder="Find by name"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            slotProps={{ htmlInput: { 'aria-label': 'Find gear by name', maxLength: 200 } }}
            fullWidth
          />
          {chosenKinds.map(([kind, title]) => (
            <Kind key={kind} title={title} items={shown.filter((item) => item.kind === kind)} bag={bag} demo={leftOut} />
          ))}
        </>
      )}
    </Box>
  );
}

function Kind({ title, items, bag, demo }: { title: string; items: GearItem[]; bag: string[]; demo: ReadonlySet<string> }) {
  if (items.length === 0) {
    return null;
  }
  const ids = items.map((item) => item.id);
  const others = bag.filter((id) => !ids.includes(id));
  return (
    <Box role="group" aria-label={title} sx={{ mt: 1 }}>
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography sx={{ fontSize: 13, color: 'text.secondary', flex: 1 }}>{title}</Typography>
        <Button size="small" aria-label={`No ${title.toLowerCase()}`} onClick={() => setBag(others)}>
          None
        </Button>
        <Button size="small" aria-label={`All ${title.toLowerCase()}`} onClick={() => setBag([...others, ...ids])}>
          All
        </Button>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
        {items
          .sort((a, b) => fullName(a).localeCompare(fullName(b), 'en', { numeric: true }))
          .map((item) => (
            <Box
              key={item.id}
              sx={{ display: 'flex', alignItems: 'center', '& > button': { opacity: 0.75 }, '&:hover > button': { opacity: 1 } }}
            >
              <FormControlLabel
                label={demo.has(item.id) ? `${fullName(item)} · demo` : fullName(item)}
                control={
                  <Checkbox
                    size="small"
                    checked={bag.includes(item.id)}
                    onChange={(event) => setBag(event.target.checked ? [...bag, item.id] : bag.filter((id) => id !== item.id))}
                  />
                }
                sx={{ flex: 1, minWidth: 0, '& .MuiFormControlLabel-label': { fontSize: 14, overflowWrap: 'anywhere' } }}
              />
              <Button size="small" sx={{ minWidth: 0 }} aria-label={`Only ${fullName(item)}`} onClick={() => setBag([...others, item.id])}>
                Only
              </Button>
            </Box>
          ))}
      </Box>
    </Box>
  );
}
