import { Box, Button, LinearProgress, MenuItem, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { useMemo } from 'react';
import { figureFont } from '../../../app/theme';
import { useSettings } from '../../../app/settings';
import { core, type Cut, type Diagnostic } from '../../../core/core';
import { useProgress } from '../../../core/searches';
import { same } from '../../../documents/merging';
import { besidesOf } from '../../../gear/setRigs';
import { aperture, distance, fixed, plain, stops, withUnit } from '../../../ui/format';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { rigLetter, RigMark } from '../../../ui/RigMark';
import { useBench, yardstickOf } from '../benchStore';
import { Layer, RigFrame, Stage } from '../Stage';
import { setCut } from './matchCommands';
import { rigOnBench } from './rigOnBench';
import { camerasOf, cutTogether, setMatch, stopCutting, useLinked, useMatch, useMatching, type Match } from './matchStore';

const Table = styled('table')(({ theme }) => ({
  borderCollapse: 'collapse',
  width: '100%',
  fontSize: 13.5,
  '& th': {
    textAlign: 'left',
    fontWeight: 400,
    fontSize: 12,
    color: theme.vars!.palette.text.secondary,
    padding: '4px 8px',
    whiteSpace: 'nowrap',
  },
  '& th.figure, & td.figure': { textAlign: 'right', fontFamily: figureFont, fontSize: 12.5, whiteSpace: 'nowrap' },
  '& td': { padding: '6px 8px', borderTop: `1px solid ${theme.vars!.palette.divider}` },
  '& td small': { display: 'block', color: theme.vars!.palette.text.secondary },
  '& tr[data-odd=true] td': { background: theme.vars!.palette.background.default },
}));

const agreeable: [keyof Match['agree'], string, string, number][] = [
  ['blur', 'Blur', 'The blur of what is behind, as a share of the picture’s height.', 1],
  ['sharpZone', 'Sharp zone', 'The depth of the sharp zone.', 0.25],
  ['blurShape', 'Discs', 'The shape of discs: the squeeze.', 0.5],
  ['light', 'Light', 'Light that reaches the sensor: what lamps or sensitivity must make up for.', 0.25],
  ['pixels', 'Pixels', 'How much what is recorded is enlarged for delivery.', 0.5],
];
const none: Pick<ReturnType<typeof useMatching.getState>, 'cut' | 'cutProblems'> = { cut: null, cutProblems: [] };
const weights = [0, 0.25, 0.5, 1, 2, 5];
const moves = [0, 0.1, 0.2, 0.5, 1];

/** Cameras of one scene that must cut together: which lenses, none of them twice, and how they are set. */
export function CutView() {
  const setup = useBench((s) => s.document.setup);
  const match = useMatch();
  const { cutting, cutOf } = useMatching();
  // Compared by what it says: what is saved comes back as another object.
  const isOf = useMemo(
    () => cutOf !== null && same(cutOf, { setup, agree: match.agree, movesShare: match.movesShare }),
    [cutOf, setup, match.agree, match.movesShare],
  );
  const { cut, cutProblems } = useMatching((s) => (isOf ? s : none));
  const progress = useProgress((s) => s['cut'] ?? 0);
  const linked = useLinked();
  const cameras = camerasOf(setup);
  const lead = setup.rigs[yardstickOf(setup)]!;
  const may = cameras.length >= 2 && cameras.length <= 5 && cameras.some(({ rig }) => rig === lead);
  return (
    <Box sx={{ display: 'grid', gap: 1, bgcolor: 'background.paper', p: 1 }}>
      <Typography sx={{ fontSize: 14, maxWidth: 900 }}>
        Each rig of the Bench that has a body is a camera: it keeps its body, its framing and its distance. The shelf gives them lenses,
        none of them twice, so that they agree with the one that leads. A zoom is set from where its camera stands; for a prime the camera
        moves.
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'end', '& > div': { width: 112 } }}>
        {agreeable.map(([key, name, help, usual]) => (
          <LabelledSelect
            key={key}
            label={name}
            help={help}
            value={String(match.agree[key] ?? usual)}
            onChange={(value) => setMatch({ agree: { ...match.agree, [key]: Number(value) } })}
          >
            {[...new Set([...weights, match.agree[key] ?? usual])].map((w) => (
              <MenuItem key={w} value={String(w)}>
                {w === 0 ? 'told' : `× ${plain(w, 2)}`}
              </MenuItem>
            ))}
          </LabelledSelect>
        ))}
        <LabelledSelect
          label="May move by"
          help="How much nearer or farther a camera may stand, so that a prime frames."
          value={String(match.movesShare)}
          onChange={(value) => setMatch({ movesShare: Number(value) })}
        >
          {[...new Set([...moves, match.movesShare])].map((share) => (
            <MenuItem key={share} value={String(share)}>
              {share === 0 ? 'nothing' : withUnit(plain(100 * share, 0), '%')}
            </MenuItem>
          ))}
        </LabelledSelect>
        <Button variant="contained" disabled={!may || cutting} onClick={() => cutTogether(linked)}>
          Find lenses
        </Button>
      </Box>
      {!may && (
        <Typography role="status" sx={{ fontSize: 13.5, color: 'warning.main' }}>
          {cameras.length < 2
            ? 'Put two to five rigs with bodies of the shelf on the Bench: here are too few.'
            : cameras.length > 5
              ? `${cameras.length} cameras are on the Bench; up to 5 can be cut together.`
              : 'The one that leads has no body of the shelf: let another lead.'}
        </Typography>
      )}
      {cutting && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, maxWidth: 480 }}>
          <LinearProgress variant="determinate" value={100 * progress} aria-label="Progress" sx={{ flex: 1 }} />
          <Button size="small" onClick={stopCutting}>
            Stop
          </Button>
        </Box>
      )}
      {[...cutProblems, ...(cut?.misses ?? [])].map((problem: Diagnostic) => (
        <Typography key={problem.message} role="alert" sx={{ fontSize: 13.5, color: 'warning.main' }}>
          {problem.message} {problem.fix}
        </Typography>
      ))}
      {cut?.kept && <Answer title="As soft behind as the lead is now" cut={cut.kept} />}
      {cut?.given && <Answer title="The lead gives way, and the others follow" cut={cut.given} />}
    </Box>
  );
}

/** One way for the cameras to cut together. */
function Answer({ title, cut }: { title: string; cut: Cut }) {
  const setup = useBench((s) => s.document.setup);
  const feet = useSettings((s) => s.feet);
  const lead = setup.rigs[yardstickOf(setup)]!.id;
  return (
    <Box component="section" aria-label={title} sx={{ overflowX: 'auto' }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1, mt: 0.5 }}>
        <Typography component="h2" sx={{ fontSize: 15, fontWeight: 650 }}>
          {title}
        </Typography>
        <Button size="small" onClick={() => setCut(cut)}>
          Set the Bench so
        </Button>
      </Box>
      <Typography role="status" sx={{ fontSize: 14, mb: 0.5 }}>
        {cut.say}
        {!cut.isProven && ' It is not proven that no other way agrees better.'}
      </Typography>
      <Frames cut={cut} />
      <Table>
        <thead>
          <tr>
            <th scope="col">Camera</th>
            <th scope="col">Lens</th>
            <th scope="col" className="figure">
              Set to
            </th>
            <th scope="col" className="figure">
              From
            </th>
            {['Blur', 'Sharp zone', 'Light', 'Discs', 'Pixels', 'Off all others'].map((head) => (
              <th key={head} scope="col" className="figure">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {cut.shares.map((share) => {
            const index = setup.rigs.findIndex((rig) => rig.id === share.camera);
            const off = (aspect: string) => stops(share.rest.find((r) => r.aspect === aspect)!.stops);
            const leads = share.camera === lead;
            return (
              <tr key={share.camera} data-odd={share.camera === cut.odd}>
                <td>
                  <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
                    <RigMark index={index} size={22} /> {share.rig.bodyName}
                  </Box>
                  <small>
                    {leads
                      ? 'leads'
                      : share.camera === cut.odd
                        ? 'the odd one'
                        : `follows ${rigLetter(setup.rigs.findIndex((r) => r.id === lead))}`}
                  </small>
                </td>
                <td>
                  {share.rig.lensName || 'its own'}
                  <small>{besidesOf(share.rig)}</small>
                </td>
                <td className="figure">
                  {withUnit(plain(share.focalLengthMm, 1), 'mm')} {aperture(share.fNumber)}
                </td>
                <td className="figure">{distance(share.distanceMm, feet)}</td>
                <td className="figure">{leads ? withUnit(fixed(100 * share.blurShare, 2), '%') : off('blur')}</td>
                <td className="figure">{leads ? `± ${distance(share.sharpMm, feet)}` : off('sharpZone')}</td>
                <td className="figure">{leads ? '' : off('light')}</td>
                <td className="figure">{leads ? '' : off('blurShape')}</td>
                <td className="figure">{leads ? '' : stops(share.pixelStops)}</td>
                <td className="figure">{fixed(share.offOthers, 2)}</td>
              </tr>
            );
          })}
        </tbody>
      </Table>
    </Box>
  );
}

/** The picture that each camera would give, in one row. */
function Frames({ cut }: { cut: Cut }) {
  const setup = useBench((s) => s.document.setup);
  const seen = useMemo(() => {
    const rigs = cut.shares.flatMap((share) => {
      const index = setup.rigs.findIndex((rig) => rig.id === share.camera);
      const rig = index < 0 ? null : rigOnBench(share, { ...setup, rigs: [setup.rigs[index]!] });
      return rig ? [{ rig, index }] : [];
    });
    const reports = rigs.length > 0 ? core().evaluate({ ...setup, rigs: rigs.map(({ rig }) => rig), yardstick: '' }) : null;
    return reports ? rigs.map((one, i) => ({ ...one, figures: reports[i]!.figures })) : [];
  }, [cut, setup]);
  return (
    <Box sx={{ display: 'grid', gap: 0.75, gridTemplateColumns: 'repeat(auto-fit, minmax(150px, 230px))', my: 0.5 }}>
      {seen.map(({ rig, index, figures }) => (
        <Stage key={index} style={{ aspectRatio: figures.deliveredAspect, width: '100%' }}>
          <Layer>
            <RigFrame index={index} rig={rig} figures={figures} scene={setup.scene} />
          </Layer>
          <Box sx={{ position: 'absolute', left: 4, top: 4, bgcolor: 'background.paper', borderRadius: 1, lineHeight: 0, p: '2px' }}>
            <RigMark index={index} size={20} />
          </Box>
        </Stage>
      ))}
    </Box>
  );
}
