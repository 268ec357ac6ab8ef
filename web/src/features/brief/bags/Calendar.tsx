import { Box, Button, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useState } from 'react';
import { useGear } from '../../../gear/fitting';
import { fullName } from '../../../gear/gear';
import { book, useUnits, type Booking } from '../../../gear/units';
import { useWidth } from '../../../ui/useWidth';
import { useProduction } from '../productionStore';
import { daysBetween, spoken } from './bookingModel';
import { RowDrawing } from './RowDrawing';

const rowPx = 26;
const nameDrawn = 250;

/** Bookings by day, to scale: a row for each thing, or for each unit of the crew. */
export function Calendar({ bookings, by }: { bookings: Booking[]; by: 'thing' | 'unit' }) {
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
        <RowDrawing height={height} viewBox={`0 0 ${width} ${height}`} role="group" aria-label="Bookings by day">
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
        </RowDrawing>
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
