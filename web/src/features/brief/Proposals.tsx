import { Box, Button, LinearProgress, MenuItem, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useDeferredValue, useState } from 'react';
import type { Fit, ShotInput } from '../../core/core';
import { fixed } from '../../ui/format';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { lookAt, shownKey, stopAsking, useAnswers, type Known } from './answers';
import { useProgress } from '../../core/searches';
import { shelfKey } from '../../core/searching';
import { useGear } from '../../gear/fitting';
import { changeShot } from './commands';
import { entriesOf, criteria } from './words';
import { ToBench, mostOnBench } from './ToBench';
import { Misses } from './Misses';
import { FitPlot } from './FitPlot';
import { Headings, Proposal } from './Proposal';
import { keyOf } from '../../gear/setRigs';
import { Caution } from './Caution';

export const List = styled('ul')({ listStyle: 'none', margin: 0, padding: 0 });

/** What fits, the best first, and what does not, with what would help. */
export function Proposals({ shot }: { shot: ShotInput }) {
  const now = useAnswers((s) => (s.shown?.shot.id === shot.id ? s.shown : null));
  // A hand that moves a wall goes before the list, which follows as fast as it can.
  const shown = useDeferredValue(now);
  const gear = useGear();
  const putTogether = useProgress((s) => s[shelfKey] ?? 0);
  return (
    <Box component="section" aria-label="What fits" sx={{ display: 'flex', flexDirection: 'column', minHeight: 0 }}>
      {(gear.state === 'away' || (gear.state !== 'ready' && !shown)) && (
        <Box role="status" sx={{ p: 1.5 }}>
          {gear.state === 'away' ? (
            <Typography sx={{ color: 'warning.main' }}>The shelf cannot be read now: {gear.say} It is tried again by itself.</Typography>
          ) : (
            <>
              <Typography sx={{ fontSize: 14, mb: 1 }}>
                {gear.state === 'opening' ? 'Fetching the shelf…' : 'Putting every lens on every camera…'}
              </Typography>
              <LinearProgress variant="determinate" value={100 * putTogether} aria-label="Progress" />
            </>
          )}
        </Box>
      )}
      {shown && <Answer key={shown.shot.id} known={shown} />}
    </Box>
  );
}

const Answer = memo(function Answer({ known }: { known: Known }) {
  const { answer, shot } = known;
  const [ticked, setTicked] = useState<string[]>([]);
  const failing = useAnswers((s) => s.failing);
  const showsMisses = failing || answer.fitCount === 0;
  // The rig that is chosen goes first where it is not among those that are told, such as one with a tube or punched in.
  const picked = useAnswers((s) => s.picked);
  const isTold = (one: Fit, fits: Fit[]) => fits.some((fit) => keyOf(fit) === keyOf(one));
  const withChosen = answer.chosen && !isTold(answer.chosen, answer.fits) ? [answer.chosen, ...answer.fits] : answer.fits;
  // So does one that was picked in the plot.
  const told = picked && answer.fits.length > 0 && !isTold(picked, withChosen) ? [picked, ...withChosen] : withChosen;
  const tickedFits = told.filter((fit) => ticked.includes(keyOf(fit)));
  return (
    <>
      <Head shot={shot} known={known} />
      <Box
        sx={{ display: 'flex', alignItems: 'center', gap: 0.5, px: 1, borderBottom: 1, borderColor: 'divider' }}
        role="group"
        aria-label="Which rigs"
      >
        <Button
          size="small"
          aria-pressed={!showsMisses}
          onClick={() => lookAt(false)}
          sx={{ '&[aria-pressed=true]': { bgcolor: 'background.default', fontWeight: 700 } }}
        >
          {answer.fitCount} give it
        </Button>
        <Button
          size="small"
          aria-pressed={showsMisses}
          onClick={() => lookAt(true)}
          sx={{ '&[aria-pressed=true]': { bgcolor: 'background.default', fontWeight: 700 } }}
        >
          {answer.missCount} do not
        </Button>
        <ToBench known={known} fits={tickedFits} />
      </Box>
      <Box sx={{ position: 'relative', overflowY: { md: 'auto' }, flex: 1, minHeight: 0 }}>
        {showsMisses ? (
          <Misses shot={shot} answer={answer} />
        ) : (
          <>
            {answer.chosenMiss && (
              <Typography
                role="status"
                sx={{ px: 1.5, py: 1, fontSize: 13.5, color: 'warning.main', borderBottom: 1, borderColor: 'divider' }}
              >
                The rig that is chosen does not give it: {answer.chosenMiss.message} {answer.chosenMiss.fix}{' '}
                <Button size="small" onClick={() => changeShot(shot.id, { chosen: null })}>
                  Let go of it
                </Button>
              </Typography>
            )}
            {answer.fitCount > 1 && <FitPlot shot={shot} />}
            <Headings />
            <List aria-label="Rigs that give it">
              {told.map((fit) => (
                <Proposal
                  key={keyOf(fit)}
                  shot={shot}
                  fit={fit}
                  ticked={ticked.includes(keyOf(fit))}
                  full={tickedFits.length >= mostOnBench}
                  onTick={(on) => setTicked(on ? [...ticked, keyOf(fit)] : ticked.filter((key) => key !== keyOf(fit)))}
                />
              ))}
            </List>
            {answer.fitCount > answer.fits.length && (
              <Typography sx={{ p: 1.5, fontSize: 13, color: 'text.secondary' }}>
                and {answer.fitCount - answer.fits.length} more, farther down by this order
              </Typography>
            )}
          </>
        )}
      </Box>
    </>
  );
});

function Head({ shot, known }: { shot: ShotInput; known: Known }) {
  const { answer, ms } = known;
  const { asking, stopped } = useAnswers();
  const progress = useProgress((s) => s[shownKey] ?? 0);
  return (
    <Box sx={{ p: 1, pb: 0.5, display: 'grid', gap: 0.75 }}>
      <LabelledSelect
        label="Best first by"
        help={`${answer.order} Sharp is 1/1500 of the diagonal; distances from the sensor mark. ${answer.looked} settings in ${fixed(ms, 0)} ms.`}
        value={shot.criterion ?? 'mostBlur'}
        onChange={(criterion) => changeShot(shot.id, { criterion })}
      >
        {entriesOf(criteria).map(([key, words]) => (
          <MenuItem key={key} value={key}>
            {words}
          </MenuItem>
        ))}
      </LabelledSelect>
      {answer.contradictions.map((c) => (
        <Typography key={c.code} role="alert" sx={{ fontSize: 13.5, color: c.severity === 'stops' ? 'error.main' : 'warning.main' }}>
          {c.message} {c.fix}
        </Typography>
      ))}
      {[...answer.cautions.map((c) => c.message), ...(shot.caution ? [shot.caution] : [])].map((caution) => (
        <Caution key={caution} text={caution} />
      ))}
      {asking && progress > 0 && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
          <LinearProgress variant="determinate" value={100 * progress} aria-label="Progress" sx={{ flex: 1 }} />
          <Button size="small" onClick={stopAsking}>
            Stop
          </Button>
        </Box>
      )}
      {stopped && (
        <Typography role="status" sx={{ fontSize: 13, color: 'warning.main' }}>
          Stopped: these are the answers of before the last change.
        </Typography>
      )}
    </Box>
  );
}
