import { Box, ButtonBase, Typography } from '@mui/material';
import { core, type RigInput, type SceneInput } from '../../../core/core';
import { sceneNumber } from '../../../core/fields';
import { exposureTime, plain } from '../../../ui/format';
import { changeScene } from '../commands';
import { linesOf } from './steps';

/** More than these, and every angle is near a safe one. */
const mostShown = 12;

/** The shutters that lamps on the mains do not flicker at, for the frame rates that are captured; a press sets one. */
export function SafeShutters({ scene, rigs }: { scene: SceneInput; rigs: RigInput[] }) {
  return (
    <Box role="group" aria-label="Shutters without flicker" sx={{ mt: 1, display: 'grid', gap: 0.5 }}>
      {linesOf(scene, rigs).map(({ fps, hertz }) => {
        const angles = core().safeAngles(fps, hertz);
        const set = scene.shutterSeconds == null ? sceneNumber(scene, 'shutterAngleDeg') : 360 * scene.shutterSeconds * fps;
        return (
          <Box key={`${fps} ${hertz}`} sx={{ fontSize: 13 }}>
            <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>
              {plain(fps)} fps, lamps on {plain(hertz)} Hz
              {angles.length === 0 && ': none, a frame is shorter than a flicker. Capture fewer frames, or take lamps that do not flicker.'}
              {angles.length > mostShown && `: every ${plain(angles[0]!, 2)}°, from ${exposureTime(angles[0]! / 360 / fps)} on.`}
            </Typography>
            {angles.length <= mostShown && (
              <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
                {angles.map((angle) => (
                  <ButtonBase
                    key={angle}
                    aria-pressed={Math.abs(angle - set) < 0.005 * angle}
                    onClick={() => changeScene({ shutterAngleDeg: angle, shutterSeconds: null })}
                    sx={{
                      minHeight: 40,
                      px: 1,
                      fontFamily: 'inherit',
                      fontSize: 13,
                      border: 1,
                      borderColor: 'divider',
                      borderRadius: 1,
                      '&:hover': { borderColor: 'primary.main' },
                      '&[aria-pressed=true]': { borderColor: 'primary.main', fontWeight: 650 },
                    }}
                  >
                    {plain(angle, 1)}° · {exposureTime(angle / 360 / fps)}
                  </ButtonBase>
                ))}
              </Box>
            )}
          </Box>
        );
      })}
    </Box>
  );
}
