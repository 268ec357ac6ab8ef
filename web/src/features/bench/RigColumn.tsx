import { Box, IconButton, InputBase, Tooltip } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo } from 'react';
import type { FieldError, Focus, RigInput, RigReport, SceneInput } from '../../core/core';
import { aperture, fixed, inScale, lengthScale, oneLine, withUnit } from '../../ui/format';
import { Figure } from '../../ui/Figure';
import { RulerIcon } from '../../ui/icons';
import { Panel } from '../../ui/Panel';
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

const Column = styled(Panel)({ padding: 8, display: 'flex', flexDirection: 'column', gap: 6 });

const Answer = styled('div')(({ theme }) => ({
  flex: 1,
  display: 'flex',
  alignItems: 'center',
  gap: 8,
  minHeight: 52,
  maxHeight: 130,
  '& > div:first-of-type': { flex: 1, minWidth: 0 },
  '& strong': { fontSize: 19, fontWeight: 600, lineHeight: 1.25 },
  '& small': { fontWeight: 400, fontSize: 13, color: theme.vars!.palette.text.secondary },
  '& p': { margin: 0, fontSize: 13, color: theme.vars!.palette.text.secondary },
  '& .sensor': { position: 'relative', alignSelf: 'stretch', width: 120, minHeight: 52 },
}));

/** One rig: its name, the frame it gives, the answer in a line, and what can be changed. */
export const RigColumn = memo(function RigColumn(props: RigColumnProps) {
  const { index, rig, scene, report, focus, problems, isYardstick, referenceName, span, feet } = props;
  const letter = rigLetter(index);
  return (
    <Column aria-label={`Rig ${letter}`}>
      <RigHead index={index} name={rig.name ?? ''} isYardstick={isYardstick} />
      <Frame index={index} scene={scene} report={report} focus={focus} maxHeight={214} />
      <Answer>
        <div>
          <strong>
            <Figure text={withUnit(fixed(report.lens.equivalentFocalLengthMm, report.lens.equivalentFocalLengthMm < 100 ? 1 : 0), 'mm')} />
            <small> and blur of </small>
            <Figure text={aperture(report.lens.equivalentFNumber)} />
          </strong>
          <p>
            on {referenceName}
            {report.focus && ` · sees ${field(report.focus, feet)}`}
          </p>
        </div>
        <div className="sensor">
          <SensorDrawing
            index={index}
            modeWidthMm={rig.sensorWidthMm}
            modeHeightMm={rig.sensorHeightMm}
            usedWidthMm={report.sensor.usedWidthMm}
            usedHeightMm={report.sensor.usedHeightMm}
            {...span}
          />
        </div>
      </Answer>
      <RigInputs index={index} rig={rig} problems={problems} />
    </Column>
  );
});

interface RigHeadProps {
  index: number;
  name: string;
  isYardstick: boolean;
}

const RigHead = memo(function RigHead({ index, name, isYardstick }: RigHeadProps) {
  const letter = rigLetter(index);
  return (
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.75, minHeight: 40 }}>
        <RigMark index={index} />
        <InputBase
          value={name}
          placeholder="Name this rig"
          onChange={(event) => changeRig(index, { name: oneLine(event.target.value) })}
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
  );
});

function field(focus: Focus, feet: boolean): string {
  const scale = lengthScale(Math.max(focus.fieldWidthMm, focus.fieldHeightMm), feet);
  return `${fixed(focus.fieldWidthMm / scale.mm, scale.decimals)} × ${inScale(focus.fieldHeightMm, scale)}`;
}
