import { Box, Typography } from '@mui/material';
import { useEffect } from 'react';
import type { RigInput } from '../../../core/core';
import { sum } from '../../../gear/gear';
import { changeTerms, readTerms, useUnits } from '../../../gear/units';
import { EntryField } from '../../../ui/EntryField';
import { money, weight } from '../../../ui/figureText';
import { plain, withUnit } from '../../../ui/format';
import { totalsOf, withTax, type Total } from './totals';

/** What all the things of a comparison cost together, each once, with tax and a margin; prices, hires and insured values are never added together. */
export function MoneyTotals({ rigs }: { rigs: RigInput[] }) {
  const { taxPercent, marginPercent } = useUnits((s) => s.terms);
  useEffect(() => void readTerms(), []);
  const totals = totalsOf(rigs);
  const percent = (label: string, help: string, value: number, set: (value: number) => void) => (
    <EntryField
      beside
      label={label}
      help={help}
      kind="surcharge"
      shown={value === 0 ? '' : withUnit(plain(value, 2), '%')}
      stepFrom={value / 100}
      placeholder="none"
      onClear={() => set(0)}
      onValue={(share) => set(100 * share)}
    />
  );
  const line = (name: string, { known, unknown }: Total, taxed: boolean) => (
    <tr>
      <th scope="row">{name}</th>
      <td>{sum(known, unknown, money)}</td>
      <td>{taxed && known > 0 && `${unknown > 0 ? '≥ ' : ''}${money(withTax(known, taxPercent, marginPercent))}`}</td>
    </tr>
  );
  return (
    <Box component="section" aria-label="Together" sx={{ borderTop: 1, borderColor: 'divider', pt: 1, mt: 1, fontSize: 13 }}>
      <Typography sx={{ fontSize: 13, fontWeight: 650 }}>All things of these rigs, each once</Typography>
      <Box
        component="table"
        sx={{
          borderCollapse: 'collapse',
          '& th': { fontWeight: 400, textAlign: 'left', color: 'text.secondary', pr: 1.5 },
          '& td': { py: 0.25, pr: 2 },
        }}
      >
        <thead>
          <tr>
            <th />
            <th scope="col">as noted</th>
            <th scope="col">with margin and tax</th>
          </tr>
        </thead>
        <tbody>
          {line('To buy', totals.purchase, true)}
          {line('Hire a day', totals.hire, true)}
          {line('Insured for', totals.insured, false)}
          <tr>
            <th scope="row">Weight</th>
            <td>{sum(totals.weight.known, totals.weight.unknown, weight)}</td>
            <td />
          </tr>
        </tbody>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 2, mt: 1, maxWidth: 300 }}>
        {percent(
          'Margin',
          'Put on top of what is noted, before tax.',
          marginPercent,
          (value) => void changeTerms({ marginPercent: value }),
        )}
        {percent('Tax', 'Put on top of all.', taxPercent, (value) => void changeTerms({ taxPercent: value }))}
      </Box>
    </Box>
  );
}
