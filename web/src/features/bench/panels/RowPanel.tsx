import { Box, Button, Checkbox, FormControlLabel, MenuItem, Switch, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { core, type RigInput } from '../../../core/core';
import { counted, plain } from '../../../ui/format';
import { useKeptText } from '../../../ui/formTexts';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { RigMark, rigLetter } from '../../../ui/RigMark';
import { makeRow, mostRigs } from '../rowCommands';
import { chainOf } from '../../../gear/chains';
import { usePanel } from './panelStore';
import { SidePanel } from './SidePanel';

interface RowPanelProps {
  index: number;
  rigs: RigInput[];
  /** Whether the rig has a plane of focus, and with it a framing that a row can keep. */
  focused: boolean;
}

const zoomOf = ({ lens }: RigInput): [number, number] | null =>
  lens?.zoomShortMm != null && lens.zoomLongMm != null ? [lens.zoomShortMm, lens.zoomLongMm] : null;

/** Focal lengths that a text names; a message where one cannot be read, a lens does not have it, or there are too many. */
function readRow(text: string, bodies: RigInput[], room: number): { focalLengths: number[]; problem: string | null } {
  const words = text.split(/[\s,;]+/).filter(Boolean);
  const read = words.map((word) => ({ word, ...core().read('focalLength', word, false) }));
  const bad = read.find((r) => r.problem !== null);
  const focalLengths = read.map((r) => r.values[0]!);
  const count = words.length * bodies.length;
  const outside = bad
    ? undefined
    : bodies
        .map(zoomOf)
        .flatMap((zoom) => (zoom ? focalLengths.filter((f) => f < zoom[0] || f > zoom[1]).map((f) => ({ f, zoom })) : []))[0];
  const problem =
    words.length === 0
      ? 'Type focal lengths, such as 18 25 40 60.'
      : bad
        ? `“${bad.word}”: ${bad.problem}`
        : bodies.length === 0
          ? 'Choose a body.'
          : outside
            ? `${plain(outside.f)} mm is outside the zoom, ${plain(outside.zoom[0])} to ${plain(outside.zoom[1])} mm. Leave it out, or take another lens.`
            : count > room
              ? `${count} are too many: ${room} have room. Leave some out${room < mostRigs ? ', or let them take the place of all rigs' : ''}.`
              : null;
  return { focalLengths, problem };
}

/** A row of rigs in one move: a body, or several, at one focal length after the other; from one spot, or each from where it frames alike. */
export function RowPanel({ index, rigs, focused }: RowPanelProps) {
  const zoom = zoomOf(rigs[index]!);
  const lensPlace = chainOf(rigs[index]!)?.parts.findIndex((p) => p.item.kind === 'lens') ?? -1;
  const isPrime = zoom !== null && zoom[0] === zoom[1];
  const [text, setText] = useKeptText(
    `row of ${rigs[index]!.id!}`,
    zoom && !isPrime ? `${plain(zoom[0])} ${plain(Math.round(Math.sqrt(zoom[0] * zoom[1])))} ${plain(zoom[1])}` : '18 25 40 60 90 150',
  );
  const [bodies, setBodies] = useState([index]);
  const [from, setFrom] = useState<'spot' | 'framing'>('spot');
  const [replaceAll, setReplaceAll] = useState(true);
  const { focalLengths, problem } = readRow(
    text,
    bodies.map((i) => rigs[i]!),
    replaceAll ? mostRigs : mostRigs - rigs.length + 1,
  );
  const toggle = (body: number, on: boolean) => setBodies(on ? [...bodies, body].sort((a, b) => a - b) : bodies.filter((i) => i !== body));
  return (
    <SidePanel title="Make a row" mark={<RigMark index={index} size={24} />}>
      <Typography sx={{ fontSize: 13, color: 'text.secondary', mb: 1.5 }}>
        A rig at one focal length after the other.{isPrime && ` Its lens is a prime of ${plain(zoom[0])} mm: take a zoom, or bare numbers.`}
      </Typography>
      {lensPlace >= 0 && (
        <Button
          sx={{ mb: 1 }}
          onClick={() => usePanel.getState().open({ kind: 'parts', rig: rigs[index]!.id!, place: lensPlace, isNew: false })}
        >
          Or a row of several lenses from the shelf
        </Button>
      )}
      <TextField
        fullWidth
        size="small"
        label="Focal lengths, mm"
        value={text}
        onChange={(event) => setText(event.target.value)}
        error={problem !== null}
        helperText={problem ?? counted(focalLengths.length * bodies.length, 'rig')}
        slotProps={{ htmlInput: { maxLength: 120 } }}
      />
      {rigs.length > 1 && (
        <Box role="group" aria-label="Bodies" sx={{ mt: 1 }}>
          <Box sx={{ fontSize: 12, color: 'text.secondary' }}>On the bodies of</Box>
          {rigs.map((rig, i) => (
            <FormControlLabel
              key={i}
              sx={{ display: 'flex', mr: 0, '& .MuiTypography-root': { fontSize: 13.5 } }}
              control={<Checkbox checked={bodies.includes(i)} onChange={(_, on) => toggle(i, on)} />}
              label={`${rigLetter(i)} ${rig.name ?? ''}`}
            />
          ))}
        </Box>
      )}
      <Box sx={{ mt: 1 }}>
        <LabelledSelect label="Seen from" value={from} onChange={setFrom}>
          <MenuItem value="spot">where each body stands</MenuItem>
          <MenuItem value="framing" disabled={!focused}>
            where each frames as rig {rigLetter(index)} does now
          </MenuItem>
        </LabelledSelect>
      </Box>
      <FormControlLabel
        sx={{ my: 1, minHeight: 40 }}
        control={<Switch checked={replaceAll} onChange={(_, on) => setReplaceAll(on)} />}
        label="In place of all rigs"
      />
      <Button
        fullWidth
        variant="contained"
        disabled={problem !== null}
        onClick={() => {
          setText(null);
          makeRow(index, { focalLengths, bodies, atOneFraming: from === 'framing', replaceAll });
        }}
      >
        Make the row
      </Button>
    </SidePanel>
  );
}
