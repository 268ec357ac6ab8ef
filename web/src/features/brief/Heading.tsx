import { Box, Button, InputBase, Typography } from '@mui/material';
import { memo, useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { PastDialog } from '../../documents/PastDialog';
import { production } from '../../documents/kinds';
import { SavingWord } from '../../documents/SavingWord';
import { UndoButtons } from '../../documents/UndoButtons';
import { bagsOf, linesOf } from '../../gear/bags';
import { FormTextsContext, keptTexts } from '../../ui/formTexts';
import { hidden } from '../../ui/hidden';
import { counted, oneLine } from '../../ui/format';
import { addShot, changeProduction, rename } from './commands';
import { DayPanel } from './DayPanel';
import { ProductionPanel } from './ProductionPanel';
import { takes, takesOf } from './log/takes';
import { shotsOf, useProduction } from './productionStore';
import { productionKeeper, telling } from './saving';

const steps = { shots: 'Brief', bags: 'Bags', sheets: 'Sheets', log: 'Log' };
type Step = keyof typeof steps;

/** The head of a production: its name, its steps in the order of the job, and what belongs to all of it. */
export const Heading = memo(function Heading({ step }: { step: Step }) {
  const id = useProduction((s) => s.id);
  const name = useProduction((s) => s.name);
  const note = useProduction((s) => s.document.note ?? '');
  const [open, setOpen] = useState<'day' | 'production' | 'past' | null>(null);
  useHotkeys('n', addShot, { enabled: step === 'shots' });
  return (
    <Box component="header" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 0.5, columnGap: 1 }}>
      <Typography component="h1" sx={hidden}>
        {steps[step]}: {name}
      </Typography>
      <InputBase
        value={name}
        onChange={(event) => rename(event.target.value)}
        inputProps={{ 'aria-label': 'Name of the production', maxLength: 120 }}
        sx={{ minHeight: 40, fontSize: 18, fontWeight: 650, '& input': { fieldSizing: 'content', minWidth: 120, maxWidth: '100%' } }}
      />
      <Steps at={step} />
      {step === 'shots' && (
        <InputBase
          value={note}
          placeholder="What is it?"
          onChange={(event) => changeProduction({ note: oneLine(event.target.value) })}
          inputProps={{ 'aria-label': 'Note', maxLength: 280 }}
          sx={{ flex: { xs: '1 1 100%', md: '1 1 120px' }, minHeight: 40, color: 'text.secondary', fontSize: 13 }}
        />
      )}
      <Box
        sx={{ display: { xs: step === 'log' ? 'none' : 'flex', sm: 'flex' }, alignItems: 'center', flexWrap: 'wrap', gap: 0.5, ml: 'auto' }}
      >
        <SavingWord useDocument={useProduction} keeper={productionKeeper} />
        <UndoButtons useDocument={useProduction} />
        <Button onClick={() => setOpen('past')} title="Who changed it when; any state can be brought back">
          Before
        </Button>
        {step === 'shots' && <Button onClick={() => setOpen('day')}>Fewest things</Button>}
        <Button onClick={() => setOpen('production')}>Delivery, units, bag</Button>
        <Button component={Link} to="/work?kind=production">
          Productions
        </Button>
      </Box>
      {open === 'past' && <PastDialog {...telling} kind={production} useDocument={useProduction} onClose={() => setOpen(null)} />}
      {open === 'day' && <DayPanel onClose={() => setOpen(null)} />}
      {open === 'production' && (
        <FormTextsContext value={keptTexts(id)}>
          <ProductionPanel onClose={() => setOpen(null)} />
        </FormTextsContext>
      )}
    </Box>
  );
});

/** The steps of a production, each with what it still lacks. */
function Steps({ at }: { at: Step }) {
  const id = useProduction((s) => s.id);
  const document = useProduction((s) => s.document);
  const shots = shotsOf(document);
  const open = shots.filter((shot) => !shot.chosen).length;
  const bags = bagsOf(document);
  const sheets = document.sheets ?? [];
  const noted = takes.useRows((s) => takesOf(s.rows, id).length);
  const isKnown = takes.useRows((s) => s.state === 'ready');
  useEffect(() => void takes.refresh(), [id]);
  const empty = bags.filter((bag) => linesOf(bag).length === 0).length;
  const links = [
    {
      step: 'shots',
      to: `/brief/${id}`,
      label: 'Shots',
      lacks: shots.length === 0 ? 'none yet' : open === 0 ? 'all have a rig' : `${open} of ${shots.length} without a rig`,
    },
    {
      step: 'bags',
      to: `/brief/${id}/bags`,
      label: 'Bags',
      lacks: bags.length === 0 ? 'none packed' : empty > 0 ? `${empty} of ${bags.length} empty` : `${bags.length} packed`,
    },
    {
      step: 'sheets',
      to: `/brief/${id}/sheets`,
      label: 'Sheets',
      lacks: sheets.length === 0 ? 'none made' : counted(sheets.length, 'sheet'),
    },
    {
      step: 'log',
      to: `/brief/${id}/log`,
      label: 'Log',
      lacks: noted > 0 ? counted(noted, 'take') : isKnown ? 'no takes' : 'not known yet',
    },
  ];
  return (
    <Box component="nav" aria-label="Steps of the production" sx={{ display: 'flex', gap: 0.5 }}>
      {links.map(({ step, to, label, lacks }) => (
        <Button
          key={step}
          component={Link}
          to={to}
          variant={step === at ? 'outlined' : 'text'}
          aria-current={step === at ? 'step' : undefined}
          sx={{ display: 'grid', lineHeight: 1.15, textAlign: 'left', px: 1, py: 0.25 }}
        >
          <span>{label}</span>
          <Box component="span" sx={{ fontSize: 11, fontWeight: 400, color: 'text.secondary' }}>
            {lacks}
          </Box>
        </Button>
      ))}
    </Box>
  );
}
