import { Box, Button, Checkbox, LinearProgress, Typography } from '@mui/material';
import { useState } from 'react';
import { linesOf, type Bag } from '../../../gear/bags';
import { useGear } from '../../../gear/fitting';
import { fullName } from '../../../gear/gear';
import { named, saveUnit, useUnits, type GearUnit, type NamedUnit } from '../../../gear/units';
import { State, Text } from '../../../gear/UnitsOf';
import { counted } from '../../../ui/format';
import { Panel } from '../../../ui/Panel';
import { setLine } from './bagCommands';
import { kindOrder, kinds } from './bagWords';

/** The packing list: ticked off as it goes out, and as it comes back. For a thumb. */
export function PackView({ bag, mark }: { bag: Bag; mark: string }) {
  const items = useGear((s) => s.items);
  const units = useUnits((s) => s.units);
  const [way, setWay] = useState<'out' | 'back'>('out');
  const lines = [...linesOf(bag)].sort((a, b) => kindOrder(items.get(a.id)) - kindOrder(items.get(b.id)));
  const total = lines.reduce((sum, line) => sum + (way === 'out' ? (line.count ?? 1) : (line.out ?? 0)), 0);
  const done = lines.reduce((sum, line) => sum + ((way === 'out' ? line.out : line.back) ?? 0), 0);
  const shown = way === 'out' ? lines : lines.filter((line) => (line.out ?? 0) > 0);
  const tick = (id: string, count: number, out: number) =>
    setLine(bag.id, id, way === 'out' ? { out: count, back: 0 } : { back: Math.min(count, out) });
  return (
    <Panel aria-label={`Packing list of bag ${mark}`} sx={{ p: 1, maxWidth: 760, '@media print': { border: 0 } }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {bag.name}: {way === 'out' ? 'out' : 'back'}, {done} of {counted(total, 'thing')}
        </Typography>
        <Box sx={{ '@media print': { display: 'none' }, display: 'flex', gap: 0.5 }}>
          <Button variant={way === 'out' ? 'contained' : 'outlined'} aria-pressed={way === 'out'} onClick={() => setWay('out')}>
            Out
          </Button>
          <Button variant={way === 'back' ? 'contained' : 'outlined'} aria-pressed={way === 'back'} onClick={() => setWay('back')}>
            Back
          </Button>
          <Button onClick={() => window.print()}>Print</Button>
        </Box>
      </Box>
      <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>
        {[bag.unit, bag.firstDay && (bag.firstDay === bag.lastDay ? bag.firstDay : `${bag.firstDay} to ${bag.lastDay}`)]
          .filter(Boolean)
          .join(', ')}
      </Typography>
      <LinearProgress
        variant="determinate"
        value={total === 0 ? 0 : (100 * done) / total}
        aria-label={`${done} of ${total} ticked`}
        sx={{ my: 1 }}
      />
      {shown.length === 0 && (
        <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
          {way === 'out' ? 'Nothing is in the bag.' : 'Nothing has gone out.'}
        </Typography>
      )}
      {kinds.map(([kind, title]) => {
        const those = shown.filter((line) => (items.get(line.id)?.kind ?? 'bagItem') === kind);
        return (
          those.length > 0 && (
            <Box key={kind} role="group" aria-label={title}>
              <Typography sx={{ fontSize: 12.5, color: 'text.secondary', pt: 0.5 }}>{title}</Typography>
              {those.map((line) => {
                const item = items.get(line.id);
                const most = way === 'out' ? (line.count ?? 1) : (line.out ?? 0);
                const at = (way === 'out' ? line.out : line.back) ?? 0;
                const name = item ? fullName(item) : 'Something that is gone';
                const its = units.filter((unit) => unit.gearId === line.id);
                return (
                  <Box key={line.id} sx={{ borderTop: 1, borderColor: 'divider', breakInside: 'avoid' }}>
                    <Box sx={{ display: 'flex', alignItems: 'center', minHeight: 48 }}>
                      <Checkbox
                        checked={at === most && most > 0}
                        indeterminate={at > 0 && at < most}
                        onChange={() => tick(line.id, at < most ? most : 0, line.out ?? 0)}
                        slotProps={{ input: { 'aria-label': `${name}: ${way === 'out' ? 'packed' : 'back'}` } }}
                      />
                      <Typography sx={{ flex: 1, fontSize: 15.5, textDecoration: at === most && most > 0 ? 'line-through' : undefined }}>
                        {most > 1 && `${most} × `}
                        {name}
                      </Typography>
                      {most > 1 && (
                        <Box sx={{ display: 'flex', alignItems: 'center', '@media print': { display: 'none' } }}>
                          <Button
                            sx={{ minWidth: 44, minHeight: 44 }}
                            disabled={at === 0}
                            aria-label={`One less: ${name}`}
                            onClick={() => tick(line.id, at - 1, line.out ?? 0)}
                          >
                            −
                          </Button>
                          <span>
                            {at} of {most}
                          </span>
                          <Button
                            sx={{ minWidth: 44, minHeight: 44 }}
                            disabled={at === most}
                            aria-label={`One more: ${name}`}
                            onClick={() => tick(line.id, at + 1, line.out ?? 0)}
                          >
                            +
                          </Button>
                        </Box>
                      )}
                    </Box>
                    {(way === 'back' || its.some((unit) => unit.condition !== 'good')) &&
                      named(its).map((one) => <Condition key={one.unit.id} {...one} of={name} many={its.length > 1} />)}
                  </Box>
                );
              })}
            </Box>
          )
        );
      })}
    </Panel>
  );
}

/** What state a unit came back in: it is noted on the unit, and every bag says so. */
function Condition({ unit, name, of, many }: NamedUnit & { of: string; many: boolean }) {
  const [problem, setProblem] = useState('');
  const { id, revision, ...known } = unit;
  const save = (part: Partial<GearUnit>) =>
    void saveUnit(id, { ...known, ...part }, revision).then((failed) => setProblem(failed?.say ?? ''));
  const called = many ? `${of} (${name})` : of;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'end', gap: 1, pl: 5.5, pb: 0.5 }}>
      {many && <Typography sx={{ fontSize: 13.5, minWidth: 60, pb: 1 }}>{name}</Typography>}
      <Box sx={{ width: 170 }}>
        <State unit={unit} name={called} onSave={save} />
      </Box>
      {unit.condition !== 'good' && (
        <Box sx={{ flex: 1, minWidth: 160 }}>
          <Text
            label={`What is wrong with ${called}`}
            value={unit.conditionNote}
            max={500}
            onSave={(conditionNote) => save({ conditionNote })}
          />
        </Box>
      )}
      {problem && (
        <Typography role="alert" sx={{ fontSize: 13, color: 'error.main' }}>
          {problem}
        </Typography>
      )}
    </Box>
  );
}
