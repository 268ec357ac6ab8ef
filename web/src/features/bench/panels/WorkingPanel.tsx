import { Box, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { useMemo } from 'react';
import { figureFont } from '../../../app/theme';
import { core, type FigureId, type FigureInfo, type Setup, type Working } from '../../../core/core';
import { Figure } from '../../../ui/Figure';
import { figureText, plusMinusText } from '../../../ui/figureText';
import { sourceOf } from '../../../ui/margins';
import { useCalm } from '../../../ui/useCalm';
import { RigMark } from '../../../ui/RigMark';
import { SidePanel } from './SidePanel';

const Steps = styled('ol')(({ theme }) => ({
  listStyle: 'none',
  margin: 0,
  padding: 0,
  '& li': { padding: '7px 0', borderTop: `1px solid ${theme.vars!.palette.divider}` },
  '& .name': { fontSize: 12.5, color: theme.vars!.palette.text.secondary },
  '& .name::first-letter': { textTransform: 'uppercase' },
  '& code': { display: 'block', fontFamily: figureFont, fontSize: 13, lineHeight: 1.45, overflowWrap: 'anywhere' },
  '& code + code': { paddingLeft: '1.2em' },
  '& strong': { fontWeight: 650 },
}));

const Inputs = styled('table')(({ theme }) => ({
  width: '100%',
  borderCollapse: 'collapse',
  fontSize: 13,
  '& td': { padding: '3px 0', borderTop: `1px solid ${theme.vars!.palette.divider}`, verticalAlign: 'baseline' },
  '& td:first-of-type': { fontFamily: figureFont, width: 44 },
  '& td:last-of-type': { fontFamily: figureFont, textAlign: 'right', whiteSpace: 'nowrap' },
}));

const Heading = styled('h3')({ fontSize: 13, fontWeight: 650, margin: '14px 0 4px' });

const calmMs = 60;

interface WorkingPanelProps {
  setup: Setup;
  rig: number;
  figure: FigureId;
  feet: boolean;
}

/** How one figure came about, with the person's own values; follows them as they change. */
export function WorkingPanel({ setup, rig, figure, feet }: WorkingPanelProps) {
  const info = core().figures[figure];
  const calm = useCalm(setup, calmMs);
  const working = useMemo(() => core().working(calm, rig, figure, feet), [calm, rig, figure, feet]);
  return (
    <SidePanel title={info.name} mark={<RigMark index={rig} size={24} />}>
      {working && <Told working={working} feet={feet} figure={figure} />}
    </SidePanel>
  );
}

function Told({ working, feet, figure }: { working: Working; feet: boolean; figure: FigureId }) {
  const { steps } = working;
  const last = steps.at(-1);
  const value = working.exists ? (working.value ?? Infinity) : NaN;
  return (
    <>
      <Box sx={{ fontSize: 26, fontWeight: 600, lineHeight: 1.2 }}>
        <Figure text={figureText(core().figures[figure], value, feet)} />
      </Box>
      {working.marginParts.length > 0 && <Margin working={working} feet={feet} figure={figure} />}
      <Typography sx={{ fontSize: 14, mt: 0.5 }}>{working.meaning}</Typography>
      {!last && (
        <Typography sx={{ fontSize: 14, mt: 1.5 }}>
          This figure does not exist for this rig: something that it needs is not known, or the rig has no focus here.
        </Typography>
      )}
      {last && (
        <>
          <Heading>Working</Heading>
          <Steps aria-label="Steps">
            {[...steps].reverse().map((step) => (
              <li key={step.symbol}>
                <div className="name">{step.name}</div>
                {step.formula === '' ? (
                  <code>
                    {step.symbol} = <strong>{step.text}</strong> <span className="name">found by search</span>
                  </code>
                ) : (
                  <>
                    <code>
                      {step.symbol} = {step.formula}
                    </code>
                    {step.put !== step.text && step.put !== step.formula && <code>= {step.put}</code>}
                    <code>
                      = <strong>{step.text}</strong>
                      {unitOf(step.unit)}
                    </code>
                  </>
                )}
              </li>
            ))}
          </Steps>
          <Heading>Put in</Heading>
          <Inputs>
            <tbody>
              {working.inputs.map((input) => (
                <tr key={input.symbol}>
                  <td>{input.symbol}</td>
                  <td>{input.name}</td>
                  <td>
                    {input.text}
                    {unitOf(input.unit)}
                  </td>
                </tr>
              ))}
            </tbody>
          </Inputs>
        </>
      )}
      {working.marginParts.length > 0 && (
        <>
          <Heading>How sure it is</Heading>
          <Typography sx={{ fontSize: 13 }}>
            95 times in 100 it is no farther off than that. Each of these alone makes so much of it; together they are the root of the sum
            of their squares. How far off they may be stands among the conventions.
          </Typography>
          <Inputs aria-label="What makes it unsure">
            <tbody>
              {working.marginParts.map((part, i) => (
                <tr key={i}>
                  <td colSpan={2} style={{ fontFamily: 'inherit', width: 'auto' }}>
                    {sourceOf(part, feet)}
                  </td>
                  <td>{plusMinus(core().figures[figure], part.plusMinus, value, feet)}</td>
                </tr>
              ))}
            </tbody>
          </Inputs>
        </>
      )}
      {working.conventions.length > 0 && (
        <>
          <Heading>Goes by</Heading>
          <Typography sx={{ fontSize: 13 }}>{working.conventions.join(' · ')}</Typography>
        </>
      )}
      {working.limits !== '' && (
        <>
          <Heading>Limits</Heading>
          <Typography sx={{ fontSize: 13 }}>{working.limits}</Typography>
        </>
      )}
      {working.source !== '' && (
        <>
          <Heading>Source</Heading>
          <Typography sx={{ fontSize: 13 }}>{working.source}</Typography>
        </>
      )}
    </>
  );
}

function Margin({ working, feet, figure }: { working: Working; feet: boolean; figure: FigureId }) {
  return (
    <Box sx={{ fontSize: 14, fontFamily: figureFont, color: 'text.secondary' }}>
      {plusMinus(core().figures[figure], working.plusMinus, working.value ?? NaN, feet)}
    </Box>
  );
}

const plusMinus = (info: FigureInfo, value: number | null | undefined, figure: number, feet: boolean) =>
  plusMinusText(info, value ?? Infinity, feet, Math.abs(figure));

const units: Partial<Record<Working['unit'], string>> = {
  lensMm: ' mm',
  sceneMm: ' mm',
  degrees: '°',
  pixels: ' px',
  stops: ' st',
  seconds: ' s',
  times: '×',
  dioptres: ' dpt',
};

const unitOf = (unit: Working['unit']) => units[unit] ?? '';
