import { Box, Button, Typography } from '@mui/material';
import type { Measured, MeasureRequest } from '../../../core/core';
import { nextText, offText, testedPlusMinus, quantityLabel, valueText } from '../../../gear/testWords';
import { Panel } from '../../../ui/Panel';
import { figureFont } from '../../../app/theme';
import { FalloffMap } from './FalloffMap';
import { FitChart } from './FitChart';

interface OutcomeProps {
  measured: Measured;
  request: MeasureRequest;
  feet: boolean;
  /** What can be done with it now. */
  action: React.ReactNode;
}

/** What a test has come to so far: the result with what it may be off by, the readings against it, and what one more would bring. */
export function Outcome({ measured, request, feet, action }: OutcomeProps) {
  const { results, findings, next, charts, falloff } = measured;
  const [first] = results;
  const byDistance = ['focalLength', 'magnification', 'backFocus'].includes(request.kind);
  const circle = results.find((r) => r.quantity === 'imageCircle');
  return (
    <Panel aria-label="Result" sx={{ p: 1.5, display: 'grid', gap: 1.25, alignContent: 'start' }}>
      {first === undefined ? (
        <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
          {request.kind === 'falloff' ? 'Bring a still of an even wall.' : 'A result stands here as soon as the readings tell one.'}
        </Typography>
      ) : (
        results.map((result) => {
          const isMain = result.quantity === first.quantity;
          return (
            <Box key={`${result.quantity} ${result.atMm}`}>
              <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>
                {quantityLabel(result.quantity)}
                {result.atMm !== null && charts.length > 1 ? ` at ${result.atMm} mm` : ''}
              </Typography>
              <Typography component="p" sx={{ fontFamily: figureFont, fontSize: isMain ? 26 : 16, lineHeight: 1.2 }}>
                {valueText(result.quantity, result.value, result.plusMinus)}{' '}
                {result.plusMinus > 0 && (
                  <Box component="span" sx={{ fontSize: isMain ? 17 : 14, color: 'text.secondary' }}>
                    {testedPlusMinus(result.quantity, result.plusMinus)}
                  </Box>
                )}
              </Typography>
              {offText(result) && <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>{offText(result)}</Typography>}
            </Box>
          );
        })
      )}
      {first !== undefined && request.kind !== 'price' && (
        <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>
          {request.kind === 'falloff'
            ? '± is how uneven the wall was, beyond a slope.'
            : 'The truth lies within ± in 95 of 100 such tests.'}
        </Typography>
      )}
      {next && first && <Typography sx={{ fontSize: 13.5 }}>{nextText(first.quantity, next, feet)}</Typography>}
      {findings.map((finding) => (
        <Typography
          key={finding.message}
          role="note"
          sx={{ fontSize: 13.5, borderLeft: 3, borderColor: finding.severity === 'note' ? 'divider' : 'warning.main', pl: 1 }}
        >
          {finding.message} {finding.fix}
        </Typography>
      ))}
      {action}
      {charts.map((chart) => (
        <FitChart
          key={`${chart.atMm} ${chart.isThrough}`}
          chart={chart}
          quantity={request.kind === 'magnification' ? 'focalLength' : (first?.quantity ?? 'weight')}
          marked={request.kind === 'magnification' ? null : (results.find((r) => r.atMm === chart.atMm)?.marked ?? null)}
          readings={measured.readings}
          feet={feet}
          byDistance={byDistance}
          title={
            chart.isThrough
              ? 'Through it: what each reading says alone'
              : request.kind === 'magnification'
                ? 'Without it: what each reading says alone'
                : `What each reading says alone${chart.atMm !== null ? `, at ${chart.atMm} mm` : ''}`
          }
        />
      ))}
      {falloff && request.wall && <FalloffMap wall={request.wall} falloff={falloff} circleMm={circle?.value ?? null} />}
    </Panel>
  );
}

/** The press that takes it into the record. */
export function AcceptButton({ isReady, onAccept }: { isReady: boolean; onAccept: () => void }) {
  return (
    <Button variant="contained" disabled={!isReady} onClick={onAccept} sx={{ minHeight: { xs: 52, md: 40 } }}>
      Take it into the record
    </Button>
  );
}
