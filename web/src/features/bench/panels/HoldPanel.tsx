import { Box, Button, Checkbox, FormControlLabel, IconButton, Switch, Typography } from '@mui/material';
import { useShallow } from 'zustand/react/shallow';
import { DownIcon, UpIcon } from '../../../ui/icons';
import { RigMark, rigLetter } from '../../../ui/RigMark';
import { useBench, yardstickOf } from '../benchStore';
import { bringToYardstick, setHold } from '../commands';
import { givingOrder, holdOf, type ExposureControl, type Hold } from '../holding';
import { Section } from './RigPanel';
import { SidePanel } from './SidePanel';

type Thing = 'place' | 'framing' | 'blur' | 'light';

const things: [Thing, string, string][] = [
  ['place', 'Place', 'Camera and subject stay where they are.'],
  [
    'framing',
    'Framing',
    'The height of the picture at the subject stays: the camera moves, or, where the place is held or a hand moves the camera, the lens zooms.',
  ],
  ['blur', 'Blur behind', 'The blur of the background stays, as a share of the picture’s height: the aperture follows.'],
  ['light', 'Light', 'The exposure stays: what is free gives way, in the order below; what is pinned stays.'],
];

/** What is held after one thing is pressed: the place is let go for a framing, and comes back when nothing else is held in its stead. */
function pressed(hold: Hold, thing: Thing, on: boolean): Hold {
  const next = { ...hold, [thing]: on };
  if (thing === 'framing') {
    return { ...next, place: !on };
  }
  return { ...next, place: next.place || !next.framing };
}

const controls: Record<ExposureControl, string> = {
  filter: 'Filter',
  sensitivity: 'Sensitivity',
  shutter: 'Shutter',
  aperture: 'Aperture',
};

/** In which order settings give way; what is left of one is taken by the next. */
function GivingOrder({ hold }: { hold: Hold }) {
  const order = givingOrder(hold);
  const move = (at: number, by: number) => setHold({ ...hold, lightGives: order.toSpliced(at, 1).toSpliced(at + by, 0, order[at]!) });
  return (
    <Box component="ol" aria-label="What gives for the light" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {order.map((control, i) => (
        <Box component="li" key={control} sx={{ display: 'flex', alignItems: 'center', fontSize: 14, minHeight: 40 }}>
          <Box sx={{ width: 24, color: 'text.secondary' }}>{i + 1}</Box>
          <Box sx={{ flex: 1 }}>{controls[control]}</Box>
          <IconButton aria-label={`${controls[control]} gives earlier`} disabled={i === 0} onClick={() => move(i, -1)}>
            <UpIcon fontSize="small" />
          </IconButton>
          <IconButton aria-label={`${controls[control]} gives later`} disabled={i === order.length - 1} onClick={() => move(i, 1)}>
            <DownIcon fontSize="small" />
          </IconButton>
        </Box>
      ))}
    </Box>
  );
}

/** What stays equal while something changes, and what all rigs can be brought to at once. */
export function HoldPanel() {
  const hold = useBench(useShallow((s) => holdOf(s.document)));
  const yardstick = useBench((s) => yardstickOf(s.document.setup));
  const count = useBench((s) => s.document.setup.rigs.length);
  const notes = useBench((s) => s.holdNotes);
  const makeAlike = (alike: boolean) => {
    setHold({ ...hold, alike });
    if (alike) bringToYardstick(hold);
  };
  const bring = (label: string, what: Partial<Hold>) => (
    <Button key={label} variant="outlined" size="small" sx={{ minHeight: 40 }} onClick={() => bringToYardstick(what)}>
      {label}
    </Button>
  );
  return (
    <SidePanel title="Hold">
      <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
        What stays equal while you change something. What you move yourself is never moved back.
      </Typography>
      {things.map(([thing, name, sentence]) => (
        <FormControlLabel
          key={thing}
          sx={{ alignItems: 'flex-start', mr: 0, mt: 0.5 }}
          control={
            <Checkbox
              checked={hold[thing]}
              disabled={thing === 'place' && !hold.framing}
              onChange={(_, on) => setHold(pressed(hold, thing, on))}
              slotProps={{ input: { 'aria-label': name } }}
            />
          }
          label={
            <Box sx={{ pt: 1 }}>
              <Box sx={{ fontWeight: 650, fontSize: 14, lineHeight: 1.3 }}>{name}</Box>
              <Box sx={{ fontSize: 12.5, lineHeight: 1.35, color: 'text.secondary' }}>{sentence}</Box>
            </Box>
          }
        />
      ))}
      <Section title="What gives for the light">
        <GivingOrder hold={hold} />
      </Section>
      {count > 1 && (
        <>
          <FormControlLabel
            sx={{ mt: 1, minHeight: 40 }}
            control={<Switch checked={hold.alike} onChange={(_, on) => makeAlike(on)} />}
            label="All rigs alike: the others follow the one you change"
            slotProps={{ typography: { sx: { fontSize: 13.5 } } }}
          />
          <Section title={`Give all the yardstick’s, rig ${rigLetter(yardstick)}’s, once`}>
            <Box sx={{ display: 'grid', gap: 0.75, gridTemplateColumns: '1fr 1fr' }}>
              {bring('Framing, by moving', { framing: true })}
              {bring('Framing, by zooming', { place: true, framing: true })}
              {bring('Blur behind', { blur: true })}
              {bring('Light', { light: true })}
            </Box>
          </Section>
        </>
      )}
      {notes.some((of) => of.length > 0) && (
        <Section title="What gave in the last change">
          {notes.map(
            (of, rig) =>
              of.length > 0 && (
                <Box
                  key={rig}
                  sx={{
                    display: 'grid',
                    gridTemplateColumns: '28px 1fr',
                    gap: 0.5,
                    py: 1,
                    borderTop: 1,
                    borderColor: 'divider',
                    fontSize: 14,
                  }}
                >
                  <RigMark index={rig} size={22} />
                  <div>
                    {of.map((note) => (
                      <Box key={note.message} sx={{ color: note.outcome === 'followed' ? undefined : 'warning.main' }}>
                        {note.message}
                        {note.fix && <Box sx={{ color: 'text.secondary', fontSize: 13 }}>{note.fix}</Box>}
                      </Box>
                    ))}
                  </div>
                </Box>
              ),
          )}
        </Section>
      )}
    </SidePanel>
  );
}
