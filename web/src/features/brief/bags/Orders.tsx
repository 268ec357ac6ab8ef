import { InputBase, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { useState } from 'react';
import { fullName } from '../../../gear/gear';
import { book, inputOf, useUnits, type Booking } from '../../../gear/units';
import { Panel } from '../../../ui/Panel';
import { spoken, type Order } from './bookingModel';
import { money } from './bagWords';

const Table = styled('table')(({ theme }) => ({
  borderCollapse: 'collapse',
  width: '100%',
  fontSize: 13.5,
  '& th, & td': { padding: '3px 8px 3px 0', textAlign: 'left', fontWeight: 400, borderTop: `1px solid ${theme.vars!.palette.divider}` },
  '& .number': { textAlign: 'right', fontVariantNumeric: 'tabular-nums', whiteSpace: 'nowrap' },
}));

/** What is hired from one house: when it is picked up and returned, and what that costs. */
export function OrderFrom({ order }: { order: Order }) {
  const text = money(useUnits((s) => s.terms.currency));
  return (
    <Panel aria-label={`Order from ${order.house || 'somebody'}`} sx={{ p: 1 }}>
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
  );
}

/** The days that a house charges: those counted, or as agreed. */
function Days({ booking }: { booking: Booking }) {
  const [text, setText] = useState<string | null>(null);
  const [isWrong, setIsWrong] = useState(false);
  const save = () => {
    if (text === null) return;
    const days = text.trim() === '' ? null : Number(text);
    const isRead = days === null || (Number.isInteger(days) && days >= 0 && days <= 1000);
    setIsWrong(!isRead);
    if (isRead) {
      setText(null);
      void book([{ ...inputOf(booking), daysCharged: days }]);
    }
  };
  return (
    <>
      <InputBase
        value={text ?? `${booking.daysCharged}`}
        error={isWrong}
        onChange={(event) => setText(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => {
          if (event.key === 'Enter') save();
          if (event.key === 'Escape') {
            setText(null);
            setIsWrong(false);
          }
        }}
        title={booking.daysGiven ? 'As agreed; empty counts each day begun.' : 'Each day begun between pick up and return.'}
        inputProps={{
          'aria-label': 'Days charged',
          inputMode: 'numeric',
          maxLength: 4,
          style: { textAlign: 'right', fontWeight: booking.daysGiven ? 650 : 400 },
        }}
        sx={{ width: 44, fontSize: 13.5, '&.Mui-error': { color: 'error.main' } }}
      />
      {isWrong && (
        <Typography role="alert" sx={{ fontSize: 12, color: 'error.main', whiteSpace: 'normal' }}>
          Whole days, 0 to 1000; empty counts them.
        </Typography>
      )}
    </>
  );
}
