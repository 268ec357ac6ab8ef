import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { LookMatch, LookResponse } from '../../../core/core';
import { roundDistance } from '../../../ui/format';
import { rigDash, useRigColour } from '../../../ui/RigMark';

const size = { width: 340, height: 116, left: 30, right: 12, top: 10, bottom: 20 };

interface BlurCurveProps {
  answer: LookResponse;
  match: LookMatch | null;
  /** Places of look and answer in the row, for their lines. */
  look: number;
  other: number;
  feet: boolean;
}

/** How soft points behind are, near and far: the whole curve of the look and of the answer. */
export function BlurCurve({ answer, match, look, other, feet }: BlurCurveProps) {
  const { divider, text } = useTheme().vars!.palette;
  const colours = [useRigColour(look), useRigColour(other)];
  if (!answer.look) {
    return null;
  }
  const curves = [answer.look.blurCurve, ...(match ? [match.look.blurCurve] : [])];
  const most = Math.max(...curves.flat());
  const last = answer.curveMm.length - 1;
  const x = (i: number) => size.left + (i / last) * (size.width - size.left - size.right);
  const y = (share: number) => size.height - size.bottom - (share / most) * (size.height - size.top - size.bottom);
  const path = (curve: number[]) => curve.map((share, i) => `${i === 0 ? 'M' : 'L'}${x(i).toFixed(1)} ${y(share).toFixed(1)}`).join('');
  return (
    <Box component="figure" aria-label="Blur behind by distance" sx={{ m: 0 }}>
      <svg viewBox={`0 0 ${size.width} ${size.height}`} width="100%" style={{ display: 'block', maxWidth: 460 }} role="img">
        <title>Disc of a point behind the subject, as a share of the picture’s height, from near to far</title>
        <path d={`M${size.left} ${size.top}V${size.height - size.bottom}H${size.width - size.right}`} fill="none" stroke={divider} />
        <text x={size.left - 4} y={size.top + 8} textAnchor="end" fontSize="10" fill={text.secondary}>
          {(100 * most).toFixed(most < 0.0995 ? 1 : 0)}%
        </text>
        {answer.curveMm.map((mm, i) =>
          i % 3 === 0 || i === last ? (
            <text key={i} x={x(i)} y={size.height - 6} textAnchor="middle" fontSize="10" fill={text.secondary}>
              {mm === null ? '∞' : roundDistance(mm, feet)}
            </text>
          ) : null,
        )}
        {curves.map((curve, i) => (
          <path
            key={i}
            d={path(curve)}
            fill="none"
            stroke={colours[i]}
            strokeWidth="2"
            strokeDasharray={rigDash(i === 0 ? look : other)}
            data-curve={i}
          />
        ))}
      </svg>
      <Typography component="figcaption" sx={{ fontSize: 12, color: 'text.secondary' }}>
        Blur of points behind the subject, by how far behind
      </Typography>
    </Box>
  );
}
