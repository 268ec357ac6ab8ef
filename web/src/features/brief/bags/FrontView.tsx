import { Box, Button, FormControlLabel, LinearProgress, MenuItem, Switch, Typography } from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import { useSettings } from '../../../app/settings';
import type { FrontRequest, FrontResponse } from '../../../core/core';
import { useProgress } from '../../../core/searches';
import { bagsOf } from '../../../gear/bags';
import { useGear } from '../../../gear/fitting';
import { leftOutFor, useDemoSet } from '../../../gear/demo';
import { useUnits } from '../../../gear/units';
import { Plot, type Axis } from '../../../drawing/Plot';
import { counted, fixed } from '../../../ui/format';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { Panel } from '../../../ui/Panel';
import { KitGrid } from '../KitGrid';
import { placesOf, shotsOf, useProduction } from '../productionStore';
import { findFront, frontKey, stopFront, useFront } from './bagAnswers';
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
  changes: 'change of the rig',
  undone: 'shot left undone',
};

const keyOf = (point: Point) => `${point.value}`;
const itemsOf = (point: Point) => [...point.bodies, ...point.lenses, ...point.adapters, ...point.supports];

/** The bags of which none is better by what counts: as points on two axes, and what one more of the one buys of the other. */
export function FrontView({ onPacked }: { onPacked: (id: string) => void }) {
  const document = useProduction((s) => s.document);
  const id = useProduction((s) => s.id);
  const demo = useDemoSet((s) => s.demo);
  const ready = useGear((s) => s.state === 'ready');
  const version = useGear((s) => s.version);
  const terms = useUnits((s) => s.terms);
  const { frontOne, frontOther, chooseFront } = useSettings();
  const [one, other] = [frontOne as Criterion, frontOther as Criterion];
  const [unit, setUnit] = useState('');
  const [given, setGiven] = useState('');
  const [oneBody, setOneBody] = useState(false);
  const { answer, problems, asking, stopped, ms } = useFront();
  const progress = useProgress((s) => s[frontKey] ?? 0);
  const [picked, setPicked] = useState<string | null>(null);
  const shots = useMemo(() => shotsOf(document).filter((shot) => unit === '' || shot.unit === unit), [document, unit]);
  const bags = bagsOf(document);

  const request = useMemo(
    (): FrontRequest => ({
      locations: placesOf(document),
      shots,
      delivery: document.delivery ?? {},
      one,
      other,
      leftOut: leftOutFor(demo, id, null),
      given: bags.find((bag) => bag.id === given)?.lines?.map((line) => line.id) ?? [],
      ...(oneBody && { mostBodies: 1 }),
    }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the bags are new with each document
    [document.shots, document.locations, document.delivery, shots, one, other, demo, id, given, oneBody],
  );
  useEffect(() => {
    if (!ready || shots.length === 0 || shots.length > 64) return undefined;
    findFront(request);
    return stopFront;
  }, [request, ready, version, shots.length]);

  const text = (criterion: Criterion) => (value: number) =>
    criterion === 'weight'
      ? kilograms(value)
      : criterion === 'price' || criterion === 'hire'
        ? money(terms.currency)(value)
        : fixed(value, 0);
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
          <LabelledSelect label="For the shots of" value={unit} onChange={setUnit}>
            <MenuItem value="">all units</MenuItem>
            {(document.units ?? []).map((name) => (
              <MenuItem key={name} value={name}>
                {name}
              </MenuItem>
            ))}
          </LabelledSelect>
          <LabelledSelect label="Packed in any case" value={given} onChange={setGiven} help="What is in a bag already is in each of these.">
            <MenuItem value="">nothing</MenuItem>
            {bags.map((bag) => (
              <MenuItem key={bag.id} value={bag.id}>
                what is in {bag.name}
              </MenuItem>
            ))}
          </LabelledSelect>
        </Box>
        <FormControlLabel
          control={<Switch size="small" checked={oneBody} onChange={(event) => setOneBody(event.target.checked)} />}
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
            nameOf={(p) =>
              itemsOf(p)
                .map((i) => i.name)
                .join(', ')
            }
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
            Cameras, lenses, adapters and supports are counted; what is not known counts as more than all that is. Filters, batteries and
            cards follow from what is packed, and are asked for in the bag. {fixed(ms, 0)} ms.
            {answer.isCut && ' The search ended before the end of the front.'}
            {stopped && ' It was stopped.'}
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
              ].join(', ')}
            </Typography>
            <Button
              variant="contained"
              onClick={() =>
                onPacked(
                  packAs(
                    `${quantity(answer.one, point.value)}, ${quantity(answer.other, point.otherValue)}`,
                    itemsOf(point).map((i) => i.item),
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
          <KitGrid items={itemsOf(point)} shots={shots} undone={point.undone} />
        </Panel>
      )}
    </Box>
  );
}
