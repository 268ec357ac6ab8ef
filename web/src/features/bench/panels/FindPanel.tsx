import { idAt } from '../benchStore';
import { Box, Button, MenuItem, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { core, type Setup, type Solution, type SolveRequest } from '../../../core/core';
import { EntryField } from '../../../ui/EntryField';
import { distanceField, plain, withUnit } from '../../../ui/format';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { useCalm } from '../../../ui/useCalm';
import { RigMark, rigLetter } from '../../../ui/RigMark';
import { applySolutions, type Setting } from '../commands';
import { usePanel } from './panelStore';
import { Fields } from './RigPanel';
import { SidePanel } from './SidePanel';

type Goal = SolveRequest['goal'];

const goals: [Goal, string, string][] = [
  ['distance', 'Where to stand', 'For a size that is to fill the picture, the distance of the camera.'],
  ['focalLength', 'Which focal length', 'For a size that is to fill the picture from where the camera stands.'],
  ['depth', 'Sharp from here to there', 'Where to focus, and which aperture just holds both.'],
  ['blur', 'So much blur behind', 'Which aperture blurs the background by a share of the picture’s height.'],
  ['range', 'What this place allows', 'The widest and the tightest picture, from as far and as near as the camera can go.'],
];

interface Asked {
  goal: Goal;
  sizeMm: number;
  isAcross: boolean;
  fromMm: number;
  toMm: number | null;
  share: number;
}

const calmMs = 120;
let remembered: Asked | null = null;

/** Questions asked backwards: what is wanted is typed, and each rig answers what to set, or what stops it. */
export function FindPanel({ setup, feet }: { setup: Setup; feet: boolean }) {
  const subject = setup.scene.subjectDistanceMm;
  const [asked, setAsked] = useState<Asked>(
    remembered ?? {
      goal: 'distance',
      sizeMm: 600,
      isAcross: false,
      fromMm: Math.round(subject * 0.9),
      toMm: Math.round(subject * 1.2),
      share: 0.02,
    },
  );
  const ask = (part: Partial<Asked>) => {
    remembered = { ...asked, ...part };
    setAsked(remembered);
  };
  const calm = useCalm(setup, calmMs);
  const answer = useMemo(() => core().solve({ setup: calm, ...asked }, feet), [calm, asked, feet]);
  const refused = answer.length > 0 && 'about' in answer[0]! ? (answer as { about: string; message: string }[]) : [];
  const solutions = refused.length > 0 ? [] : (answer as Solution[][]);
  const problem = (field: string) => refused.find((p) => p.about === field)?.message;
  const sentence = goals.find(([goal]) => goal === asked.goal)![2];

  return (
    <SidePanel title="Find">
      <LabelledSelect label="Looking for" value={asked.goal} onChange={(goal) => ask({ goal })}>
        {goals.map(([goal, name]) => (
          <MenuItem key={goal} value={goal}>
            {name}
          </MenuItem>
        ))}
      </LabelledSelect>
      <Typography sx={{ fontSize: 12.5, color: 'text.secondary', my: 0.75 }}>{sentence}</Typography>
      <Fields>
        {(asked.goal === 'distance' || asked.goal === 'focalLength') && (
          <>
            <EntryField
              label="Fills the picture"
              help="A size at the subject: 60 cm for head and shoulders, 2 m for a whole person."
              kind="fieldSize"
              feet={feet}
              shown={distanceField(asked.sizeMm, feet)}
              stepFrom={asked.sizeMm}
              problem={problem('sizeMm')}
              onValue={(sizeMm) => ask({ sizeMm })}
            />
            <LabelledSelect
              label="As its"
              value={asked.isAcross ? 'width' : 'height'}
              onChange={(side) => ask({ isAcross: side === 'width' })}
            >
              <MenuItem value="height">height</MenuItem>
              <MenuItem value="width">width</MenuItem>
            </LabelledSelect>
          </>
        )}
        {asked.goal === 'depth' && (
          <>
            <EntryField
              label="Sharp from"
              help="Where the sharp zone is to begin."
              kind="subjectDistance"
              feet={feet}
              shown={distanceField(asked.fromMm, feet)}
              stepFrom={asked.fromMm}
              problem={problem('fromMm')}
              onValue={(fromMm) => ask({ fromMm })}
            />
            <EntryField
              label="Sharp to"
              help="Where it is to end; empty or “inf” for infinity."
              kind="backgroundDistance"
              feet={feet}
              shown={asked.toMm === null ? '∞' : distanceField(asked.toMm, feet)}
              stepFrom={asked.toMm ?? undefined}
              problem={problem('toMm')}
              onClear={() => ask({ toMm: null })}
              onValue={(toMm) => ask({ toMm: toMm === Infinity ? null : toMm })}
            />
          </>
        )}
        {asked.goal === 'blur' && (
          <EntryField
            label="Disc, of the height"
            help="Height of a background point’s disc in per cent of the picture’s height; 2 % leaves shapes, 6 % only colours."
            kind="blurShare"
            shown={withUnit(plain(100 * asked.share, 2), '%')}
            stepFrom={asked.share}
            problem={problem('share')}
            onValue={(share) => ask({ share })}
          />
        )}
      </Fields>
      {(asked.goal === 'distance' || asked.goal === 'range') && <Bounds setup={setup} feet={feet} />}
      {solutions.map((ofRig, rig) =>
        ofRig.map((solution) => <Answer key={`${rig}${solution.what}`} rig={rig} solution={solution} focuses={asked.goal === 'depth'} />),
      )}
      {solutions.length > 1 && asked.goal !== 'range' && asked.goal !== 'depth' && (
        <Button
          fullWidth
          variant="outlined"
          sx={{ mt: 1 }}
          onClick={() =>
            applySolutions(
              solutions.flatMap(([solution], rig) => (solution && isSettable(solution) ? [setting(rig, solution, false)] : [])),
            )
          }
        >
          Set them all
        </Button>
      )}
    </SidePanel>
  );
}

/** The bounds of the place that answers keep to, and where to change them. */
function Bounds({ setup, feet }: { setup: Setup; feet: boolean }) {
  const open = usePanel((s) => s.open);
  const { nearestCameraMm: near, farthestCameraMm: far } = setup.scene;
  const said =
    near == null && far == null
      ? 'The place has no bounds yet.'
      : `The camera stays ${near == null ? '' : `${distanceField(near, feet)} away or more`}${near != null && far != null ? ', ' : ''}${far == null ? '' : `within ${distanceField(far, feet)}`}.`;
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, fontSize: 13 }}>
      <span>{said}</span>
      <Button onClick={() => open({ kind: 'scene' })}>Room…</Button>
    </Box>
  );
}

const isSettable = ({ subjectDistanceMm, focalLengthMm, fNumber }: Solution) =>
  subjectDistanceMm !== null || focalLengthMm !== null || fNumber !== null;

const setting = (index: number, { subjectDistanceMm, focalLengthMm, fNumber, rackedFarther }: Solution, focuses: boolean): Setting => ({
  id: idAt(index),
  distanceMm: subjectDistanceMm,
  focuses,
  rig: {
    ...(subjectDistanceMm !== null && !focuses && { rackedFarther }),
    ...(focalLengthMm !== null && { focalLengthMm }),
    ...(fNumber !== null && { fNumber }),
  },
});

interface AnswerProps {
  rig: number;
  solution: Solution;
  /** True when the answer moves the focus and not the camera. */
  focuses: boolean;
}

function Answer({ rig, solution, focuses }: AnswerProps) {
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: '28px 1fr auto',
        gap: 0.5,
        alignItems: 'start',
        py: 1,
        borderTop: 1,
        borderColor: 'divider',
        fontSize: 14,
      }}
    >
      <RigMark index={rig} size={22} />
      <div>
        <Box sx={{ fontSize: 12.5, fontWeight: 650, color: solution.isMet ? 'text.secondary' : 'warning.main' }}>
          {solution.what}
          {!solution.isMet && ' · not quite'}
        </Box>
        <div>{solution.message}</div>
        <Box sx={{ color: 'text.secondary', fontSize: 13 }}>{solution.fix}</Box>
      </div>
      {isSettable(solution) && (
        <Button onClick={() => applySolutions([setting(rig, solution, focuses)])} aria-label={`Set it on rig ${rigLetter(rig)}`}>
          Set
        </Button>
      )}
    </Box>
  );
}
