import { idAt } from './benchStore';
import { styled, useColorScheme } from '@mui/material/styles';
import { memo, useCallback, useState } from 'react';
import { isFocused, type Numbers, type Diagnostic, type RigInput, type RigReport, type SceneInput } from '../../core/core';
import { tryPicturesAgain, usePictures } from '../../picture/pictures';
import { lights } from '../../ui/lit';
import { rigDash, rigLetter, useRigColour } from '../../ui/RigMark';
import { useCloser } from './closerStore';
import { FramePicture } from '../../picture/FramePicture';
import { FrameLines } from '../../picture/LineFrame';

const Holder = styled('div')({
  position: 'relative',
  display: 'grid',
  placeItems: 'center',
  flexShrink: 0,
  '&.stopped': { minHeight: 120 },
});

const Picture = styled('div')({
  position: 'relative',
  overflow: 'hidden',
  '& > [role=img]': { position: 'absolute', inset: 0, contain: 'strict' },
  '& svg': { position: 'absolute', inset: 0, width: '100%', height: '100%', display: 'block' },
});

const Look = styled('button')({
  position: 'absolute',
  inset: 0,
  border: 0,
  padding: 0,
  background: 'none',
  cursor: 'zoom-in',
  '&:focus-visible': { outlineOffset: -5 },
});

const Dimmed = styled('div')({ position: 'absolute', inset: 0 });

const Lines = styled('div')({ position: 'absolute', inset: 0 });

const Drawn = styled('button')(({ theme }) => ({
  position: 'absolute',
  zIndex: 1,
  right: 6,
  bottom: 6,
  font: 'inherit',
  fontSize: 12,
  padding: '2px 6px',
  border: 0,
  borderRadius: 3,
  color: theme.vars!.palette.text.secondary,
  background: theme.vars!.palette.background.paper,
}));

const Refusal = styled('div')(({ theme }) => ({
  position: 'absolute',
  inset: 0,
  pointerEvents: 'none',
  display: 'grid',
  placeContent: 'center',
  padding: 16,
  textAlign: 'center',
  fontSize: 14,
  '& div': { background: theme.vars!.palette.background.paper, padding: '6px 10px', borderRadius: 4, maxWidth: 300 },
  '& strong': { display: 'block', color: theme.vars!.palette.error.main },
}));

const refusals: Record<string, string> = {
  tooClose: 'Too close to focus',
  tooFar: 'Too far to focus',
  insideLens: 'Inside the lens',
  fasterThanPossible: 'No such aperture',
};

interface FrameProps {
  index: number;
  scene: SceneInput;
  rig: RigInput;
  report: RigReport;
  /** The last report with a plane of focus: this one, or one before that is shown dimmed. */
  focused: RigReport | null;
  /** What stops the picture; undefined when nothing does. */
  stop: Diagnostic | undefined;
  maxHeight: number;
}

/**
 * The picture that a rig gives, in the delivered shape: rendered through its pupil, and until that is there, or where it cannot be,
 * drawn in lines to scale. All sizes are the core's. One unit of the drawing is a hundredth of the picture's height.
 */
export const Frame = memo(function Frame({ index, scene, rig, report, focused, stop, maxHeight }: FrameProps) {
  const { colorScheme } = useColorScheme();
  const colour = useRigColour(index);
  const [rendered, setRendered] = useState(false);
  const failed = usePictures((s) => s.failed);
  const onShown = useCallback(() => setRendered(true), []);
  const aspect = report.figures.deliveredAspect;
  const focus = focused?.figures ?? null;
  const width = 100 * aspect;
  const stale = !isFocused(report);
  const isDrawn = !rendered || failed !== null;

  return (
    <Holder className={stop ? 'stopped' : ''}>
      <Picture
        data-frame
        className={`rig-frame-${index}`}
        {...lights(index)}
        style={{ aspectRatio: aspect, width: `min(100%, ${maxHeight * aspect}px)` }}
      >
        <div role="img" aria-label={describe(index, scene, focus, stale)}>
          <Lines style={{ opacity: stale ? 0.35 : 1, visibility: isDrawn ? undefined : 'hidden' }}>
            <FrameLines scene={scene} focus={isDrawn ? focus : null} aspect={aspect} />
          </Lines>
          {focus && (
            <Dimmed style={{ opacity: stale ? 0.35 : 1 }}>
              <FramePicture index={index} rig={rig} figures={focus} scene={scene} dark={colorScheme === 'dark'} onShown={onShown} />
            </Dimmed>
          )}
          <svg viewBox={`0 0 ${width} 100`} aria-hidden>
            <rect
              width={width}
              height="100"
              fill="none"
              stroke={colour}
              strokeWidth="4"
              strokeDasharray={rigDash(index)}
              vectorEffect="non-scaling-stroke"
            />
          </svg>
        </div>
        <Look
          aria-label={`Look closer at rig ${rigLetter(index)}`}
          title="Look closer"
          onClick={() => useCloser.getState().look(idAt(index))}
        />
      </Picture>
      {failed !== null && (
        <Drawn onClick={tryPicturesAgain} title={`${failed} Press to try again.`}>
          drawn, not rendered
        </Drawn>
      )}
      {stop && (
        <Refusal>
          <div>
            <strong>{refusals[stop.code] ?? stop.about}</strong>
            {stop.message} {stop.fix}
          </div>
        </Refusal>
      )}
    </Holder>
  );
});

function describe(index: number, scene: SceneInput, focus: Numbers | null, stale: boolean): string {
  const rig = `Frame of rig ${rigLetter(index)}`;
  if (!focus) {
    return `${rig}: no focus at this distance.`;
  }
  const share = Math.round(100 * (focus.subjectFeetFromTop - focus.subjectHeadFromTop));
  const away = `${scene.subjectDistanceMm / 1000} m`;
  const shown = ['standing', 'two'].includes(scene.subject ?? 'standing')
    ? `a standing figure at ${away} is ${share} per cent of the picture's height`
    : `at ${away} it takes in ${(focus.fieldWidthMm / 1000).toPrecision(3)} by ${(focus.fieldHeightMm / 1000).toPrecision(3)} m`;
  return stale ? `${rig}: no focus at this distance; the last good picture stays.` : `${rig}: ${shown}.`;
}
