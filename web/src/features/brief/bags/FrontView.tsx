import { Box, Button, FormControlLabel, LinearProgress, MenuItem, Switch, Typography } from '@mui/material';
import { useState } from 'react';
import { useSettings } from '../../../app/settings';
import type { FrontRequest, FrontResponse } from '../../../core/core';
import { useProgress } from '../../../core/searches';
import { bagsOf } from '../../../gear/bags';
import { useUnits } from '../../../gear/units';
import { Plot, type Axis } from '../../../drawing/Plot';
import { counted, fixed } from '../../../ui/format';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { Panel } from '../../../ui/Panel';
import { KitGrid } from '../KitGrid';
import { useProduction } from '../productionStore';
import { dayBagOf, frontKey, frontShots, stopFront, useFront, useFrontChoice } from './bagAnswers';
import { packAs } from './bagCommands';
import { kilograms, money, sumText } from './bagWords';

type Criterion = NonNullable<FrontRequest['one']>;
type Point = FrontResponse['points'][number];

const names: Record<Criterion, string> = {
  things: 'things',
  lenses: 'lenses',
  bodies: 'cameras',
  adapters: 'adapters',
  supports: 'supports',
  filters: 'filters and rings',
  batteries: 'batteries',
  weight: 'weight',
  price: 'price to buy',
  hire: 'hire a day',
  changes: 'changes of the rig',
  undone: 'shots left undone',
};

const singular: Partial<Record<Criterion, string>> = {
  things: 'thing',
  lenses: 'lens',
  bodies: 'camera',
  adapters: 'adapter',
  supports: 'support',
  filters: 'filter or ring',
  batteries: 'battery',
  changes: 'change of the rig',
  undone: 'shot left undone',
};

/** What is not known counts as this much each, more than all that is. */
const unknown = 1e9;

const partsOf = (value: number) => ({ known: value % unknown, unknown: Math.floor(value / unknown) });

const keyOf = (point: Point) => `${point.value}`;
const itemsOf = (point: Point) => [...point.bodies, ...point.lenses, ...point.adapters, ...point.supports, ...point.filters];
const namesOf = (point: Point) =>
  [...itemsOf(point).map((i) => i.name), ...point.batteries.map((b) => `${b.count} × ${b.name}`)].join(', ');

/** The bags of which none is better by what counts: as points on two axes, and what one more of the one buys of the other. */
export function FrontView({ onPacked }: { onPacked: (id: string) => void }) {
  const document = useProduction((s) => s.document);
  const terms = useUnits((s) => s.terms);
  const { frontOne, frontOther, chooseFront } = useSettings();
  const [one, other] = [frontOne as Criterion, frontOther as Criterion];
  const { unit, given, oneBody } = useFrontChoice();
  const set = useFrontChoice.setState;
  const { answer, problems, asking, stopped, ms } = useFront();
  const progress = useProgress((s) => s[frontKey] ?? 0);
  const [picked, setPicked] = useState<string | null>(null);
  const shots = frontShots(document, unit);
  const bags = bagsOf(document);
  const day = dayBagOf(document, unit, given);

  const text = (criterion: Criterion) => (value: number) => {
    const known = criterion === 'weight' ? kilograms : criterion === 'price' || criterion === 'hire' ? money(terms.currency) : null;
    return known ? sumText(partsOf(value), known) : fixed(value, 0);
  };
  const axes: Record<string, Axis<Point>> = answer
    ? {
        one: { label: `Less ${names[answer.one]}`, value: (p) => p.value, text: text(answer.one), better: 'less' },
        other: { label: `Less ${names[answer.other]}`, value: (p) => p.otherValue, text: text(answer.other), better: 'less' },
      }
    : {};
  const points = answer?.points ?? [];
  const at = Math.max(
    0,
    points.findIndex((point) => keyOf(point) === picked),
  );
  const point = points[at];
  const choose = (label: string, value: Criterion, onChange: (next: Criterion) => void, not: Criterion) => (
    <LabelledSelect label={label} value={value} onChange={onChange}>
      {(Object.keys(names) as Criterion[]).map((criterion) => (
        <MenuItem key={criterion} value={criterion} disabled={criterion === not}>
          {names[criterion]}
        </MenuItem>
      ))}
    </LabelledSelect>
  );
  const quantity = (criterion: Criterion, value: number) =>
    singular[criterion]
      ? `${fixed(value, 0)} ${value === 1 ? singular[criterion] : names[criterion]}`
      : `${text(criterion)(value)} ${names[criterion]}`;

  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) minmax(0, 1.1fr)' },
        alignItems: 'start',
      }}
    >
      <Panel aria-label="The best bags" sx={{ p: 1, display: 'grid', gap: 1 }}>
        <Box sx={{ display: 'grid', gap: 0.75, gridTemplateColumns: 'repeat(2, minmax(0, 1fr))' }}>
          {choose('As few or little of', one, (next) => chooseFront(next, other), other)}
          {choose('against', other, (next) => chooseFront(one, next), one)}
          <LabelledSelect label="For the shots of" value={unit} onChange={(next) => set({ unit: next })}>
            <MenuItem value="">all units</MenuItem>
            {(document.units ?? []).map((name) => (
              <MenuItem key={name} value={name}>
                {name}
              </MenuItem>
            ))}
          </LabelledSelect>
          <LabelledSelect
            label="Packed in any case"
            value={given}
            onChange={(next) => set({ given: next })}
            help="What is in a bag already is in each of these."
          >
            <MenuItem value="">nothing</MenuItem>
            {bags.map((bag) => (
              <MenuItem key={bag.id} value={bag.id}>
                what is in {bag.name}
              </MenuItem>
            ))}
          </LabelledSelect>
        </Box>
        <FormControlLabel
          control={<Switch size="small" checked={oneBody} onChange={(event) => set({ oneBody: event.target.checked })} />}
          label="With one camera only"
          sx={{ '& .MuiFormControlLabel-label': { fontSize: 14 } }}
        />
        {asking && (
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
            <LinearProgress variant="determinate" value={100 * progress} aria-label="Progress" sx={{ flex: 1 }} />
            <Button size="small" onClick={stopFront}>
              Stop
            </Button>
          </Box>
        )}
        {problems.map((problem) => (
          <Typography key={problem.about} role="alert" sx={{ color: 'error.main', fontSize: 14 }}>
            {problem.message} {problem.fix}
          </Typography>
        ))}
        {points.length > 0 && point && (
          <Plot
            things={points}
            axes={axes}
            across="one"
            up="other"
            onAxes={() => chooseFront(other, one)}
            keyOf={keyOf}
            nameOf={namesOf}
            picked={keyOf(point)}
            onPick={(p) => setPicked(keyOf(p))}
            isWarned={(p) => !p.isProven}
            label="Bags, from the fewest of the one"
          />
        )}
        {answer && points.length > 0 && (
          <Box component="ol" aria-label="Bags, the fewest first" sx={{ m: 0, p: 0, listStyle: 'none', fontSize: 14 }}>
            {points.map((p, i) => {
              const before = points[i - 1];
              return (
                <Box component="li" key={keyOf(p)} sx={{ borderTop: 1, borderColor: 'divider' }}>
                  <Button
                    fullWidth
                    aria-pressed={i === at}
                    onClick={() => setPicked(keyOf(p))}
                    sx={{ justifyContent: 'space-between', gap: 1, textAlign: 'left', fontWeight: i === at ? 650 : 400 }}
                  >
                    <span>
                      {quantity(answer.one, p.value)}, {quantity(answer.other, p.otherValue)}
                      {!p.isProven && ` (not proven: none has less than ${text(answer.other)(p.otherAtLeast)})`}
                    </span>
                    <Box component="span" sx={{ fontSize: 12.5, color: 'text.secondary', fontWeight: 400 }}>
                      {before &&
                        `${text(answer.one)(before.value - p.value)} less costs ${text(answer.other)(p.otherValue - before.otherValue)} more`}
                    </Box>
                  </Button>
                </Box>
              );
            })}
          </Box>
        )}
        {answer && !asking && (
          <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>
            {points.length === 0 ? 'No bag does these shots. ' : `No bag has less of both than one of these. `}
            Cameras, lenses, adapters, supports, filters with their rings, and batteries are counted; what is not known counts as more than
            all that is. Batteries are for a day {day ? `as in ${day.name}` : 'as is usual'}. Cards are asked for in the bag. {fixed(ms, 0)}{' '}
            ms.
            {answer.isCut && ' The search ended before the end of the front.'}
            {stopped && ' It was stopped.'}
          </Typography>
        )}
        {answer && answer.unfiltered.length > 0 && (
          <Typography sx={{ fontSize: 13, color: 'warning.main' }}>
            Too bright for every rig, and no filter on the shelf does:{' '}
            {answer.unfiltered.map((shot) => shots.find((s) => s.id === shot)?.name).join('; ')}. These are reckoned without one.
          </Typography>
        )}
        {answer && answer.impossible.length > 0 && (
          <Typography sx={{ fontSize: 13, color: 'warning.main' }}>
            Nothing on the shelf does {answer.impossible.map((shot) => shots.find((s) => s.id === shot)?.name).join('; ')} as it stands.
          </Typography>
        )}
      </Panel>
      {point && answer && (
        <Panel aria-label="The bag that is picked" sx={{ p: 1, display: 'grid', gap: 1 }}>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: 1 }}>
            <Typography variant="h2" sx={{ flex: 1 }}>
              {[
                counted(point.bodies.length, 'camera'),
                counted(point.lenses.length, 'lens', 'lenses'),
                ...(point.adapters.length > 0 ? [counted(point.adapters.length, 'adapter')] : []),
                ...(point.supports.length > 0 ? [counted(point.supports.length, 'support')] : []),
                ...(point.filters.length > 0 ? [counted(point.filters.length, 'filter or ring', 'filters and rings')] : []),
              ].join(', ')}
            </Typography>
            <Button
              variant="contained"
              onClick={() =>
                onPacked(
                  packAs(
                    `${quantity(answer.one, point.value)}, ${quantity(answer.other, point.otherValue)}`,
                    itemsOf(point).map((i) => i.item),
                    false,
                    point.batteries,
                  ),
                )
              }
            >
              Pack this bag
            </Button>
          </Box>
          <Typography sx={{ fontSize: 13.5 }}>
            {sumText(point.weightG, kilograms)}; {sumText(point.price, money(terms.currency))} to buy;{' '}
            {sumText(point.hirePerDay, money(terms.currency))} a day in hire; {counted(point.changes, 'change')} of the rig.
            {point.undone.filter((shot) => !answer.impossible.includes(shot)).length > 0 &&
              ` Leaves undone: ${point.undone
                .filter((shot) => !answer.impossible.includes(shot))
                .map((shot) => shots.find((s) => s.id === shot)?.name)
                .join('; ')}.`}
          </Typography>
          {point.batteries.length > 0 && (
            <Typography sx={{ fontSize: 13.5 }}>
              {point.batteries.map((b) => `${b.count} × ${b.name}`).join(', ')} for the day.
              {point.drawsUnknown > 0 &&
                ` What ${counted(point.drawsUnknown, 'camera draws', 'cameras draw')} is not known: as much as the hungriest is taken.`}
            </Typography>
          )}
          <KitGrid items={itemsOf(point)} shots={shots} undone={point.undone} />
        </Panel>
      )}
    </Box>
  );
}
