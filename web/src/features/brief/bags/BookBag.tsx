import { Box, Button, MenuItem, Typography } from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import type { Bag } from '../../../gear/bags';
import { askFit, useGear } from '../../../gear/fitting';
import { fullName } from '../../../gear/gear';
import { book, useUnits, type Clash, type GearUnit } from '../../../gear/units';
import { counted } from '../../../ui/format';
import { LabelledInput } from '../../../ui/LabelledInput';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { Panel } from '../../../ui/Panel';
import { gearOf } from '../answers';
import { placeOf, shotsOf, useProduction } from '../productionStore';
import { useBagAnswers } from './bagAnswers';
import { bookingsFor, type Span } from './bookingModel';

const hours = [0, 1, 2, 3, 4, 6, 8, 12, 24, 48];

/** Books what is in a bag: all of it, or nothing where somebody else has a part of it. */
export function BookBag({ bag, mark }: { bag: Bag; mark: string }) {
  const production = useProduction((s) => s.id);
  const names = useProduction((s) => s.document.units) ?? [];
  const { units, bookings, state } = useUnits();
  const items = useGear((s) => s.items);
  const mine = bookings.filter((b) => b.bagId === bag.id);
  // What was typed goes before what is booked, and that before the days of the bag.
  const [typed, setTyped] = useState<Partial<Span>>({});
  const span: Span = {
    crewUnit: mine[0]?.crewUnit ?? (bag.unit || (names[0] ?? '')),
    from: mine[0]?.from ?? (bag.firstDay ? `${bag.firstDay}T07:00` : ''),
    to: mine[0]?.to ?? (bag.lastDay ? `${bag.lastDay}T19:00` : ''),
    beforeMinutes: mine[0]?.beforeMinutes ?? 0,
    afterMinutes: mine[0]?.afterMinutes ?? 60,
    ...typed,
  };
  const [said, setSaid] = useState<{ say: string; clashes: Clash[] } | null>(null);
  const [busy, setBusy] = useState(false);
  const send = async (wanted: ReturnType<typeof bookingsFor>) => {
    setBusy(true);
    const { clashes, failure } = await book(wanted.book, wanted.cancel);
    setBusy(false);
    setSaid({
      clashes,
      say: failure
        ? failure.say
        : wanted.book.length === 0
          ? ''
          : `${counted(wanted.book.length, 'thing')} booked.${
              wanted.short.length > 0
                ? ` Too few units of ${wanted.short
                    .map((id) => items.get(id))
                    .map((item) => (item ? fullName(item) : 'something that is gone'))
                    .join(', ')}.`
                : ''
            }`,
    });
  };
  const set = (part: Partial<Span>) => setTyped((before) => ({ ...before, ...part }));
  const time = (label: string, at: 'from' | 'to') => (
    <LabelledInput
      label={label}
      type="datetime-local"
      value={span[at]}
      onChange={(event) => set({ [at]: event.target.value.slice(0, 16) })}
    />
  );
  const keptFor = (label: string, when: 'beforeMinutes' | 'afterMinutes') => (
    <LabelledSelect label={label} value={`${span[when]}`} onChange={(minutes) => set({ [when]: Number(minutes) })}>
      {[...new Set([...hours.map((h) => h * 60), span[when]])]
        .sort((a, b) => a - b)
        .map((minutes) => (
          <MenuItem key={minutes} value={`${minutes}`}>
            {minutes / 60} h
          </MenuItem>
        ))}
    </LabelledSelect>
  );
  return (
    <Panel aria-label={`Book bag ${mark}`} sx={{ p: 1, display: 'grid', gap: 0.75 }}>
      <Typography variant="h2">
        {mark} {bag.name}
      </Typography>
      <LabelledSelect label="Who has it" value={span.crewUnit} onChange={(crewUnit) => set({ crewUnit })}>
        {[...new Set([...names, span.crewUnit])].filter(Boolean).map((name) => (
          <MenuItem key={name} value={name}>
            {name}
          </MenuItem>
        ))}
      </LabelledSelect>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 0.75 }}>
        {time('From', 'from')}
        {time('To', 'to')}
        {keptFor('On its way before', 'beforeMinutes')}
        {keptFor('Back and cleaned after', 'afterMinutes')}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <Button
          variant="contained"
          disabled={
            busy || state !== 'ready' || (bag.lines ?? []).length === 0 || span.from === '' || span.to === '' || span.crewUnit === ''
          }
          onClick={() => void send(bookingsFor(bag, production, span, units, bookings))}
        >
          {mine.length > 0 ? 'Book anew' : 'Book it'}
        </Button>
        {mine.length > 0 && (
          <Button disabled={busy} onClick={() => void send({ book: [], cancel: mine.map((b) => b.id), short: [] })}>
            Cancel {counted(mine.length, 'booking')}
          </Button>
        )}
      </Box>
      {names.length === 0 && (
        <Typography sx={{ fontSize: 12, color: 'text.secondary' }}>
          A production has units: name them under Delivery, units, bag.
        </Typography>
      )}
      {said && said.say !== '' && (
        <Typography role="status" sx={{ fontSize: 13, color: said.clashes.length > 0 ? 'warning.main' : undefined }}>
          {said.say}
        </Typography>
      )}
      {said?.clashes.map((clash) => (
        <Instead key={clash.wanted} bag={bag} clash={clash} units={units} />
      ))}
    </Panel>
  );
}

/** What else would do where somebody else has a thing: another unit of the same, or other things of the shelf that serve the same shots. */
function Instead({ bag, clash, units }: { bag: Bag; clash: Clash; units: GearUnit[] }) {
  const document = useProduction((s) => s.document);
  const day = useBagAnswers((s) => s.days[bag.id]);
  const items = useGear((s) => s.items);
  const [found, setFound] = useState<string[] | null>(null);
  const gear = clash.held?.gearId;
  const item = gear ? items.get(gear) : undefined;
  const part = item?.kind === 'lens' ? 'lens' : item?.kind === 'body' || item?.kind === 'fixedLensCamera' ? 'body' : null;
  const used = useMemo(
    () => (gear && part ? (day?.shots.filter((s) => s.rig[part] === gear).map((s) => s.shot) ?? []) : []),
    [day, gear, part],
  );
  useEffect(() => {
    let gone = false;
    if (!gear || !part || used.length === 0) {
      return undefined;
    }
    const shots = shotsOf(document).filter((shot) => used.includes(shot.id));
    const does: Map<string, number> = new Map();
    void Promise.all(
      shots.map((shot) => {
        const place = placeOf(document, shot);
        const { leftOut } = gearOf(document);
        return place
          ? askFit(
              `instead ${shot.id}`,
              false,
              {
                location: place,
                shot: { ...shot, chosen: null },
                delivery: document.delivery ?? {},
                bag: null,
                leftOut: [...(leftOut ?? []), gear],
                most: 200,
                mostMisses: 0,
              },
              (outcome) => {
                if (outcome.kind === 'answered') {
                  new Set(outcome.answer.fits.map((fit) => fit.rig[part])).forEach((id) => does.set(id, (does.get(id) ?? 0) + 1));
                }
              },
            )
          : Promise.resolve();
      }),
    ).then(() => {
      if (!gone) {
        setFound(
          [...does]
            .filter(([, count]) => count === shots.length)
            .map(([id]) => id)
            .slice(0, 6),
        );
      }
    });
    return () => {
      gone = true;
    };
  }, [document, gear, part, used]);
  return (
    <Box sx={{ fontSize: 13, color: 'text.secondary' }}>
      {clash.free.length > 0 && (
        <div>
          Free then: {clash.free.map((id) => units.find((u) => u.id === id)?.label || 'another of the same').join(', ')}. Book anew to take
          it.
        </div>
      )}
      {found !== null && (
        <div>
          {found.length > 0
            ? `Does the same ${counted(used.length, 'shot')}: ${found
                .map((id) => items.get(id))
                .flatMap((one) => (one ? [fullName(one)] : []))
                .join(', ')}.`
            : 'Nothing else on the shelf does the same shots.'}
        </div>
      )}
    </Box>
  );
}
