import { chosenBag } from '../../../gear/bags';
import { Box, Button, FormControlLabel, LinearProgress, MenuItem, Switch, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { useMemo, useState } from 'react';
import type { ProductionDocument } from '../../../api/client';
import { figureFont } from '../../../app/theme';
import { useSettings } from '../../../app/settings';
import type { LookMatch, LookResponse } from '../../../core/core';
import { useProgress } from '../../../core/searches';
import { Plot } from '../../../drawing/Plot';
import { useGear } from '../../../gear/fitting';
import { addedTo, keyOf } from '../../../gear/setRigs';
import { aperture, distance, fixed, percent, plain, stops, withUnit } from '../../../ui/format';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { axesOf } from './matchAxes';
import { lookKey, pick, pickedOf, setMatch, stopAsking, useMatch, useMatching, type Among, type Match } from './matchStore';

const Rows = styled('ul')(({ theme }) => ({
  listStyle: 'none',
  margin: 0,
  padding: 0,
  overflowY: 'auto',
  flex: 1,
  minHeight: 0,
  '& button': {
    display: 'grid',
    gridTemplateColumns: 'minmax(0, 1fr) 58px 54px 52px',
    columnGap: 6,
    width: '100%',
    padding: '5px 8px',
    border: 0,
    borderBottom: `1px solid ${theme.vars!.palette.divider}`,
    background: 'none',
    color: 'inherit',
    font: 'inherit',
    fontSize: 13,
    textAlign: 'left',
    cursor: 'pointer',
  },
  '& button[aria-pressed=true]': {
    background: theme.vars!.palette.background.default,
    boxShadow: `inset 3px 0 0 ${theme.vars!.palette.primary.main}`,
  },
  '& button:focus-visible': { outline: `2px solid ${theme.vars!.palette.primary.main}`, outlineOffset: -2 },
  '& i': { fontStyle: 'normal', fontFamily: figureFont, fontSize: 12.5, textAlign: 'right', whiteSpace: 'nowrap' },
  '& span': { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' },
  '& small': { display: 'block', color: theme.vars!.palette.text.secondary, overflow: 'hidden', textOverflow: 'ellipsis' },
}));

const Heads = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) 58px 54px 52px',
  columnGap: 6,
  padding: '4px 8px',
  fontSize: 12,
  color: theme.vars!.palette.text.secondary,
  borderBottom: `1px solid ${theme.vars!.palette.divider}`,
  '& span:not(:first-of-type)': { textAlign: 'right' },
}));

const ties: Record<Match['tie'], string> = { ownership: 'ours first', price: 'least price', weight: 'least weight' };
const restOf = (match: LookMatch, aspect: 'framing' | 'blur') => match.rest.find((r) => r.aspect === aspect)!;

/** What of the shelf comes near, as a plot and as a list: the nearest first. */
export function MatchList({ answer, linked, feet }: { answer: LookResponse; linked: ProductionDocument | null; feet: boolean }) {
  const all = useMatching((s) => s.all);
  const picked = useMatching((s) => pickedOf(s));
  const items = useGear((s) => s.items);
  const axes = useMemo(() => axesOf(items, feet), [items, feet]);
  const { matchAcross, matchUp, choosePlot } = useSettings();
  return (
    <Box
      component="section"
      aria-label="What comes near"
      sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, bgcolor: 'background.paper' }}
    >
      <Head answer={answer} linked={linked} />
      {all.length > 1 && (
        <Plot
          things={all}
          axes={axes}
          across={matchAcross}
          up={matchUp}
          onAxes={({ across, up }) => choosePlot({ ...(across && { matchAcross: across }), ...(up && { matchUp: up }) })}
          keyOf={keyOf}
          nameOf={({ rig }) => [rig.bodyName, rig.lensName].filter(Boolean).join(', ')}
          picked={picked && keyOf(picked)}
          onPick={pick}
          isWarned={(match) => match.tier > 0 || match.broken.length > 0}
          label="What comes near, from left to right"
        />
      )}
      <Heads aria-hidden>
        <span>Camera, lens</span>
        <span>Framing</span>
        <span>Blur</span>
        <span>All</span>
      </Heads>
      <Rows aria-label="What comes near, the nearest first">
        {answer.matches.map((match) => (
          <li key={keyOf(match)}>
            <button
              type="button"
              aria-pressed={picked !== null && keyOf(picked) === keyOf(match)}
              onClick={() => pick(match)}
              title={match.say}
            >
              <span>
                {[match.rig.bodyName, match.rig.lensName].filter(Boolean).join(', ')}
                <small>
                  {[
                    `${withUnit(plain(match.focalLengthMm, 1), 'mm')} ${aperture(match.fNumber)}`,
                    distance(match.distanceMm, feet),
                    match.rig.mode,
                    addedTo(match.rig),
                    match.broken.length > 0 && 'not what is pinned',
                    match.tier > 1 && 'spoilt',
                    match.tier === 1 && 'at a cost',
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </small>
              </span>
              <i>{percent(100 * restOf(match, 'framing').share)}</i>
              <i>{stops(restOf(match, 'blur').stops)}</i>
              <i>{fixed(match.sum, match.sum < 9.95 ? 2 : 0)}</i>
            </button>
          </li>
        ))}
      </Rows>
      <Misses answer={answer} />
    </Box>
  );
}

/** What is chosen from, what decides between equals, and how far the search is. */
function Head({ answer, linked }: { answer: LookResponse; linked: ProductionDocument | null }) {
  const { among, asking, stopped, ms, problems } = useMatching();
  const match = useMatch();
  const progress = useProgress((s) => s[lookKey] ?? 0);
  const wished = useGear((s) => [...s.items.values()].some((item) => item['ownership'] === 'wish'));
  return (
    <Box sx={{ p: 1, pb: 0.5, display: 'grid', gap: 0.75 }}>
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 1fr' }}>
        <LabelledSelect<Among> label="Out of" value={among} onChange={(next) => useMatching.setState({ among: next })}>
          <MenuItem value="shelf">the whole shelf</MenuItem>
          <MenuItem value="bag" disabled={!linked || !chosenBag(linked)}>
            the production’s bag
          </MenuItem>
        </LabelledSelect>
        <LabelledSelect
          label="Of equals"
          help={`${answer.looked} settings in ${fixed(ms, 0)} ms. What differs by a hundredth of a stop is as good; it is proven to as much that none is better.`}
          value={match.tie}
          onChange={(tie) => setMatch({ tie })}
        >
          {Object.entries(ties).map(([key, words]) => (
            <MenuItem key={key} value={key}>
              {words}
            </MenuItem>
          ))}
        </LabelledSelect>
      </Box>
      {wished && (
        <FormControlLabel
          control={<Switch size="small" checked={match.wishes} onChange={(_, wishes) => setMatch({ wishes })} />}
          label="What is wished for too"
          slotProps={{ typography: { sx: { fontSize: 13 } } }}
        />
      )}
      {[...problems, ...answer.contradictions].map((c) => (
        <Typography key={c.message} role="alert" sx={{ fontSize: 13.5, color: 'warning.main' }}>
          {c.message} {c.fix}
        </Typography>
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
          Stopped: it is not proven that none comes nearer.
        </Typography>
      )}
    </Box>
  );
}

/** What cannot be set at all, and why. */
function Misses({ answer }: { answer: LookResponse }) {
  const [open, setOpen] = useState(false);
  if (answer.misses.length === 0) {
    return null;
  }
  const shown = open || answer.matches.length === 0;
  return (
    <Box sx={{ borderTop: 1, borderColor: 'divider', fontSize: 13 }}>
      {answer.matches.length > 0 && (
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
          What cannot be set so
        </Button>
      )}
      {shown &&
        answer.misses.map((miss) => (
          <Typography key={miss.code} sx={{ fontSize: 13, px: 1, pb: 0.75, color: 'text.secondary' }}>
            {miss.message}
          </Typography>
        ))}
    </Box>
  );
}
