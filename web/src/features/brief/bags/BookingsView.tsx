import { Box, Button, Typography } from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import { api } from '../../../api/client';
import { bagsOf, type Bag } from '../../../gear/bags';
import { useGear } from '../../../gear/fitting';
import { book, changeTerms, readUnits, useUnits } from '../../../gear/units';
import { Text } from '../../../gear/UnitsOf';
import { counted } from '../../../ui/format';
import { Panel } from '../../../ui/Panel';
import { useProduction } from '../productionStore';
import { BookBag } from './BookBag';
import { ordersOf } from './bookingModel';
import { markOf } from './bagWords';
import { Calendar } from './Calendar';
import { OrderFrom } from './Orders';

/** Who has what when: a calendar by thing or by unit, what a bag books, what is ordered from whom. */
export function BookingsView({ marked }: { marked: (bag: Bag) => number }) {
  const document = useProduction((s) => s.document);
  const { bookings, state, say } = useUnits();
  const [by, setBy] = useState<'thing' | 'unit'>('thing');
  const bags = bagsOf(document);
  const items = useGear((s) => s.items);
  const orders = useMemo(() => ordersOf(bookings, items), [bookings, items]);
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
          <Cancelled />
        </Panel>
        {orders.map((order) => (
          <OrderFrom key={order.house} order={order} />
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

/** What was cancelled last, for whoever did not mean it. */
function Cancelled() {
  const cancelled = useUnits((s) => s.cancelled);
  const [clashed, setClashed] = useState('');
  if (cancelled.length === 0) return null;
  const again = async () => {
    const { clashes, failure } = await book(cancelled);
    setClashed(failure ? `${failure.say} ${clashes.map((clash) => clash.say).join(' ')}` : '');
  };
  return (
    <Box role="status" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1, fontSize: 13.5 }}>
      <span style={{ flex: 1 }}>
        {counted(cancelled.length, 'booking was', 'bookings were')} cancelled. {clashed}
      </span>
      <Button size="small" onClick={() => void again()}>
        Book again
      </Button>
      <Button size="small" onClick={() => useUnits.setState({ cancelled: [] })}>
        Let be
      </Button>
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
