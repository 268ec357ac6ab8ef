import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, LinearProgress, Table, TableBody, TableCell, TableRow, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { useSettings } from '../../app/settings';
import type { DayResponse, Fit, ShotInput } from '../../core/core';
import { fixed, withUnit } from '../../ui/format';
import { useAnswers } from './answers';
import { askDay, stop, useGear, type Outcome } from './fitting';
import { changeProduction, placesOf, shotsOf, useProduction } from './productionStore';
import { chosenOf } from './rigs';

type Kit = DayResponse['kits'][number];

const mostShots = 64;

/** The fewest lenses for all shots, and what the rig that is looked at does alone. */
export function DayPanel({ onClose }: { onClose: () => void }) {
  const document = useProduction((s) => s.document);
  const feet = useSettings((s) => s.feet);
  const ready = useGear((s) => s.state === 'ready');
  const picked = useAnswers((s) => s.picked);
  const [outcome, setOutcome] = useState<Outcome<DayResponse> | null>(null);
  const [progress, setProgress] = useState(0);
  const shots = shotsOf(document);

  useEffect(() => {
    if (ready && shots.length > 0 && shots.length <= mostShots) {
      const request = {
        places: placesOf(document),
        shots: shotsOf(document),
        delivery: document.delivery ?? {},
        bag: document.bag ?? null,
        rig: picked ? chosenOf(picked) : null,
      };
      askDay(request, setOutcome, setProgress);
    }
    return () => stop('day');
    // What is open behind the dialog does not change.
  }, [document, ready, picked, feet, shots.length]);

  return (
    <Dialog open onClose={onClose} aria-labelledby="day-title" maxWidth="md" fullWidth>
      <DialogTitle id="day-title">The fewest lenses for all {shots.length} shots</DialogTitle>
      <DialogContent>
        {shots.length === 0 && <Typography>There is no shot yet.</Typography>}
        {shots.length > mostShots && (
          <Typography role="alert" sx={{ color: 'warning.main' }}>
            {shots.length} shots are more than {mostShots}, the most that are looked at together. Split the production by days.
          </Typography>
        )}
        {shots.length > 0 && shots.length <= mostShots && outcome === null && (
          <LinearProgress variant="determinate" value={100 * progress} aria-label="Progress" />
        )}
        {outcome?.kind === 'refused' && (
          <Typography role="alert" sx={{ color: 'error.main' }}>
            {outcome.problems[0]!.message} {outcome.problems[0]!.mend}
          </Typography>
        )}
        {outcome?.kind === 'answered' && <Day answer={outcome.answer} shots={shots} picked={picked} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

function Day({ answer, shots, picked }: { answer: DayResponse; shots: ShotInput[]; picked: Fit | null }) {
  const numbered = (ids: string[]) => ids.map((id) => shots.findIndex((s) => s.id === id) + 1).join(', ');
  const named = (ids: string[]) => ids.map((id) => `${shots.findIndex((s) => s.id === id) + 1}. ${shots.find((s) => s.id === id)?.name ?? ''}`).join('; ');
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>
        The fewest lenses are looked for, and of as many the lightest together. Bodies are taken as they are; what joins them is told, not weighed.
      </Typography>
      {answer.impossible.length > 0 && (
        <Typography sx={{ color: 'warning.main', fontSize: 14 }}>Nothing here does {named(answer.impossible)} as it stands; open the shot to see what would help.</Typography>
      )}
      {answer.kits.map((kit, i) => (
        <KitTable key={i} kit={kit} title={titleOf(kit, i, answer)} impossible={answer.impossible} numbered={numbered} named={named} />
      ))}
      {picked && answer.ofRig.length > 0 && (
        <section aria-label="What one rig does">
          <Typography variant="h2" component="h3" sx={{ mb: 0.5 }}>
            {[picked.rig.bodyName, picked.rig.lensName].filter(Boolean).join(', ')} alone: {answer.ofRig.filter((r) => r.gives).length} of {shots.length}
          </Typography>
          <Table size="small">
            <TableBody>
              {answer.ofRig.map((r) => (
                <TableRow key={r.shot}>
                  <TableCell sx={{ width: '38%' }}>{named([r.shot])}</TableCell>
                  <TableCell sx={{ color: r.gives ? undefined : 'warning.main' }}>{r.say}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </section>
      )}
    </Box>
  );
}

function titleOf(kit: Kit, index: number, { kits }: DayResponse): string {
  const count = `${kit.lenses.length} ${kit.lenses.length === 1 ? 'lens' : 'lenses'}`;
  if (index === 0) {
    return `${count}: the fewest that do all that can be done`;
  }
  return kit.lenses.length < kits[0]!.lenses.length ? `${count}: one fewer, and what that costs` : `${count}: the next best that do the same`;
}

interface KitTableProps {
  kit: Kit;
  title: string;
  impossible: string[];
  numbered: (ids: string[]) => string;
  named: (ids: string[]) => string;
}

function KitTable({ kit, title, impossible, numbered, named }: KitTableProps) {
  const undone = kit.undone.filter((id) => !impossible.includes(id));
  const joins = [...new Set(kit.lenses.flatMap((l) => l.rigs.flatMap((r) => r.linkNames)))];
  const bodies = [...new Set(kit.lenses.flatMap((l) => l.rigs.map((r) => r.bodyName)))];
  const take = () => {
    const gear = kit.lenses.flatMap((l) => [l.lens, ...l.rigs.flatMap((r) => [r.body, ...r.links])]);
    changeProduction({ bag: [...new Set(gear)] });
  };
  return (
    <section aria-label={title}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: 1 }}>
        <Typography variant="h2" component="h3">
          {title}
        </Typography>
        <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>
          {kit.weightUnknown ? 'at least ' : ''}
          {withUnit(fixed(kit.weightG / 1000, 2), 'kg')} of lenses
        </Typography>
        <Button size="small" onClick={take} sx={{ ml: 'auto' }}>
          Choose only from this bag
        </Button>
      </Box>
      <Table size="small">
        <TableBody>
          {kit.lenses.map((lens) => (
            <TableRow key={lens.lens}>
              <TableCell sx={{ width: '38%' }}>{lens.name}</TableCell>
              <TableCell>shots {numbered(lens.shots)}</TableCell>
              <TableCell>{lens.alone.length > 0 ? `alone for ${numbered(lens.alone)}` : ''}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Typography sx={{ fontSize: 13, mt: 0.5 }}>
        On {bodies.join(', ')}
        {joins.length > 0 && ` with ${joins.join(', ')}`}.
      </Typography>
      {undone.length > 0 && <Typography sx={{ fontSize: 13, color: 'warning.main' }}>Cannot do {named(undone)}.</Typography>}
    </section>
  );
}
