import { Box, Button, InputBase, MenuItem, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { bothDays, type Bag } from '../../../gear/bags';
import { useUnits } from '../../../gear/units';
import { oneLine, plain, withUnit } from '../../../ui/format';
import { LabelledInput } from '../../../ui/LabelledInput';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { Panel } from '../../../ui/Panel';
import { useProduction } from '../productionStore';
import { useBagAnswers } from './bagAnswers';
import { removeBag, setBag, duplicateBag } from './bagCommands';
import { kilograms, markOf, money, sumText } from './bagWords';

/** One of the four things that a glance at a bag tells. */
const Told = styled('div')(({ theme }) => ({
  minWidth: 0,
  '& dt': { fontSize: 11.5, color: theme.vars!.palette.text.secondary },
  '& dd': { margin: 0, fontSize: 15, fontWeight: 600, fontVariantNumeric: 'tabular-nums', overflowWrap: 'anywhere' },
  '& .off': { color: theme.vars!.palette.warning.main },
}));

interface BagGlanceProps {
  bag: Bag;
  index: number;
  isShown: boolean;
  onShow: () => void;
}

/** A bag at a glance: does it cover, what does it weigh, what does it cost, who has it. */
export function BagGlance({ bag, index, isShown, onShow }: BagGlanceProps) {
  const answer = useBagAnswers((s) => s.bags[bag.id]);
  const day = useBagAnswers((s) => s.days[bag.id]);
  const terms = useUnits((s) => s.terms);
  const bookings = useUnits((s) => s.bookings);
  const units = useProduction((s) => s.document.units) ?? [];
  const findings = [...(answer?.findings ?? []), ...(day?.findings ?? [])].filter((f) => f.severity !== 'note');
  const over = (about: string) => findings.some((f) => f.about === about && f.severity === 'stops');
  const booked = bookings.filter((b) => b.bagId === bag.id);
  const close = day?.shots.filter((shot) => shot.close).length ?? 0;
  const asked = (day?.shots.length ?? 0) + (day?.undone.length ?? 0);
  const told = [
    {
      what: 'Covers',
      says: day ? `${day.shots.length} of ${asked} shots${close > 0 ? `, ${close} only just` : ''}` : '…',
      off: close > 0 || (day?.undone.length ?? 0) > 0,
    },
    {
      what: bag.limits?.weightG ? `Weighs, of ${withUnit(plain(bag.limits.weightG / 1000, 2), 'kg')}` : 'Weighs',
      says: answer ? sumText(answer.totals.weightG, kilograms) : '…',
      off: over('weight'),
    },
    {
      what: bag.limits?.budget ? `To pay, of ${money(terms.currency)(bag.limits.budget)}` : 'To pay',
      says: answer ? sumText(answer.totals.toPay, money(terms.currency)) : '…',
      off: over('budget'),
    },
    {
      what: 'Who has it',
      says:
        booked.length > 0
          ? `${[...new Set(booked.map((b) => b.crewUnit))].join(', ')}: ${booked.length} of ${answer?.totals.things ?? '…'} booked`
          : 'not booked',
      off: false,
    },
  ];
  return (
    <Panel
      aria-label={`Bag ${markOf(index)}: ${bag.name}`}
      sx={{ p: 1, display: 'grid', gap: 0.75, alignContent: 'start', ...(isShown && { borderColor: 'primary.main' }) }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.75 }}>
        <Button
          variant={isShown ? 'contained' : 'outlined'}
          aria-pressed={isShown}
          aria-label={`Look at bag ${markOf(index)} by itself`}
          onClick={onShow}
          sx={{ minWidth: 40, px: 0, fontWeight: 700 }}
        >
          {markOf(index)}
        </Button>
        <InputBase
          value={bag.name}
          onChange={(event) => setBag(bag.id, { name: oneLine(event.target.value) })}
          inputProps={{ 'aria-label': 'Name of the bag', maxLength: 80 }}
          sx={{ flex: 1, minHeight: 40, fontWeight: 600, minWidth: 0 }}
        />
        <Button size="small" onClick={() => duplicateBag(bag)} title="Another bag like this one">
          Copy
        </Button>
        <Button size="small" color="inherit" onClick={() => removeBag(bag.id)} aria-label={`Delete the bag ${bag.name}`}>
          Delete
        </Button>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1.2fr) minmax(0, 1fr) minmax(0, 1fr)', gap: 0.75 }}>
        <LabelledSelect
          label="For"
          value={bag.unit ?? ''}
          onChange={(unit) => setBag(bag.id, { unit })}
          help="The unit whose shots it is for."
        >
          <MenuItem value="">all shots</MenuItem>
          {[...new Set([...units, ...(bag.unit ? [bag.unit] : [])])].map((unit) => (
            <MenuItem key={unit} value={unit}>
              {unit}
            </MenuItem>
          ))}
        </LabelledSelect>
        <Day
          label="First day"
          value={bag.firstDay ?? ''}
          onChange={(firstDay) => setBag(bag.id, bothDays(firstDay, bag.lastDay ?? '', true))}
        />
        <Day
          label="Last day"
          value={bag.lastDay ?? ''}
          onChange={(lastDay) => setBag(bag.id, bothDays(bag.firstDay ?? '', lastDay, false))}
        />
      </Box>
      <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: 'repeat(2, minmax(0, 1fr))', gap: 0.75 }}>
        {told.map(({ what, says, off }) => (
          <Told key={what}>
            <dt>{what}</dt>
            <dd className={off ? 'off' : undefined}>{says}</dd>
          </Told>
        ))}
      </Box>
      {findings.slice(0, 2).map((finding) => (
        <Typography key={finding.code + finding.about} sx={{ fontSize: 12.5, color: 'warning.main' }}>
          {finding.message}
        </Typography>
      ))}
      {findings.length > 2 && <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>and {findings.length - 2} more</Typography>}
    </Panel>
  );
}

/** A day of the calendar. */
export function Day({ label, value, onChange }: { label: string; value: string; onChange: (day: string) => void }) {
  return (
    <LabelledInput
      label={label}
      type="date"
      value={value}
      onChange={(event) => onChange(event.target.value)}
      inputProps={{ min: '2000-01-01', max: '2200-12-31' }}
    />
  );
}
