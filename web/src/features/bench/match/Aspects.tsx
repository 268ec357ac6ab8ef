import { Box, Chip, MenuItem, Select, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { figureFont } from '../../../app/theme';
import type { AspectWish, LookMatch, LookResponse } from '../../../core/core';
import { distance, stops } from '../../../ui/format';
import { EntryField } from '../../../ui/EntryField';
import { useBench } from '../benchStore';
import { aspects, restText, toleranceText, tolerances, type Told } from './aspects';
import { matchOf, setAspect, setMatch } from './matchStore';

const Table = styled('table')(({ theme }) => ({
  borderCollapse: 'collapse',
  width: '100%',
  fontSize: 13,
  '& th': { textAlign: 'left', fontWeight: 400, color: theme.vars!.palette.text.secondary, padding: '2px 6px 2px 0', whiteSpace: 'nowrap' },
  '& thead th': { fontSize: 12 },
  '& thead th:not(:first-of-type):not(:last-of-type)': { textAlign: 'right' },
  '& td': { padding: '0 6px', textAlign: 'right', fontFamily: figureFont, fontSize: 12.5, whiteSpace: 'nowrap', height: 32 },
  '& td:last-of-type': { paddingRight: 0 },
  '& tr[data-off=true] td.rest': { fontWeight: 700 },
  '& td.broken': { color: theme.vars!.palette.warning.main },
}));

const weights = [0, 0.5, 1, 2, 5];
const weightText = (weight: number) => (weight === 0 ? 'told' : `× ${weight === 0.5 ? '½' : weight}`);
const pinned = 'pin';
/** Less is not told in bold, stops. */
const slight = 0.05;
const mostDistances = 7;

/** What makes the look, what the answer has of it, what is left over, and how much of it counts. */
export function Aspects({ answer, match, feet }: { answer: LookResponse; match: LookMatch | null; feet: boolean }) {
  return (
    <Box component="section" aria-label="What makes the look">
      <Table>
        <thead>
          <tr>
            <th scope="col">Of it</th>
            <th scope="col">Look</th>
            <th scope="col">Answer</th>
            <th scope="col">Left over</th>
            <th scope="col">Counts</th>
          </tr>
        </thead>
        <tbody>
          {aspects.map((told) => {
            const rest = match?.rest.find((r) => r.aspect === told.aspect);
            return (
              <tr key={told.aspect} data-off={rest !== undefined && Math.abs(rest.stops) >= slight}>
                <th scope="row" title={told.help}>
                  {told.name}
                </th>
                <td>{answer.look && told.text(answer.look, feet)}</td>
                <td>{match && told.text(match.look, feet)}</td>
                <td className={match?.broken.includes(told.aspect) ? 'rest broken' : 'rest'}>{rest && restText(told, rest)}</td>
                <td>
                  <Counts told={told} wish={answer.aspects[told.aspect] ?? {}} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </Table>
      <Distances answer={answer} match={match} feet={feet} />
    </Box>
  );
}

/** How much an aspect counts, or that it must be met, and how nearly. */
function Counts({ told, wish }: { told: Told; wish: AspectWish }) {
  const weight = wish.weight ?? 0;
  const tolerance = wish.tolerance ?? 0;
  const known = (values: number[], value: number) => (values.includes(value) ? values : [...values, value].sort((a, b) => a - b));
  const select = (label: string, value: string, onChange: (value: string) => void, choices: [string, string][]) => (
    <Select
      variant="standard"
      disableUnderline
      value={value}
      onChange={(event) => onChange(event.target.value)}
      inputProps={{ 'aria-label': label }}
      sx={{ fontSize: 12.5, minHeight: 30, textAlign: 'left' }}
    >
      {choices.map(([key, text]) => (
        <MenuItem key={key} value={key}>
          {text}
        </MenuItem>
      ))}
    </Select>
  );
  return (
    <Box sx={{ display: 'flex', justifyContent: 'flex-start', gap: 0.5, minWidth: 64 }}>
      {select(
        `How much ${told.name.toLowerCase()} counts`,
        wish.pinned ? pinned : String(weight),
        (value) =>
          setAspect(told.aspect, value === pinned ? { weight: Math.max(weight, 1), pinned: true, tolerance } : { weight: Number(value) }),
        [...known(weights, weight).map((w): [string, string] => [String(w), weightText(w)]), [pinned, 'must']],
      )}
      {wish.pinned &&
        select(
          `How nearly ${told.name.toLowerCase()} must be met`,
          String(tolerance),
          (value) => setAspect(told.aspect, { weight, pinned: true, tolerance: Number(value) }),
          known(tolerances(told), tolerance).map((t) => [String(t), toleranceText(told, t)]),
        )}
    </Box>
  );
}

/** The distances behind the subject at which blur is compared besides that of what is behind. */
function Distances({ answer, match, feet }: { answer: LookResponse; match: LookMatch | null; feet: boolean }) {
  const also = useBench((s) => matchOf(s.document).alsoBehindMm);
  const far = (mm: number | null) => (mm === null ? '∞' : distance(mm, feet));
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 0.75, mt: 0.75 }}>
      <Typography sx={{ fontSize: 12, color: 'text.secondary' }}>Blur at {far(answer.behindMm[0] ?? null)} behind</Typography>
      {also.map((mm, i) => (
        <Chip
          key={`${mm}`}
          size="small"
          label={`${far(mm)}${match ? `: ${stops(match.blurRests[i + 1] ?? 0)}` : ''}`}
          onDelete={() => setMatch({ alsoBehindMm: also.filter((_, j) => j !== i) })}
        />
      ))}
      {also.length < mostDistances && (
        <Box sx={{ width: 132 }}>
          <EntryField
            label="and at"
            help="A further distance behind the subject at which blur is compared. It is added once you stop typing."
            kind="behindSubject"
            shown=""
            placeholder="2.5m or inf"
            feet={feet}
            beside
            onValue={(mm) => {
              const next = Number.isFinite(mm) ? mm : null;
              // Nearer than a millimetre is at the subject.
              if ((next === null || next >= 1) && !also.includes(next)) later(next);
            }}
          />
        </Box>
      )}
    </Box>
  );
}

let typing: ReturnType<typeof setTimeout> | undefined;
const typedAfterMs = 900;

/** Adds a distance once the hand has stopped typing it: half of it is another one. */
function later(mm: number | null): void {
  clearTimeout(typing);
  typing = setTimeout(() => setMatch({ alsoBehindMm: [...matchOf(useBench.getState().document).alsoBehindMm, mm] }), typedAfterMs);
}
