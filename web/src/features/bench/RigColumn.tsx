import { Box, IconButton, InputBase, Paper, Tooltip, Typography } from '@mui/material';
import { memo } from 'react';
import type { FieldError, Focus, RigInput, RigReport, SceneInput } from '../../core/core';
import { aperture, fixed, inScale, lengthScale, withUnit } from '../../ui/format';
import { Figure } from '../../ui/Figure';
import { RulerIcon } from '../../ui/icons';
import { RigMark, rigLetter } from '../../ui/RigMark';
import { changeRig, setYardstick } from './benchStore';
import { Frame } from './Frame';
import { RigInputs } from './RigInputs';
import { SensorDrawing } from './SensorDrawing';

export interface SensorSpan {
  referenceWidthMm: number;
  referenceHeightMm: number;
  spanWidthMm: number;
  spanHeightMm: number;
}

interface RigColumnProps {
  index: number;
  rig: RigInput;
  scene: SceneInput;
  report: RigReport;
  focus: Focus | null;
  problems: FieldError[];
  isYardstick: boolean;
  referenceName: string;
  span: SensorSpan;
  feet: boolean;
}

/** One rig: its name, the frame it gives, the answer in a line, and what can be changed. */
export const RigColumn = memo(function RigColumn(props: RigColumnProps) {
  const { index, rig, scene, report, focus, problems, isYardstick, referenceName, span, feet } = props;
  const letter = rigLetter(index);
  return (
    <Paper
      component="section"
      aria-label={`Rig ${letter}`}
      sx={{ p: 1, minWidth: 0, display: 'flex', flexDirection: 'column', gap: 0.75, border: 1, borderColor: 'divider' }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.75, minHeight: 40 }}>
        <RigMark index={index} />
        <InputBase
          value={rig.name ?? ''}
          placeholder="Name this rig"
          onChange={(event) => changeRig(index, { name: event.target.value })}
          inputProps={{ 'aria-label': `Name of rig ${letter}`, maxLength: 60 }}
          sx={{ flex: 1, minWidth: 0, height: 40, fontWeight: 650, '&.Mui-focused': { outline: 2, outlineColor: 'primary.main' } }}
        />
        <Tooltip title={isYardstick ? 'The other rigs are measured against this one' : 'Measure the others against this rig'}>
          <IconButton
            aria-label={isYardstick ? `Rig ${letter} is the yardstick` : `Make rig ${letter} the yardstick`}
            aria-pressed={isYardstick}
            onClick={() => setYardstick(index)}
            sx={{ color: isYardstick ? 'primary.main' : 'text.secondary', fontSize: 13, gap: 0.5 }}
          >
            <RulerIcon />
            {isYardstick && 'yardstick'}
          </IconButton>
        </Tooltip>
      </Box>
      <Frame index={index} scene={scene} report={report} focus={focus} maxHeight={214} />
      <Box sx={{ flex: 1, display: 'flex', alignItems: 'center', gap: 1, minHeight: 52, maxHeight: 130 }}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <Typography sx={{ fontSize: 19, fontWeight: 600, lineHeight: 1.25 }}>
            <Figure text={withUnit(fixed(report.lens.equivalentFocalLengthMm, report.lens.equivalentFocalLengthMm < 100 ? 1 : 0), 'mm')} />
            <Box component="span" sx={{ fontWeight: 400, fontSize: 13, color: 'text.secondary' }}>
              {' and blur of '}
            </Box>
            <Figure text={aperture(report.lens.equivalentFNumber)} />
          </Typography>
          <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
            on {referenceName}
            {report.focus && ` · sees ${field(report.focus, feet)}`}
          </Typography>
        </Box>
        <Box sx={{ position: 'relative', alignSelf: 'stretch', width: 120, minHeight: 52 }}>
        <SensorDrawing
          index={index}
          modeWidthMm={rig.sensorWidthMm}
          modeHeightMm={rig.sensorHeightMm}
          usedWidthMm={report.sensor.usedWidthMm}
          usedHeightMm={report.sensor.usedHeightMm}
          {...span}
        />
        </Box>
      </Box>
      <RigInputs index={index} rig={rig} problems={problems} />
    </Paper>
  );
});

function field(focus: Focus, feet: boolean): string {
  const scale = lengthScale(Math.max(focus.fieldWidthMm, focus.fieldHeightMm), feet);
  return `${fixed(focus.fieldWidthMm / scale.mm, scale.decimals)} × ${inScale(focus.fieldHeightMm, scale)}`;
}
