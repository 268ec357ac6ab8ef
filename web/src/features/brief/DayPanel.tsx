import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  Table,
  TableBody,
  TableCell,
  TableRow,
  Typography,
} from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import type { ProductionDocument } from '../../api/client';
import { useSettings } from '../../app/settings';
import type { DayRequest, DayResponse, Fit, ShotInput } from '../../core/core';
import { fixed, withUnit } from '../../ui/format';
import { gearOf, useAnswers } from './answers';
import { useProgress } from '../../core/searches';
import type { Outcome } from '../../core/searching';
import { askDay, stop, useGear } from '../../gear/fitting';
import { placesOf, shotsOf, useProduction } from './productionStore';
import { changeProduction } from './commands';
import { packAs } from './bags/bagCommands';
import { DayFilters } from './DayFilters';
import { KitGrid, some } from './KitGrid';
import { besidesOf, chosenOfSetting } from '../../gear/setRigs';
import { counts, entriesOf } from './words';

type Kit = DayResponse['kits'][number];
type Count = NonNullable<ProductionDocument['counts']>[number];

const mostShots = 64;
const usual: Count[] = ['lenses', 'bodies', 'adapters', 'weight', 'changes', 'pixels'];

/** What to take for all shots, by what the person counts, and what the rig that is looked at does alone. */
export function DayPanel({ onClose }: { onClose: () => void }) {
  const document = useProduction((s) => s.document);
  const feet = useSettings((s) => s.feet);
  const ready = useGear((s) => s.state === 'ready');
  const picked = useAnswers((s) => s.picked);
  const [outcome, setOutcome] = useState<Outcome<DayResponse> | null>(null);
  const progress = useProgress((s) => s['day'] ?? 0);
  const shots = shotsOf(document);

  const request = useMemo(
    (): DayRequest | null =>
      ready && shotsOf(document).length > 0 && shotsOf(document).length <= mostShots
        ? {
            locations: placesOf(document),
            shots: shotsOf(document),
            delivery: document.delivery ?? {},
            ...gearOf(document),
            counts: document.counts ?? [],
            rig: picked ? chosenOfSetting(picked) : null,
          }
        : null,
    [document, ready, picked],
  );

  useEffect(() => {
    if (request) {
      useProgress.setState({ day: 0 });
      void askDay(request, setOutcome);
    }
    return () => stop('day');
    // What is open behind the dialog does not change.
  }, [request, feet]);

  return (
    <Dialog open onClose={onClose} aria-labelledby="day-title" maxWidth="md" fullWidth>
      <DialogTitle id="day-title">The fewest things for {shots.length === 1 ? 'one shot' : `all ${shots.length} shots`}</DialogTitle>
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
            {outcome.problems[0]!.message} {outcome.problems[0]!.fix}
          </Typography>
        )}
        {outcome?.kind === 'answered' && (
          <Day answer={outcome.answer} shots={shots} picked={picked} order={document.counts ?? []} request={request} />
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

/** What there should be least of: a press puts it first, and the others follow as they were. */
function Counts({ order }: { order: Count[] }) {
  const all = [...new Set([...order, ...usual])];
  const words = Object.fromEntries(entriesOf(counts)) as Record<Count, string>;
  return (
    <Box role="group" aria-label="What counts" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 0.5 }}>
      <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>Least of, first to last:</Typography>
      {all.map((count, i) => (
        <Button
          key={count}
          size="small"
          variant={i === 0 ? 'outlined' : 'text'}
          aria-pressed={i === 0}
          onClick={() => changeProduction({ counts: [count, ...all.filter((other) => other !== count)] })}
        >
          {i + 1} {words[count]}
        </Button>
      ))}
    </Box>
  );
}

interface DayProps {
  answer: DayResponse;
  shots: ShotInput[];
  picked: Fit | null;
  order: Count[];
  request: DayRequest | null;
}

function Day({ answer, shots, picked, order, request }: DayProps) {
  const named = (ids: string[]) =>
    ids.map((id) => `${shots.findIndex((s) => s.id === id) + 1}. ${shots.find((s) => s.id === id)?.name ?? ''}`).join('; ');
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 2 }}>
      <Counts order={order} />
      <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>
        Bodies, lenses and what joins them are counted and weighed; a camera that keeps its lens is a body. A change is a shot with another
        rig than the one before it.
        {!answer.isProven && ' The search ended before it was proven that nothing is better than the first.'}
      </Typography>
      {answer.impossible.length > 0 && (
        <Typography sx={{ color: 'warning.main', fontSize: 14 }}>
          Nothing here does {named(answer.impossible)} as it stands; open the shot to see what would help.
        </Typography>
      )}
      {answer.kits.map((kit, i) => (
        <KitTable key={i} kit={kit} shots={shots} title={titleOf(kit, i, answer)} impossible={answer.impossible} named={named} />
      ))}
      {request && <DayFilters request={request} shots={shots} named={named} />}
      {picked && answer.ofRig.length > 0 && (
        <section aria-label="What one rig does">
          <Typography variant="h2" component="h3" sx={{ mb: 0.5 }}>
            {[picked.rig.bodyName, picked.rig.lensName].filter(Boolean).join(', ')} alone: {answer.ofRig.filter((r) => r.gives).length} of{' '}
            {shots.length}
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

function titleOf({ bodies, lenses, adapters, undone }: Kit, index: number, { impossible }: DayResponse): string {
  const what = [
    some(bodies.length, 'body', 'bodies'),
    some(lenses.length, 'lens', 'lenses'),
    ...(adapters.length > 0 ? [some(adapters.length, 'adapter', 'adapters')] : []),
  ].join(', ');
  return index === 0
    ? `${what}: the best by what counts`
    : undone.length > impossible.length
      ? `${what}: one shot fewer, and what that saves`
      : `${what}: the next best`;
}

interface KitTableProps {
  kit: Kit;
  shots: ShotInput[];
  title: string;
  impossible: string[];
  named: (ids: string[]) => string;
}

function KitTable({ kit, shots, title, impossible, named }: KitTableProps) {
  const [open, setOpen] = useState(false);
  const undone = kit.undone.filter((id) => !impossible.includes(id));
  const items = [...kit.bodies, ...kit.lenses, ...kit.adapters];
  const close = kit.shots.filter((s) => s.close).map((s) => s.shot);
  const enlarged = kit.shots.filter((s) => !s.fills).map((s) => s.shot);
  return (
    <section aria-label={title}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: 1 }}>
        <Typography variant="h2" component="h3">
          {title}
        </Typography>
        <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>
          {withUnit(fixed(kit.weightG / 1000, 2), 'kg')}
          {kit.weightsUnknown > 0 && ` and ${kit.weightsUnknown} of unknown weight`}, {some(kit.changes, 'change', 'changes')}
        </Typography>
        <Box sx={{ ml: 'auto', display: 'flex', gap: 0.5 }}>
          <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'Things' : 'Shot by shot'}
          </Button>
          <Button
            size="small"
            onClick={() =>
              packAs(
                title,
                items.map((i) => i.item),
                true,
              )
            }
          >
            Choose only from this bag
          </Button>
        </Box>
      </Box>
      {open ? (
        <Table size="small">
          <TableBody>
            {kit.shots.map((s) => (
              <TableRow key={s.shot}>
                <TableCell sx={{ width: '38%' }}>{named([s.shot])}</TableCell>
                <TableCell>{[s.rig.bodyName, s.rig.lensName].filter(Boolean).join(', ')}</TableCell>
                <TableCell>
                  {besidesOf(s.rig)}
                  {s.close && (
                    <Box sx={{ color: 'warning.main' }}>
                      {s.close.say}. {s.close.fix}
                    </Box>
                  )}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      ) : (
        <KitGrid items={items} shots={shots} undone={kit.undone} />
      )}
      {close.length > 0 && (
        <Typography sx={{ fontSize: 13, color: 'warning.main' }}>Only just, and perhaps not: {named(close)}.</Typography>
      )}
      {enlarged.length > 0 && (
        <Typography sx={{ fontSize: 13, color: 'warning.main' }}>Too few pixels for delivery in {named(enlarged)}.</Typography>
      )}
      {undone.length > 0 && <Typography sx={{ fontSize: 13, color: 'warning.main' }}>Cannot do {named(undone)}.</Typography>}
    </section>
  );
}
