import { Box, Button } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo } from 'react';
import type { Diagnostic, SceneInput } from '../../core/core';
import { named, sceneFields, sceneNumber } from '../../core/fields';
import { EntryField } from '../../ui/EntryField';
import { distance, distanceField, plain, shape, withUnit } from '../../ui/format';
import { Panel } from '../../ui/Panel';
import { changeScene, moveCamera } from './commands';
import { useBench } from './benchStore';
import { holdOf, holds } from './holding';
import { usePanel } from './panels/panelStore';

const set = {
  // Typed, it moves the camera that the scene names: a rig that stands at a distance of its own keeps it, and so does what is behind.
  subject: moveCamera,
  behind: (mm: number) =>
    changeScene(({ subjectDistanceMm }) => ({ backgroundDistanceMm: mm === Infinity ? null : subjectDistanceMm + mm })),
  noBackground: () => changeScene({ backgroundDistanceMm: null }),
  height: (lensHeightMm: number) => changeScene({ lensHeightMm }),
  aspect: (deliveryAspect: number) => changeScene({ deliveryAspect }),
  ownShape: () => changeScene({ deliveryAspect: null }),
  width: (deliveryWidthPx: number) => changeScene({ deliveryWidthPx }),
  noWidth: () => changeScene({ deliveryWidthPx: null }),
};

const Strip = styled(Panel)(({ theme }) => ({
  padding: '6px 8px',
  display: 'grid',
  gap: '6px 14px',
  alignItems: 'start',
  gridTemplateColumns: 'repeat(auto-fit, minmax(176px, 1fr))',
  [theme.breakpoints.down('sm')]: { gap: '6px 8px', alignItems: 'end', gridTemplateColumns: '1fr 1fr' },
}));

interface SceneStripProps {
  scene: SceneInput;
  problems: Diagnostic[];
  /** What to say at the subject's distance when a rig cannot focus there. */
  outOfFocus?: string | undefined;
  feet: boolean;
}

/** What is the same for all rigs: where things stand and what is delivered. */
export const SceneStrip = memo(function SceneStrip({ scene, problems, outOfFocus, feet }: SceneStripProps) {
  const problem = (field: string) => problems.find((p) => p.about === `scene.${field}`)?.message;
  const holding = useBench((s) => holds(holdOf(s.document)));
  const background = scene.backgroundDistanceMm ?? null;
  const lensHeight = sceneNumber(scene, 'lensHeightMm');
  return (
    <Strip aria-label="Scene, the same for all rigs">
      <EntryField
        beside
        {...named(sceneFields.subjectDistanceMm)}
        shown={distanceField(scene.subjectDistanceMm, feet)}
        stepFrom={scene.subjectDistanceMm}
        feet={feet}
        problem={problem('subjectDistanceMm') ?? outOfFocus}
        onValue={set.subject}
      />
      <EntryField
        beside
        label={sceneFields.backgroundDistanceMm.label}
        help="From the subject to what is behind it; inf for the open. The distance from the camera stands below."
        {...(background !== null && { note: `${distance(background, feet)} from camera` })}
        kind="behindSubject"
        shown={background === null ? '∞' : distanceField(Math.max(0, background - scene.subjectDistanceMm), feet)}
        stepFrom={background === null ? undefined : Math.max(0, background - scene.subjectDistanceMm)}
        feet={feet}
        problem={problem('backgroundDistanceMm')}
        onClear={set.noBackground}
        onValue={set.behind}
      />
      <EntryField
        beside
        {...named(sceneFields.lensHeightMm)}
        shown={distanceField(lensHeight, feet)}
        stepFrom={lensHeight}
        feet={feet}
        problem={problem('lensHeightMm')}
        onValue={set.height}
      />
      <EntryField
        beside
        {...named(sceneFields.deliveryAspect)}
        shown={scene.deliveryAspect == null ? 'as recorded' : shape(scene.deliveryAspect)}
        stepFrom={scene.deliveryAspect ?? undefined}
        problem={problem('deliveryAspect')}
        onClear={set.ownShape}
        onValue={set.aspect}
      />
      <EntryField
        beside
        {...named(sceneFields.deliveryWidthPx)}
        placeholder="any"
        shown={scene.deliveryWidthPx == null ? '' : withUnit(plain(scene.deliveryWidthPx), 'px')}
        stepFrom={scene.deliveryWidthPx ?? undefined}
        problem={problem('deliveryWidthPx')}
        onClear={set.noWidth}
        onValue={set.width}
      />
      <Box sx={{ display: 'flex', gap: { xs: 0, sm: 0.5 }, '& button': { px: { xs: 0.75, sm: 1 } } }}>
        <Button onClick={() => usePanel.getState().open({ kind: 'scene' })} sx={{ whiteSpace: 'nowrap' }}>
          Place, light
        </Button>
        <Button onClick={() => usePanel.getState().open({ kind: 'find' })} sx={{ minWidth: 48 }}>
          Find
        </Button>
        <Button
          onClick={() => usePanel.getState().open({ kind: 'hold' })}
          aria-pressed={holding}
          sx={{ minWidth: 48, '&[aria-pressed=true]': { bgcolor: 'primary.main', color: 'primary.contrastText' } }}
        >
          Hold
        </Button>
      </Box>
    </Strip>
  );
});
