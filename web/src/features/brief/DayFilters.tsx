import { Box, Button, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import type { DayRequest, FilterDayResponse, ShotInput } from '../../core/core';
import type { Outcome } from '../../core/searching';
import { money } from '../../ui/figureText';
import { fixed, stops as stopsText, withUnit } from '../../ui/format';
import { askFilters } from '../../gear/fitting';
import { KitGrid, some } from './KitGrid';

type Kit = FilterDayResponse['kits'][number];

const titles: Record<Kit['kind'], string> = { fewest: 'the fewest', nextBest: 'the next best', fixedOnly: 'without a variable one' };

interface DayFiltersProps {
  request: DayRequest;
  shots: ShotInput[];
  named: (ids: string[]) => string;
}

/** The filters and rings for all shots with the rigs that are chosen for them. */
export function DayFilters({ request, shots, named }: DayFiltersProps) {
  const [outcome, setOutcome] = useState<Outcome<FilterDayResponse> | null>(null);
  useEffect(() => void askFilters(request, setOutcome), [request]);
  if (outcome?.kind !== 'answered') {
    return null;
  }
  const { kits, needNone, withoutRig, unlit, impossible, isProven } = outcome.answer;
  const say = (ids: string[], what: string) => ids.length > 0 && <li>{`${what}: ${named(ids)}.`}</li>;
  return (
    <section aria-label="Filters for the day">
      <Typography variant="h2" component="h3">
        Filters for the day
      </Typography>
      <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>
        The fewest filters and rings that serve all shots with the rigs that are chosen for them. What a filter takes too much the
        sensitivity makes up, as far as is accepted.
        {!isProven && ' The search ended before it was proven that nothing is better than the first.'}
      </Typography>
      <Box component="ul" sx={{ fontSize: 13.5, m: 0, pl: 2.5 }}>
        {say(impossible, 'No filter of the shelf serves')}
        {say(withoutRig, 'No rig is chosen that gives')}
        {say(unlit, 'How bright it is is not known of')}
        {say(needNone, 'Right without a filter')}
      </Box>
      {kits.map((kit) => (
        <FilterKit key={kit.kind} kit={kit} shots={shots} named={named} />
      ))}
    </section>
  );
}

function FilterKit({ kit, shots, named }: { kit: Kit; shots: ShotInput[]; named: (ids: string[]) => string }) {
  const [open, setOpen] = useState(false);
  const { filters, rings, weightG, purchase, hirePerDay } = kit;
  const title = `${some(filters.length, 'filter', 'filters')}${rings.length > 0 ? `, ${some(rings.length, 'ring', 'rings')}` : ''}: ${titles[kit.kind]}`;
  const raised = kit.shots.filter((s) => s.raisedStops > 1).map((s) => s.shot);
  return (
    <section aria-label={title}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: 1, mt: 1 }}>
        <Typography component="h4" sx={{ fontWeight: 650, fontSize: 15 }}>
          {title}
        </Typography>
        <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>
          {some(kit.changes, 'change', 'changes')}, {withUnit(fixed(weightG.known, 0), 'g')}
          {weightG.unknown > 0 && ` and ${weightG.unknown} of unknown weight`}
          {purchase.known > 0 && `, ${money(purchase.known)} to buy`}
          {hirePerDay.known > 0 && `, ${money(hirePerDay.known)} a day`}
        </Typography>
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)} sx={{ ml: 'auto' }}>
          {open ? 'Things' : 'Shot by shot'}
        </Button>
      </Box>
      {open ? (
        <Box
          component="ol"
          sx={{ fontSize: 13.5, m: 0, pl: 0, listStyle: 'none', '& li': { py: 0.5, borderTop: 1, borderColor: 'divider' } }}
        >
          {kit.shots.map((s) => (
            <li key={s.shot}>
              <strong>{named([s.shot])}</strong>: {s.names.join(' + ')}, {withUnit(fixed(s.takenStops, 1), 'st')}
              {s.raisedStops > 0.05 && `, sensitivity raised by ${stopsText(s.raisedStops).replace('+', '')}`}
              {s.shades && ', shades the corners'}
            </li>
          ))}
        </Box>
      ) : (
        <KitGrid items={[...filters, ...rings]} shots={shots} undone={[]} />
      )}
      {raised.length > 0 && (
        <Typography sx={{ fontSize: 13, color: 'warning.main' }}>More than a stop of sensitivity is lost in {named(raised)}.</Typography>
      )}
    </section>
  );
}
