import { comparison } from '../../documents/kinds';
import { startWork } from '../../documents/outbox';
import { Box, Button, Tooltip } from '@mui/material';
import { Link, useNavigate } from 'react-router';
import type { Fit } from '../../core/core';
import { useAnswers, type Known } from './answers';
import { gearHere } from '../../gear/fitting';
import { useProduction } from './productionStore';
import { changeShot } from './commands';
import { comparisonOf } from './rigs';

export const mostOnBench = 3;

/** One press takes proposals to the Bench, as a comparison of their own. */
export function BenchButton({ fits, label }: { fits: Fit[]; label: string }) {
  const navigate = useNavigate();
  const take = async () => {
    const known = useAnswers.getState().shown;
    const production = useProduction.getState().name;
    // A press on what the server answered before the gear was here is not lost.
    await gearHere();
    const document = known && comparisonOf(known.place, known.shot, known.delivery, known.answer, fits);
    if (document) {
      const name = `${production}: ${known.shot.name}`.slice(0, 120);
      const { id: productionId } = useProduction.getState();
      const shot = { productionId, shotId: known.shot.id };
      const id = await startWork(comparison, { name, document: { ...document, shot } });
      changeShot(known.shot.id, { comparisonId: id });
      void navigate(`/bench/${id}`);
    }
  };
  return (
    <Button size="small" variant="contained" onClick={() => void take()}>
      {label}
    </Button>
  );
}

export function ToBench({ known, fits }: { known: Known; fits: Fit[] }) {
  const count = fits.length;
  if (known.answer.fits.length === 0) {
    return null;
  }
  return (
    <Box sx={{ ml: 'auto', display: 'flex', gap: 0.5 }}>
      {known.shot.comparisonId != null && (
        <Button size="small" component={Link} to={`/bench/${known.shot.comparisonId}`}>
          Its comparison
        </Button>
      )}
      {count > 0 ? (
        <BenchButton fits={fits} label={`${count} to the Bench`} />
      ) : (
        <Tooltip title="Tick up to three to put them side by side">
          <span>
            <BenchButton
              fits={known.answer.fits.slice(0, mostOnBench)}
              label={`Best ${Math.min(mostOnBench, known.answer.fits.length)} to the Bench`}
            />
          </span>
        </Tooltip>
      )}
    </Box>
  );
}
