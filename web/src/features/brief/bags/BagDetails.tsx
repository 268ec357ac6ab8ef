import { Box, Button, MenuItem, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import type { ReactNode } from 'react';
import type { BagDayResponse, Diagnostic } from '../../../core/core';
import type { Bag } from '../../../gear/bags';
import { useGear } from '../../../gear/fitting';
import { fullName } from '../../../gear/gear';
import { besidesOf } from '../../../gear/setRigs';
import { changeTerms, useUnits } from '../../../gear/units';
import { Text } from '../../../gear/UnitsOf';
import { EntryField } from '../../../ui/EntryField';
import { counted, fixed, plain, withUnit } from '../../../ui/format';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { Panel } from '../../../ui/Panel';
import { Grid, WordsField } from '../formParts';
import { shotsOf, useProduction } from '../productionStore';
import { useBagAnswers } from './bagAnswers';
import { changeBag, setBag, setCount } from './bagCommands';
import { gigabytes, kilograms, money, sumText, wattHours } from './bagWords';

type Limits = NonNullable<Bag['limits']>;
type Plan = NonNullable<Bag['plan']>;

const costs: Record<NonNullable<Limits['budgetFor']>, string> = {
  toPay: 'what is still to be paid',
  purchase: 'what it costs to buy',
  hire: 'hire for its days',
  insured: 'what it is insured for',
};

const List = styled('ul')(({ theme }) => ({
  margin: 0,
  padding: 0,
  listStyle: 'none',
  fontSize: 13.5,
  '& li': { padding: '3px 0', borderTop: `1px solid ${theme.vars!.palette.divider}` },
  '& .off': { color: theme.vars!.palette.warning.main },
  '& .said': { color: theme.vars!.palette.text.secondary },
}));

/** One bag by itself: its limits, what it does, what carries it, power and storage, what it costs. */
export function BagDetails({ bag, mark }: { bag: Bag; mark: string }) {
  const answer = useBagAnswers((s) => s.bags[bag.id]);
  const day = useBagAnswers((s) => s.days[bag.id]);
  const findings = [...(answer?.findings ?? []), ...(day?.findings ?? [])];
  return (
    <Panel aria-label={`Bag ${mark} by itself`} sx={{ p: 1, display: 'grid', gap: 1.5, alignContent: 'start', overflowY: { lg: 'auto' } }}>
      {findings.length > 0 && <Findings findings={findings} />}
      <Costs bag={bag} />
      {day && <Shots bag={bag} day={day} />}
      {day && <Supplies bag={bag} day={day} />}
      <LimitsForm bag={bag} />
      <WordsField label="Why it is packed so" value={bag.note ?? ''} max={500} many onChange={(note) => setBag(bag.id, { note })} />
    </Panel>
  );
}

function Findings({ findings }: { findings: Diagnostic[] }) {
  return (
    <List aria-label="To know of it">
      {findings.map((finding) => (
        <li key={finding.code + finding.about} className={finding.severity === 'note' ? 'said' : 'off'}>
          {finding.message} {finding.fix}
        </li>
      ))}
    </List>
  );
}

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box component="section" aria-label={title}>
    <Typography variant="h2" sx={{ mb: 0.25 }}>
      {title}
    </Typography>
    {children}
  </Box>
);

function Costs({ bag }: { bag: Bag }) {
  const answer = useBagAnswers((s) => s.bags[bag.id]);
  const terms = useUnits((s) => s.terms);
  if (!answer) {
    return null;
  }
  const { totals, days } = answer;
  const text = money(terms.currency);
  const over = terms.marginPercent > 0 || terms.taxPercent > 0;
  return (
    <Part title="What it costs">
      <List>
        <li>
          Still to pay{over ? ', margin and tax included' : ''}: <strong>{sumText(totals.toPay, text)}</strong>
        </li>
        <li>
          Hire: {sumText(totals.hirePerDay, text)} a day; for {counted(days, 'day')} {sumText(totals.hireAll, text)}
        </li>
        <li>To buy what is not hired: {sumText(totals.purchaseAll, text)}</li>
        <li>Insured for: {sumText(totals.insured, text)}</li>
      </List>
      <Box sx={{ display: 'grid', gridTemplateColumns: '70px 1fr 1fr', gap: 0.75, mt: 0.5 }}>
        <Text label="Currency" value={terms.currency} max={8} onSave={(currency) => currency !== '' && void changeTerms({ currency })} />
        {(
          [
            ['Margin', 'marginPercent'],
            ['Tax', 'taxPercent'],
          ] as const
        ).map(([label, member]) => (
          <EntryField
            key={member}
            label={label}
            help="Of the whole crew, on top of what is noted: first the margin, then tax on both."
            kind="surcharge"
            shown={`${plain(terms[member], 2)} %`}
            stepFrom={terms[member] / 100}
            problem={undefined}
            onClear={() => void changeTerms({ [member]: 0 })}
            onValue={(share) => void changeTerms({ [member]: Math.round(share * 1e6) / 1e4 })}
          />
        ))}
      </Box>
    </Part>
  );
}

function Shots({ bag, day }: { bag: Bag; day: BagDayResponse }) {
  const shots = useProduction((s) => s.document);
  const items = useGear((s) => s.items);
  const name = (id: string) => {
    const all = shotsOf(shots);
    const at = all.findIndex((s) => s.id === id);
    return `${at + 1}. ${all[at]?.name ?? ''}`;
  };
  return (
    <Part title={`What it does: ${day.shots.length} of ${day.shots.length + day.undone.length}`}>
      <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
        {counted(day.changes, 'change')} of the rig in shooting order
        {day.rebalances > 0 && `; the gimbal is balanced anew ${day.rebalances === 1 ? 'once' : `${day.rebalances} times`}`}.
        {!day.isProven && ' It is not proven that no fewer changes do.'}
      </Typography>
      <List>
        {day.undone.map(({ shot, why }) => (
          <li key={shot} className="off">
            <strong>{name(shot)}</strong>: {why}
          </li>
        ))}
        {day.shots.map((s) => {
          const support = s.support ? items.get(s.support) : undefined;
          const facts = [
            kilograms(s.weightG) + (s.weightsUnknown > 0 ? ' at least' : ''),
            s.lengthMm !== null && withUnit(fixed(s.lengthMm, 0), 'mm long'),
            s.centreOfGravityMm !== null &&
              `balances ${withUnit(fixed(Math.abs(s.centreOfGravityMm), 0), 'mm')} ${s.centreOfGravityMm < 0 ? 'behind' : 'before'} the sensor mark`,
            support && `on ${fullName(support)}`,
            s.rebalances && 'balanced anew',
            !s.fills && 'too few pixels for delivery',
          ].filter(Boolean);
          return (
            <li key={s.shot}>
              <strong>{name(s.shot)}</strong>: {[s.rig.bodyName, s.rig.lensName].filter(Boolean).join(', ')}
              {besidesOf(s.rig) && `, ${besidesOf(s.rig)}`} <span className="said">{facts.join(' · ')}</span>
              {s.close && (
                <div className="off">
                  {s.close.say}. {s.close.fix}
                </div>
              )}
              {s.findings.map((f) => (
                <div key={f.code} className={f.severity === 'note' ? 'said' : 'off'}>
                  {f.message} {f.fix}
                </div>
              ))}
            </li>
          );
        })}
        {bag.unit && day.shots.length + day.undone.length === 0 && <li className="said">No shot is {bag.unit}’s.</li>}
      </List>
    </Part>
  );
}

function Supplies({ bag, day }: { bag: Bag; day: BagDayResponse }) {
  const { supplies } = day;
  const plan = bag.plan ?? {};
  const set = (part: Partial<Plan>) =>
    changeBag(bag.id, `plan:${Object.keys(part).join()}`, (b) => ({ ...b, plan: { ...b.plan, ...part } }));
  const counts = useBagAnswers((s) => s.bags[bag.id]);
  const add = (supply: typeof supplies.addBatteries) =>
    supply && (
      <Button
        size="small"
        onClick={() => setCount(bag.id, supply.item, supply.count + ((bag.lines ?? []).find((l) => l.id === supply.item)?.count ?? 0))}
      >
        Pack {supply.count} × {supply.name}
      </Button>
    );
  return (
    <Part title="Power and storage for a day">
      <Grid sx={{ gridTemplateColumns: 'repeat(3, minmax(0, 1fr))', mb: 0.5 }}>
        <EntryField
          label="Minutes used"
          help="Minutes of the day that are in the finished piece."
          kind="minutes"
          shown={`${plain(plan.usedMinutes ?? 5, 1)} min`}
          stepFrom={plan.usedMinutes ?? 5}
          problem={undefined}
          onValue={(usedMinutes) => set({ usedMinutes: Math.min(1440, usedMinutes) })}
        />
        <EntryField
          label="Shot for each"
          help="Minutes that are shot for each minute used."
          kind="count"
          shown={plain(plan.shootingRatio ?? 10, 1)}
          stepFrom={plan.shootingRatio ?? 10}
          problem={undefined}
          onValue={(shootingRatio) => set({ shootingRatio })}
        />
        <EntryField
          label="Cameras at a time"
          help="How many record at once."
          kind="count"
          shown={plain(plan.rolling ?? 1, 0)}
          stepFrom={plan.rolling ?? 1}
          problem={undefined}
          onValue={(rolling) => set({ rolling: Math.min(99, Math.round(rolling)) })}
        />
        <LabelledSelect
          label="Hours on besides"
          value={`${plan.standbyHours ?? 3}`}
          onChange={(hours) => set({ standbyHours: Number(hours) })}
          help="Hours that each camera is on without recording."
        >
          {[...new Set([0, 1, 2, 3, 4, 6, 8, 10, 12, plan.standbyHours ?? 3])]
            .sort((a, b) => a - b)
            .map((hours) => (
              <MenuItem key={hours} value={`${hours}`}>
                {hours} h
              </MenuItem>
            ))}
        </LabelledSelect>
        <LabelledSelect
          label="Copies"
          value={`${plan.copies ?? 2}`}
          onChange={(copies) => set({ copies: Number(copies) })}
          help="How often what was recorded is copied."
        >
          {[0, 1, 2, 3, 4].map((copies) => (
            <MenuItem key={copies} value={`${copies}`}>
              {copies}
            </MenuItem>
          ))}
        </LabelledSelect>
        <LabelledSelect
          label="A battery gives"
          value={`${plan.usable ?? 0.8}`}
          onChange={(usable) => set({ usable: Number(usable) })}
          help="Of what it says that it holds; less in the cold, and less when it is old."
        >
          {[...new Set([1, 0.9, 0.8, 0.7, 0.6, 0.5, plan.usable ?? 0.8])]
            .sort((a, b) => b - a)
            .map((usable) => (
              <MenuItem key={usable} value={`${usable}`}>
                {Math.round(usable * 100)} %
              </MenuItem>
            ))}
        </LabelledSelect>
      </Grid>
      <List>
        {supplies.cameras.map((camera) => (
          <li key={camera.body}>
            {camera.count > 1 && `${camera.count} × `}
            {camera.name}: {fixed(camera.minutes, 0)} min,{' '}
            {camera.energyWh === null ? 'what it draws is not known' : wattHours(camera.energyWh)},{' '}
            {camera.storageGb === null ? 'what it writes is not known' : `${gigabytes(camera.storageGb)} in ${camera.mode}`}
          </li>
        ))}
        <li>
          Batteries: {wattHours(supplies.carriedWh)} of {sumText(supplies.neededWh, wattHours)}
          {supplies.cameras.length > 1 && ', whichever of the cameras records'}
          {supplies.batteriesNeeded !== null
            ? `; ${supplies.batteriesNeeded} of ${supplies.batteries} last for the day`
            : `; ${wattHours(supplies.toRechargeWh)} to charge again`}{' '}
          {add(supplies.addBatteries)}
        </li>
        <li>
          Storage: {gigabytes(supplies.storageGb)} of {sumText(supplies.withCopiesGb, gigabytes)} with{' '}
          {counted(plan.copies ?? 2, 'copy', 'copies')}
          {supplies.minutesOfStorage !== null && `; without copies ${fixed(supplies.minutesOfStorage, 0)} min`} {add(supplies.addStorage)}
        </li>
        <li className="said">
          In flight: {wattHours(counts?.totals.batteriesWh.known ?? 0)} in all batteries. Carriers limit lithium batteries by watt-hour: ask
          yours.
        </li>
      </List>
    </Part>
  );
}

function LimitsForm({ bag }: { bag: Bag }) {
  const limits = bag.limits ?? {};
  const problems = useBagAnswers((s) => s.problems);
  const terms = useUnits((s) => s.terms);
  const set = (part: Partial<Limits>) =>
    changeBag(bag.id, `limits:${Object.keys(part).join()}`, (b) => ({ ...b, limits: { ...b.limits, ...part } }));
  const entry = (
    label: string,
    member: Exclude<keyof Limits, 'budgetFor'>,
    kind: 'weight' | 'price' | 'wattHours' | 'count' | 'partLength',
    shown: (value: number) => string,
    help: string,
  ) => (
    <EntryField
      label={label}
      help={help}
      kind={kind}
      shown={limits[member] == null ? '' : shown(limits[member])}
      stepFrom={limits[member] ?? undefined}
      placeholder="no limit"
      problem={problems.find((p) => p.about.endsWith(`limits.${member}`))?.message}
      onClear={() => set({ [member]: null })}
      onValue={(value) => set({ [member]: value })}
    />
  );
  const [long, wide, high] = [limits.caseLengthMm, limits.caseWidthMm, limits.caseHeightMm];
  const usualCase = { caseLengthMm: 550, caseWidthMm: 350, caseHeightMm: 230 };
  return (
    <Part title="Its limits">
      <Grid>
        {entry('Weight', 'weightG', 'weight', kilograms, 'Of all of it.')}
        {entry('Cases', 'cases', 'count', (n) => plain(n, 0), 'How many there are.')}
        {entry('Budget', 'budget', 'price', money(terms.currency), 'With margin and tax.')}
        <LabelledSelect label="The budget is for" value={limits.budgetFor ?? 'toPay'} onChange={(budgetFor) => set({ budgetFor })}>
          {Object.entries(costs).map(([cost, words]) => (
            <MenuItem key={cost} value={cost}>
              {words}
            </MenuItem>
          ))}
        </LabelledSelect>
        {entry(
          'One battery',
          'batteryWh',
          'wattHours',
          (wh) => withUnit(plain(wh, 1), 'Wh'),
          'What one may hold; carriers ask above 100 Wh.',
        )}
        {entry('All batteries', 'batteriesWh', 'wattHours', (wh) => withUnit(plain(wh, 1), 'Wh'), 'What all may hold together.')}
        {long == null && wide == null && high == null ? (
          <Button className="all" size="small" onClick={() => set(usualCase)}>
            Give the size of a case
          </Button>
        ) : (
          <Box
            className="all"
            sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, minmax(0, 1fr)) auto', gap: 0.75, alignItems: 'end' }}
          >
            {(
              [
                ['Case, long', 'caseLengthMm'],
                ['wide', 'caseWidthMm'],
                ['high', 'caseHeightMm'],
              ] as const
            ).map(([label, member]) => (
              <EntryField
                key={member}
                label={label}
                help="The inside of each case; what is carried in a cabin has sides that the carrier tells."
                kind="partLength"
                shown={limits[member] == null ? '' : withUnit(plain(limits[member], 0), 'mm')}
                stepFrom={limits[member] ?? undefined}
                problem={problems.find((p) => p.about.endsWith(`limits.${member}`))?.message}
                onValue={(value) => set({ [member]: value })}
              />
            ))}
            <Button size="small" onClick={() => set({ caseLengthMm: null, caseWidthMm: null, caseHeightMm: null })}>
              No size
            </Button>
          </Box>
        )}
      </Grid>
    </Part>
  );
}
