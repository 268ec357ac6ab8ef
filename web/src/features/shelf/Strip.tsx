import { Box } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo } from 'react';
import { figureFont } from '../../app/theme';
import { aperture, plain } from '../../ui/format';
import type { Reach } from '../../gear/shelfApi';

/** The ends of the axis of equivalents, mm on full frame. */
const from = 8;
const to = 1000;
const marks = [10, 14, 20, 28, 40, 60, 85, 135, 200, 300, 450, 700];

/** Where a focal length lies on the axis, per cent: equal steps of the eye are equal steps here. */
const place = (mm: number) => Math.max(0, Math.min(100, (100 * Math.log(mm / from)) / Math.log(to / from)));

const Track = styled('div')(({ theme }) => ({
  position: 'relative',
  height: 40,
  minWidth: 0,
  backgroundImage: marks.map(() => `linear-gradient(${theme.vars!.palette.divider}, ${theme.vars!.palette.divider})`).join(','),
  backgroundSize: marks.map(() => '1px 100%').join(','),
  backgroundPosition: marks.map((mm) => `${place(mm)}% 0`).join(','),
  backgroundRepeat: 'no-repeat',
  '& .bar': { position: 'absolute', top: 9, height: 8, background: theme.vars!.palette.text.primary, borderRadius: 1 },
  '& .bar.dark': { background: 'none', border: `1.5px dashed ${theme.vars!.palette.warning.main}` },
  '& span': {
    position: 'absolute',
    top: 19,
    fontFamily: figureFont,
    fontSize: 12,
    whiteSpace: 'nowrap',
    padding: '0 3px',
    background: theme.vars!.palette.background.paper,
  },
}));

/** What a lens spans in equivalents, with its widest aperture on the sensor. */
export const Strip = memo(function Strip({ reach }: { reach: Reach }) {
  const { shortMm, longMm, widestShort, widestLong, covers } = reach;
  const zoom = longMm > shortMm * 1.001;
  const [start, end] = [place(shortMm), place(longMm)];
  const f =
    widestShort == null
      ? ''
      : ` ${aperture(widestShort)}${widestLong != null && Math.abs(widestLong - widestShort) > 0.05 ? `–${aperture(widestLong).slice(1)}` : ''}`;
  const label = `${plain(shortMm, 0)}${zoom ? `–${plain(longMm, 0)}` : ''}${f}`;
  return (
    <Track role="img" aria-label={`Like ${label.replace('–', ' to ')} on full frame${covers === false ? ', dark corners' : ''}`}>
      <div
        className={covers === false ? 'bar dark' : 'bar'}
        style={{ left: `calc(${start}% - 2px)`, width: `max(4px, ${end - start}%)` }}
      />
      <span style={start > 62 ? { right: `${100 - end}%` } : { left: `calc(${start}% - 3px)` }}>{label}</span>
    </Track>
  );
});

/** The axis over the strips. */
export const StripAxis = memo(function StripAxis() {
  return (
    <Box aria-hidden sx={{ position: 'relative', height: 18, fontFamily: figureFont, fontSize: 12, color: 'text.secondary' }}>
      {marks
        .filter((_, i) => i % 2 === 0)
        .map((mm) => (
          <Box key={mm} component="span" sx={{ position: 'absolute', left: `${place(mm)}%`, transform: 'translateX(-50%)' }}>
            {mm}
          </Box>
        ))}
    </Box>
  );
});
