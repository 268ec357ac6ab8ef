import { Box, Button, Slider, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import type { ProductionDocument } from '../../../api/client';
import { core, isFocused, type LookMatch, type Setup } from '../../../core/core';
import { changeStored } from '../../../documents/changeStored';
import { production } from '../../../documents/kinds';
import { bagsOf, chosenGear, withThings } from '../../../gear/bags';
import { chosenOfSetting, keyOf } from '../../../gear/setRigs';
import { LabelledChoice } from '../../../ui/LabelledChoice';
import { RigMark } from '../../../ui/RigMark';
import { SaidBar, type Said } from '../../../ui/SaidBar';
import { useBench } from '../benchStore';
import { Outline } from '../Outline';
import { addRigs, mostRigs } from '../rowCommands';
import { choose } from '../ShotLink';
import { Layer, RigFrame, Stage } from '../Stage';
import { rigOnBench } from './rigOnBench';

type Way = 'wipe' | 'outlines';
const ways: [Way, string][] = [
  ['wipe', 'Wipe'],
  ['outlines', 'Outlines'],
];

interface PairProps {
  /** The look alone: the setup that the answer is of. */
  asked: Setup;
  match: LookMatch;
  /** Places of look and answer in the row. */
  look: number;
  other: number;
  linked: ProductionDocument | null;
}

/** The look and the answer as two frames, and what can be done with the answer. */
export function Pair({ asked, match, look, other, linked }: PairProps) {
  const [way, setWay] = useState<Way>('wipe');
  const [wipe, setWipe] = useState(50);
  const [said, setSaid] = useState<Said | null>(null);
  const shot = useBench((s) => s.document.shot ?? null);
  const full = useBench((s) => s.document.setup.rigs.length >= mostRigs);
  const pair = useMemo(() => {
    const rig = rigOnBench(match, asked);
    const setup = rig && { ...asked, rigs: [asked.rigs[0]!, rig] };
    const reports = setup && core().evaluate(setup);
    return setup && reports ? { rigs: setup.rigs, reports } : null;
  }, [match, asked]);
  if (!pair) {
    return <Typography sx={{ p: 2, color: 'text.secondary' }}>A part of it is gone from the shelf.</Typography>;
  }
  const [lookReport, report] = [pair.reports[0]!, pair.reports[1]!];
  const wider = report.figures.fieldWidthMm > lookReport.figures.fieldWidthMm ? 1 : 0;
  const share = (side: 'fieldWidthMm' | 'fieldHeightMm', i: number) => pair.reports[i]!.figures[side] / pair.reports[wider]!.figures[side];
  const place = (i: number) => (i === 0 ? look : other);
  const layer = (i: number) =>
    isFocused(pair.reports[i]!) && (
      <RigFrame key={i} index={place(i)} rig={pair.rigs[i]!} figures={pair.reports[i]!.figures} scene={asked.scene} />
    );
  const beside = () => {
    addRigs([pair.rigs[1]!]);
    setSaid({ text: `${match.rig.bodyName} with ${match.rig.lensName} lies on the Bench beside the others.` });
  };
  const forShot = async () => {
    setSaid({ text: await choose(chosenOfSetting(match)) });
  };
  const bag = linked ? chosenGear(linked) : null;
  const parts = [...new Set([match.rig.body, ...match.rig.links, match.rig.lens])];
  const missing = bag ? parts.filter((id) => !bag.includes(id)) : [];
  const intoBag = async () => {
    const failure = await changeStored(production, shot!.productionId, (document) => ({
      ...document,
      bags: bagsOf(document).map((one) => (one.id === document.chooseFrom ? withThings(one, missing) : one)),
    }));
    setSaid({ text: failure ? failure.say : `In the bag, with ${missing.length === 1 ? 'one thing' : `${missing.length} things`} more.` });
  };
  return (
    <Box component="section" aria-label="Look and answer" sx={{ display: 'grid', gap: 0.75, minWidth: 0, alignContent: 'start' }}>
      <Stage key={keyOf(match)} style={{ aspectRatio: lookReport.figures.deliveredAspect, width: '100%' }} data-testid="pair">
        <Layer>{layer(way === 'outlines' ? wider : 0)}</Layer>
        {way === 'wipe' && (
          <>
            <Layer style={{ clipPath: `inset(0 0 0 ${wipe}%)` }}>{layer(1)}</Layer>
            <Box sx={{ position: 'absolute', top: 0, bottom: 0, left: `${wipe}%`, width: '2px', ml: '-1px', bgcolor: '#fff' }} />
          </>
        )}
        {way === 'outlines' && (
          <Outline index={place(1 - wider)} across={share('fieldWidthMm', 1 - wider)} up={share('fieldHeightMm', 1 - wider)} />
        )}
        <Box sx={{ position: 'absolute', left: 6, top: 6, bgcolor: 'background.paper', borderRadius: 1, lineHeight: 0, p: '2px' }}>
          <RigMark index={place(way === 'outlines' ? wider : 0)} size={24} />
        </Box>
        {way === 'wipe' && (
          <Box sx={{ position: 'absolute', right: 6, top: 6, bgcolor: 'background.paper', borderRadius: 1, lineHeight: 0, p: '2px' }}>
            <RigMark index={other} size={24} />
          </Box>
        )}
      </Stage>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1 }}>
        <LabelledChoice label="How the two are shown" value={way} choices={ways} onChange={setWay} />
        {way === 'wipe' && (
          <Slider
            value={wipe}
            onChange={(_, next) => setWipe(next)}
            aria-label="Where the look ends and the answer begins"
            sx={{ flex: '1 1 120px', mx: 1 }}
          />
        )}
      </Box>
      <Typography role="status" sx={{ fontSize: 14.5 }}>
        {match.say}
      </Typography>
      {match.findings.map((finding) => (
        <Typography key={finding.message} sx={{ fontSize: 13, color: match.tier > 1 ? 'warning.main' : 'text.secondary' }}>
          {finding.message}
        </Typography>
      ))}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
        <Button variant="outlined" size="small" disabled={full} onClick={beside}>
          Onto the Bench
        </Button>
        {shot && (
          <Button size="small" onClick={() => void forShot()}>
            Choose for the shot
          </Button>
        )}
        {bag && (
          <Button size="small" disabled={missing.length === 0} onClick={() => void intoBag()}>
            {missing.length === 0 ? 'In the bag' : 'Into the bag'}
          </Button>
        )}
      </Box>
      <SaidBar said={said} onDone={() => setSaid(null)} />
    </Box>
  );
}
