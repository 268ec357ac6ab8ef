import { Box, Button, LinearProgress, MenuItem, Typography } from '@mui/material';
import { useState, type ReactNode } from 'react';
import { useSettings } from '../../../app/settings';
import { useProgress } from '../../../core/searches';
import { shelfKey } from '../../../core/searching';
import { useGear, useShelf } from '../../../gear/fitting';
import { LabelledChoice } from '../../../ui/LabelledChoice';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { rigLetter, RigMark } from '../../../ui/RigMark';
import { useBench, yardstickOf } from '../benchStore';
import { setYardstick } from '../commands';
import { Aspects } from './Aspects';
import { BlurCurve } from './BlurCurve';
import { CutView } from './CutView';
import { DescribeLook } from './DescribeLook';
import { MatchList } from './MatchList';
import { MissingGear } from './MissingGear';
import { pickedOf, useAsking, useLinked, useMatching } from './matchStore';
import { Pair } from './Pair';
import { SavedLooks } from './SavedLooks';

type What = 'look' | 'cut';
const whats: [What, string][] = [
  ['look', 'Copy a look'],
  ['cut', 'Cut together'],
];

/** One look to copy, a shelf to copy it from, the best answers with what is left over; or cameras that must cut together. */
export function MatchView() {
  const [what, setWhat] = useState<What>('look');
  useShelf();
  useAsking();
  return (
    <Box sx={{ display: 'grid', gap: 1, minWidth: 0 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'end', gap: 1.5 }}>
        <LabelledChoice label="What to match" value={what} choices={whats} onChange={setWhat} />
        <LookChoice label={what === 'look' ? 'The look is that of' : 'The one that leads'} />
        {what === 'look' && <DescribeLook />}
        {what === 'look' && <SavedLooks />}
      </Box>
      <Gear>{what === 'look' ? <Look /> : <CutView />}</Gear>
    </Box>
  );
}

/** Which rig of the Bench is the look: the yardstick, by its other name. */
function LookChoice({ label }: { label: string }) {
  const setup = useBench((s) => s.document.setup);
  const yardstick = yardstickOf(setup);
  return (
    <Box sx={{ width: 260, maxWidth: '100%' }}>
      <LabelledSelect label={label} value={setup.rigs[yardstick]!.id!} onChange={setYardstick}>
        {setup.rigs.map((rig, i) => (
          <MenuItem key={rig.id} value={rig.id}>
            {rigLetter(i)} {rig.name}
          </MenuItem>
        ))}
      </LabelledSelect>
    </Box>
  );
}

/** Waits for the shelf. */
function Gear({ children }: { children: ReactNode }) {
  const { state, say } = useGear();
  const putTogether = useProgress((s) => s[shelfKey] ?? 0);
  if (state === 'away') {
    return <Typography sx={{ color: 'warning.main', p: 1 }}>The shelf cannot be read now: {say} It is tried again by itself.</Typography>;
  }
  if (state !== 'ready') {
    return (
      <Box role="status" sx={{ p: 1.5, maxWidth: 480 }}>
        <Typography sx={{ fontSize: 14, mb: 1 }}>
          {state === 'opening' ? 'Fetching the shelf…' : 'Putting every lens on every camera…'}
        </Typography>
        <LinearProgress variant="determinate" value={100 * putTogether} aria-label="Progress" />
      </Box>
    );
  }
  return children;
}

function Look() {
  const setup = useBench((s) => s.document.setup);
  const { answer, asked } = useMatching();
  const match = useMatching(pickedOf);
  const linked = useLinked();
  const feet = useSettings((s) => s.feet);
  const [whys, setWhys] = useState(false);
  if (!answer || !asked) {
    return <Typography sx={{ p: 1, color: 'text.secondary' }}>Asking the shelf…</Typography>;
  }
  const look = yardstickOf(setup);
  const other = Math.min(setup.rigs.length, 11);
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1,
        alignItems: 'start',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1fr)', lg: '392px minmax(0, 1fr) 372px' },
      }}
    >
      <Box
        sx={{
          order: { xs: 2, lg: 1 },
          bgcolor: 'background.paper',
          p: 1,
          display: 'grid',
          gridTemplateColumns: 'minmax(0, 1fr)',
          gap: 1,
          minWidth: 0,
          overflowX: 'auto',
        }}
      >
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, fontSize: 13.5 }}>
          <RigMark index={look} size={22} />
          <span>against</span>
          <RigMark index={other} size={22} />
          <span style={{ minWidth: 0, overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
            {match ? [match.rig.bodyName, match.rig.lensName].filter(Boolean).join(', ') : 'nothing'}
          </span>
        </Box>
        <Aspects answer={answer} match={match} feet={feet} />
        <BlurCurve answer={answer} match={match} look={look} other={other} feet={feet} />
      </Box>
      <Box sx={{ order: { xs: 1, lg: 2 }, display: 'grid', gap: 1, minWidth: 0 }}>
        {match ? (
          <Pair asked={asked} match={match} look={look} other={other} linked={linked} />
        ) : (
          <Typography role="alert" sx={{ p: 1, color: 'warning.main' }}>
            {answer.contradictions[0]?.message ?? 'Nothing of this gear can be set for this look.'}{' '}
            {answer.contradictions[0]?.fix ?? 'Choose from more gear, or let the distance or the frame rate give way.'}
          </Typography>
        )}
        <MissingGear missing={answer.missing} />
        {match && (
          <Box sx={{ fontSize: 13.5 }}>
            <Button size="small" aria-expanded={whys} onClick={() => setWhys(!whys)}>
              Why another sensor looks the same, and where that ends
            </Button>
            {whys &&
              match.equality.map((sentence) => (
                <Typography key={sentence} sx={{ fontSize: 13.5, px: 1, pb: 0.5 }}>
                  {sentence}
                </Typography>
              ))}
          </Box>
        )}
      </Box>
      <Box
        sx={{
          order: 3,
          gridColumn: { md: '1 / -1', lg: 'auto' },
          minWidth: 0,
          display: 'grid',
          gridTemplateRows: 'minmax(0, 1fr)',
          maxHeight: { lg: 'calc(100vh - 190px)' },
        }}
      >
        <MatchList answer={answer} linked={linked} feet={feet} />
      </Box>
    </Box>
  );
}
