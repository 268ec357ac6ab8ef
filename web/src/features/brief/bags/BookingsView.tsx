import { Box, Button, InputBase, MenuItem, Typography } from '@mui/material';
import { styled, useTheme } from '@mui/material/styles';
import { useEffect, useMemo, useState } from 'react';
import { api } from '../../../api/client';
import { bagsOf, type Bag } from '../../../gear/bags';
import { askFit, useGear } from '../../../gear/fitting';
import { fullName } from '../../../gear/gear';
import { book, changeTerms, readUnits, useUnits, type Booking, type Clash, type GearUnit } from '../../../gear/units';
import { Text } from '../../../gear/UnitsOf';
import { counted } from '../../../ui/format';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { Panel } from '../../../ui/Panel';
import { gearOf } from '../answers';
import { placeOf, shotsOf, useProduction } from '../productionStore';
import { useBagAnswers } from './bagAnswers';
import { bookingsFor, daysBetween, ordersOf, type Span } from './bookingModel';
import { markOf, money } from './bagWords';
import { useWidth } from '../../../ui/useWidth';

const rowPx = 26;
const nameDrawn = 250;

const Drawing = styled('svg')(({ theme }) => ({
  display: 'block',
  width: '100%',
  '& text': { fontSize: 11, fill: theme.vars!.palette.text.secondary },
  '& text.name': { fontSize: 12, fill: theme.vars!.palette.text.primary },
  '& [role=button]': { cursor: 'pointer' },
}));

const Table = styled('table')(({ theme }) => ({
  borderCollapse: 'collapse',
  width: '100%',
  fontSize: 13.5,
  '& th, & td': { padding: '3px 8px 3px 0', textAlign: 'left', fontWeight: 400, borderTop: `1px solid ${theme.vars!.palette.divider}` },
  '& .number': { textAlign: 'right', fontVariantNumeric: 'tabular-nums', whiteSpace: 'nowrap' },
}));

const spoken = (time: string) => time.replace('T', ' ');

/** Who has what when: a calendar by thing or by unit, what a bag books, what is ordered from whom. */
export function BookingsView({ marked }: { marked: (bag: Bag) => number }) {
  const document = useProduction((s) => s.document);
  const { bookings, state, say, terms } = useUnits();
  const [by, setBy] = useState<'thing' | 'unit'>('thing');
  const bags = bagsOf(document);
  const items = useGear((s) => s.items);
  const orders = useMemo(() => ordersOf(bookings, items), [bookings, items]);
  const text = money(terms.currency);
  return (
    <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 340px' }, alignItems: 'start' }}>
      <Box sx={{ display: 'grid', gap: 1, minWidth: 0 }}>
        <Panel aria-label="Calendar" sx={{ p: 1 }}>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: 1 }}>
            <Typography variant="h2" sx={{ flex: 1 }}>
              Who has what
            </Typography>
            <Button size="small" aria-pressed={by === 'unit'} onClick={() => setBy(by === 'thing' ? 'unit' : 'thing')}>
              {by === 'thing' ? 'By unit' : 'By thing'}
            </Button>
            <Button size="small" component="a" href="/api/bookings.ics" download="bookings.ics">
              Calendar file
            </Button>
          </Box>
          {state === 'away' && (
            <Typography role="alert" sx={{ fontSize: 13.5, color: 'warning.main' }}>
              {say} What is shown may be old; nothing can be booked until it is back.
            </Typography>
          )}
          <Calendar bookings={bookings} by={by} />
        </Panel>
        {orders.map((order) => (
          <Panel key={order.house} aria-label={`Order from ${order.house || 'somebody'}`} sx={{ p: 1 }}>
            <Typography variant="h2">
              From {order.house || 'somebody who is not named'}: {text(order.known)}
              {order.unknown > 0 && ` and ${order.unknown} not known`}
            </Typography>
            <Table>
              <thead>
                <tr>
                  <th scope="col">Thing</th>
                  <th scope="col">For</th>
                  <th scope="col">Pick up</th>
                  <th scope="col">Return</th>
                  <th scope="col" className="number">
                    Days
                  </th>
                  <th scope="col" className="number">
                    A day
                  </th>
                  <th scope="col" className="number">
                    Costs
                  </th>
                </tr>
              </thead>
              <tbody>
                {order.lines.map(({ booking, item, hirePerDay, cost }) => (
                  <tr key={booking.id} data-row={booking.id}>
                    <th scope="row">{fullName(item)}</th>
                    <td>{booking.crewUnit}</td>
                    <td>{spoken(booking.pickUp)}</td>
                    <td>{spoken(booking.return)}</td>
                    <td className="number">
                      <Days booking={booking} />
                    </td>
                    <td className="number">{hirePerDay === null ? '?' : text(hirePerDay)}</td>
                    <td className="number">{cost === null ? '?' : text(cost)}</td>
                  </tr>
                ))}
              </tbody>
            </Table>
          </Panel>
        ))}
      </Box>
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'minmax(0, 1fr)' }}>
        <Zone />
        {bags.map((bag) => (
          <BookBag key={bag.id} bag={bag} mark={markOf(marked(bag))} />
        ))}
        {bags.length === 0 && (
          <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>A bag is packed first, and then booked.</Typography>
        )}
      </Box>
    </Box>
  );
}

/** The clock by which the crew books. */
function Zone() {
  const timeZone = useUnits((s) => s.terms.timeZone);
  const [zones, setZones] = useState<string[]>([]);
  const [problem, setProblem] = useState('');
  useEffect(
    () =>
      void api
        .GET('/api/crew/terms/zones')
        .then(({ data }) => setZones(data ?? []))
        .catch(() => undefined),
    [],
  );
  return (
    <Panel sx={{ p: 1 }}>
      <Text
        label="The clock of the crew"
        value={timeZone}
        max={40}
        list="zones"
        onSave={(zone) =>
          void changeTerms({ timeZone: zone }).then((failed) => {
            setProblem(failed?.say ?? '');
            return readUnits();
          })
        }
      />
      <datalist id="zones">
        {zones.map((zone) => (
          <option key={zone} value={zone} />
        ))}
      </datalist>
      {problem && (
        <Typography role="alert" sx={{ fontSize: 13, color: 'error.main' }}>
          {problem}
        </Typography>
      )}
    </Panel>
  );
}

/** The days that a house charges: those counted, or as agreed. */
function Days({ booking }: { booking: Booking }) {
  const [text, setText] = useState<string | null>(null);
  const save = () => {
    const days = text === null || text.trim() === '' ? null : Number(text);
    setText(null);
    if (text !== null && (days === null || (Number.isInteger(days) && days >= 0 && days <= 1000))) {
      void book(
        [{ ...booking, daysCharged: days }].map(
          ({ id, unitId, productionId, bagId, crewUnit, from, to, beforeMinutes, afterMinutes, note, daysCharged }) => ({
            id,
            unitId,
            productionId,
            bagId,
            crewUnit,
            from,
            to,
            beforeMinutes,
            afterMinutes,
            note,
            daysCharged,
          }),
        ),
      );
    }
  };
  return (
    <InputBase
      value={text ?? `${booking.daysCharged}`}
      onChange={(event) => setText(event.target.value)}
      onBlur={save}
      onKeyDown={(event) => event.key === 'Enter' && save()}
      title={booking.daysGiven ? 'As agreed; empty counts each day begun.' : 'Each day begun between pick up and return.'}
      inputProps={{
        'aria-label': 'Days charged',
        inputMode: 'numeric',
        maxLength: 4,
        style: { textAlign: 'right', fontWeight: booking.daysGiven ? 650 : 400 },
      }}
      sx={{ width: 44, fontSize: 13.5 }}
    />
  );
}

function Calendar({ bookings, by }: { bookings: Booking[]; by: 'thing' | 'unit' }) {
  const items = useGear((s) => s.items);
  const units = useUnits((s) => s.units);
  const opening = useGear((s) => s.state === 'opening');
  const production = useProduction((s) => s.id);
  const { text, primary, divider, drawing } = useTheme().vars!.palette;
  const [box, width] = useWidth();
  const [picked, setPicked] = useState<Booking | null>(null);
  const nameOf = (booking: Booking) => {
    const unit = units.find((u) => u.id === booking.unitId);
    const item = items.get(booking.gearId);
    return `${item ? fullName(item) : opening ? '…' : 'Something that is gone'}${unit?.label ? ` (${unit.label})` : ''}`;
  };
  const rows = [...Map.groupBy(bookings, (b) => (by === 'thing' ? b.unitId : b.crewUnit)).values()]
    .map((those) => ({
      key: by === 'thing' ? those[0]!.unitId : those[0]!.crewUnit,
      name: by === 'thing' ? nameOf(those[0]!) : those[0]!.crewUnit,
      those,
    }))
    .sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));
  if (bookings.length === 0) {
    return <Typography sx={{ fontSize: 13.5, color: 'text.secondary', py: 1 }}>Nothing is booked.</Typography>;
  }
  const first = bookings.map((b) => b.pickUp.slice(0, 10)).sort()[0]!;
  const last = bookings
    .map((b) => b.return.slice(0, 10))
    .sort()
    .at(-1)!;
  const days = daysBetween(first, last);
  const nameWidth = width < 600 ? 130 : nameDrawn;
  const begin = Date.parse(`${first}T00:00Z`);
  const span = days.length * 86_400_000;
  const x = (time: string) => nameWidth + ((Date.parse(`${time}:00Z`) - begin) / span) * (width - nameWidth - 2);
  const each = Math.ceil(days.length / Math.max(1, (width - nameWidth) / 52));
  const lanes = rows.map((row) => {
    // In one row of a unit many things may lie at one time: each in a lane of its own.
    const ends: string[] = [];
    return row.those.map((b) => {
      const lane = ends.findIndex((end) => end <= b.pickUp);
      const at = lane < 0 ? ends.length : lane;
      ends[at] = b.return;
      return at;
    });
  });
  const heights = lanes.map((of) => (1 + Math.max(0, ...of)) * (rowPx - 6) + 6);
  const tops = heights.map((_, i) => 18 + heights.slice(0, i).reduce((sum, h) => sum + h, 0));
  const height = 22 + heights.reduce((sum, h) => sum + h, 0);
  return (
    <div ref={box}>
      {width > 0 && (
        <Drawing height={height} viewBox={`0 0 ${width} ${height}`} role="group" aria-label="Bookings by day">
          {days.map((day, i) => (
            <g key={day}>
              <line x1={x(`${day}T00:00`)} x2={x(`${day}T00:00`)} y1={14} y2={height} stroke={divider} />
              {i % each === 0 && (
                <text x={x(`${day}T00:00`) + 3} y={11}>
                  {day.slice(8)}.{day.slice(5, 7)}.
                </text>
              )}
            </g>
          ))}
          {rows.map((row, i) => (
            <g key={row.key}>
              <text className="name" x={0} y={tops[i]! + 16}>
                {row.name.length > nameWidth / 6.4 ? `${row.name.slice(0, Math.floor(nameWidth / 6.4))}…` : row.name}
                <title>{row.name}</title>
              </text>
              {row.those.map((b, j) => {
                const top = tops[i]! + lanes[i]![j]! * (rowPx - 6) + 3;
                const label = by === 'thing' ? b.crewUnit : nameOf(b);
                const said = `${nameOf(b)}: ${b.crewUnit}, ${spoken(b.from)} to ${spoken(b.to)}, away from ${spoken(b.pickUp)} to ${spoken(b.return)}`;
                const wide = x(b.to) - x(b.from);
                return (
                  <g
                    key={b.id}
                    role="button"
                    tabIndex={0}
                    aria-label={said}
                    onClick={() => setPicked(b)}
                    onKeyDown={(event) => (event.key === 'Enter' || event.key === ' ') && setPicked(b)}
                  >
                    <title>{said}</title>
                    <line x1={x(b.pickUp)} x2={x(b.return)} y1={top + 8} y2={top + 8} stroke={text.secondary} strokeDasharray="3 2" />
                    <rect
                      x={x(b.from)}
                      width={Math.max(2, wide)}
                      y={top}
                      height={16}
                      rx={2}
                      fill={drawing.floor}
                      stroke={picked?.id === b.id ? primary.main : text.primary}
                      strokeDasharray={b.productionId === production ? undefined : '4 3'}
                    />
                    {wide > 40 && (
                      <text className="name" x={x(b.from) + 4} y={top + 12}>
                        {label.slice(0, Math.floor(wide / 6.5))}
                      </text>
                    )}
                  </g>
                );
              })}
            </g>
          ))}
        </Drawing>
      )}
      {picked && bookings.some((b) => b.id === picked.id) && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1, fontSize: 13.5 }}>
          <span style={{ flex: 1 }}>
            <strong>{nameOf(picked)}</strong>: {picked.crewUnit}, {spoken(picked.from)} to {spoken(picked.to)}
            {picked.beforeMinutes + picked.afterMinutes > 0 && `; kept from others ${spoken(picked.pickUp)} to ${spoken(picked.return)}`}
            {picked.by && `; booked by ${picked.by}`}
          </span>
          <Button size="small" onClick={() => void book([], [picked.id]).then(() => setPicked(null))}>
            Cancel this booking
          </Button>
        </Box>
      )}
    </div>
  );
}

const hours = [0, 1, 2, 3, 4, 6, 8, 12, 24, 48];

/** Books what is in a bag: all of it, or nothing where somebody else has a part of it. */
function BookBag({ bag, mark }: { bag: Bag; mark: string }) {
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
  const time = (label: string, value: string, onChange: (time: string) => void) => (
    <Box sx={{ '& label': { display: 'block', fontSize: 12, color: 'text.secondary' } }}>
      <label>
        {label}
        <InputBase
          type="datetime-local"
          value={value}
          onChange={(event) => onChange(event.target.value.slice(0, 16))}
          sx={{
            width: '100%',
            height: 40,
            px: 0.75,
            fontSize: 13,
            bgcolor: 'background.default',
            border: 1,
            borderColor: 'divider',
            borderRadius: 1,
          }}
        />
      </label>
    </Box>
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
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(2, minmax(0, 1fr))', gap: 0.75 }}>
        {time('From', span.from, (from) => set({ from }))}
        {time('To', span.to, (to) => set({ to }))}
        <LabelledSelect
          label="On its way before"
          value={`${span.beforeMinutes}`}
          onChange={(minutes) => set({ beforeMinutes: Number(minutes) })}
        >
          {[...new Set([...hours.map((h) => h * 60), span.beforeMinutes])]
            .sort((a, b) => a - b)
            .map((minutes) => (
              <MenuItem key={minutes} value={`${minutes}`}>
                {minutes / 60} h
              </MenuItem>
            ))}
        </LabelledSelect>
        <LabelledSelect
          label="Back and cleaned after"
          value={`${span.afterMinutes}`}
          onChange={(minutes) => set({ afterMinutes: Number(minutes) })}
        >
          {[...new Set([...hours.map((h) => h * 60), span.afterMinutes])]
            .sort((a, b) => a - b)
            .map((minutes) => (
              <MenuItem key={minutes} value={`${minutes}`}>
                {minutes / 60} h
              </MenuItem>
            ))}
        </LabelledSelect>
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
      {said && (
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
