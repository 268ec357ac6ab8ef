import { Box, Button, Dialog, IconButton, MenuItem, Slider, Typography } from '@mui/material';
import { useColorScheme } from '@mui/material/styles';
import { useEffect, useRef, useState } from 'react';
import { isFocused, type RigInput, type RigReport, type SceneInput } from '../../core/core';
import { usePictures } from '../../picture/pictures';
import { CloseIcon } from '../../ui/icons';
import { LabelledChoice } from '../../ui/LabelledChoice';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { rigLetter, RigMark } from '../../ui/RigMark';
import { captionOf } from '../../picture/frameView';
import { FramePicture } from '../../picture/FramePicture';
import { Outline } from './Outline';
import { Sensors } from './Sensors';
import { Layer, Stage } from './Stage';
import { distanceOf } from '../../core/standing';
import { useCloser } from './closerStore';
import { savePng } from './takeOut';

type Way = 'wipe' | 'outlines' | 'turns' | 'sensors';

const ways: Record<Way, string> = { wipe: 'Wipe', outlines: 'Outlines', turns: 'In turn', sensors: 'Sensors' };
/** How long each frame is shown in turn. */
const turnMs = 1400;

interface LookCloserProps {
  name: string;
  scene: SceneInput;
  rigs: RigInput[];
  reports: RigReport[];
  yardstick: number;
  feet: boolean;
}

/** Two frames, large: one wiped over the other, in turn, or all fields as outlines in the widest. */
export function LookCloser(props: LookCloserProps) {
  const { open, first, close } = useCloser();
  // Undo may take rigs away beneath it, and a field at fault may leave reports of other rigs.
  const count = Math.min(props.rigs.length, props.reports.length);
  const chosen = props.rigs.slice(0, count).findIndex((rig) => rig.id === first);
  const shown = open && chosen >= 0;
  const isGone = open && !shown;
  useEffect(() => {
    if (isGone) close();
  }, [isGone, close]);
  return (
    <Dialog open={shown} onClose={close} fullWidth maxWidth="xl" aria-labelledby="closer-title">
      {shown && (
        <Closer
          key={props.rigs.map((rig) => rig.id).join()}
          {...props}
          rigs={props.rigs.slice(0, count)}
          reports={props.reports.slice(0, count)}
          chosen={chosen}
          onClose={close}
        />
      )}
    </Dialog>
  );
}

function Closer({
  name,
  scene,
  rigs,
  reports,
  yardstick,
  feet,
  chosen,
  onClose,
}: LookCloserProps & { chosen: number; onClose: () => void }) {
  const other = chosen !== yardstick ? Math.min(yardstick, rigs.length - 1) : chosen === 0 ? Math.min(1, rigs.length - 1) : 0;
  const [first, setFirst] = useState(chosen);
  const [second, setSecond] = useState(other);
  const [way, setWay] = useState<Way>('wipe');
  const [wipe, setWipe] = useState(50);
  const [turn, setTurn] = useState(false);
  const [running, setRunning] = useState(() => !matchMedia('(prefers-reduced-motion: reduce)').matches);
  const spread = new Set(rigs.map((rig) => distanceOf(rig, scene))).size > 1;
  const dark = useColorScheme().colorScheme === 'dark';
  const failed = usePictures((s) => s.failed);
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (way !== 'turns' || !running) return;
    const timer = setInterval(() => setTurn((now) => !now), turnMs);
    return () => clearInterval(timer);
  }, [way, running]);

  const widest = reports.reduce(
    (best, r, i) => (isFocused(r) && !(r.figures.fieldWidthMm <= reports[best]!.figures.fieldWidthMm) ? i : best),
    0,
  );
  const [under, over] = way === 'outlines' ? [widest, null] : [first, second];
  const share = (side: 'fieldWidthMm' | 'fieldHeightMm', r: RigReport) => r.figures[side] / reports[widest]!.figures[side];
  const aspect = reports[under]!.figures.deliveredAspect;
  const layer = (index: number) =>
    isFocused(reports[index]!) ? (
      <FramePicture key={index} index={index} rig={rigs[index]!} figures={reports[index]!.figures} scene={scene} dark={dark} />
    ) : (
      <Typography sx={{ color: '#fff', p: 2 }}>Rig {rigLetter(index)} has no focus at this distance.</Typography>
    );
  const save = () => {
    const canvases = [...(box.current?.querySelectorAll('canvas') ?? [])].filter((c) => c.dataset['samples'] !== undefined);
    const frames = canvases.map((canvas) => {
      const i = Number(canvas.dataset['rig']);
      return { canvas, lines: captionOf(i, rigs[i]!, reports[i]!, scene, feet) };
    });
    if (frames.length > 0) void savePng(name, frames);
  };
  const choice = (label: string, value: number, set: (value: number) => void) => (
    <LabelledSelect label={label} value={String(value)} onChange={(next) => set(Number(next))}>
      {rigs.map((rig, i) => (
        <MenuItem key={i} value={String(i)}>
          {rigLetter(i)} {rig.name}
        </MenuItem>
      ))}
    </LabelledSelect>
  );

  return (
    <Box sx={{ display: 'grid', gap: 1, p: 1.5 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'end' }}>
        <Typography id="closer-title" component="h2" sx={{ fontSize: 18, fontWeight: 650, alignSelf: 'center' }}>
          Look closer
        </Typography>
        <Box
          sx={{
            display: 'flex',
            gap: 1,
            visibility: way === 'outlines' || way === 'sensors' ? 'hidden' : undefined,
            '& > *': { width: 180 },
          }}
        >
          {choice(way === 'wipe' ? 'Left' : 'First', first, setFirst)}
          {choice(way === 'wipe' ? 'Right' : 'Then', second, setSecond)}
        </Box>
        <LabelledChoice label="How two frames are shown" value={way} choices={Object.entries(ways) as [Way, string][]} onChange={setWay} />
        <Box sx={{ flex: 1 }} />
        <Button onClick={save} disabled={failed !== null || way === 'sensors'}>
          Save as PNG
        </Button>
        <IconButton onClick={onClose} aria-label="Close">
          <CloseIcon />
        </IconButton>
      </Box>
      {way === 'sensors' && <Sensors rigs={rigs} reports={reports} />}
      <Stage
        ref={box}
        hidden={way === 'sensors'}
        style={{ aspectRatio: aspect, width: `min(100%, calc((100vh - 250px) * ${aspect}))` }}
        data-testid="closer"
      >
        <Layer>{layer(under)}</Layer>
        {over !== null && (
          <Layer style={way === 'wipe' ? { clipPath: `inset(0 0 0 ${wipe}%)` } : { visibility: turn ? undefined : 'hidden' }}>
            {layer(over)}
          </Layer>
        )}
        {way === 'wipe' && (
          <Box sx={{ position: 'absolute', top: 0, bottom: 0, left: `${wipe}%`, width: '2px', ml: '-1px', bgcolor: '#fff' }} />
        )}
        {way === 'outlines' &&
          reports.map(
            (r, i) =>
              i !== widest &&
              isFocused(r) && <Outline key={i} index={i} across={share('fieldWidthMm', r)} up={share('fieldHeightMm', r)} />,
          )}
        <Box sx={{ position: 'absolute', left: 6, top: 6, bgcolor: 'background.paper', borderRadius: 1, lineHeight: 0, p: '2px' }}>
          <RigMark index={way === 'turns' && turn ? second : under} size={24} />
        </Box>
        {way === 'wipe' && (
          <Box sx={{ position: 'absolute', right: 6, top: 6, bgcolor: 'background.paper', borderRadius: 1, lineHeight: 0, p: '2px' }}>
            <RigMark index={second} size={24} />
          </Box>
        )}
      </Stage>
      <Box sx={{ minHeight: 44, display: 'flex', alignItems: 'center', justifyContent: 'center', px: 2 }}>
        {way === 'wipe' && (
          <Slider
            value={wipe}
            onChange={(_, next) => setWipe(next)}
            aria-label="Where one frame ends and the other begins"
            sx={{ maxWidth: 900 }}
          />
        )}
        {way === 'turns' && (
          <>
            <Button onClick={() => setTurn(!turn)}>The other</Button>
            <Button onClick={() => setRunning(!running)} aria-pressed={running}>
              {running ? 'Stop' : 'Go on by itself'}
            </Button>
          </>
        )}
        {way === 'sensors' && (
          <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
            What each mode uses of its sensor for the delivered shape, and in thin lines all that it reads; all to one scale.
          </Typography>
        )}
        {way === 'outlines' && (
          <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
            What each rig takes in at the subject, in the widest of them.
            {spread
              ? ' At other depths it differs: not all stand at one distance.'
              : ' What is nearer or farther keeps its size, too: all look from one spot.'}
          </Typography>
        )}
      </Box>
    </Box>
  );
}
