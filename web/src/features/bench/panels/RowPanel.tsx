import { Button, FormControlLabel, Switch, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { core, type RigInput } from '../../../core/core';
import { plain } from '../../../ui/format';
import { RigMark } from '../../../ui/RigMark';
import { makeRow, mostRigs } from '../benchStore';
import { SidePanel } from './SidePanel';

interface RowPanelProps {
  index: number;
  rig: RigInput;
  others: number;
}

/** Focal lengths that a text names; a message where one cannot be read or there are too many. */
function readRow(text: string, rig: RigInput, room: number): { focalLengths: number[]; problem: string | null } {
  const words = text.split(/[\s,;]+/).filter(Boolean);
  const read = words.map((word) => ({ word, ...core().read('focalLength', word, false) }));
  const bad = read.find((r) => r.problem !== null);
  const focalLengths = read.map((r) => r.values[0]!);
  const { zoomShortMm, zoomLongMm } = rig.lens ?? {};
  const outside = zoomShortMm != null && zoomLongMm != null && !bad ? focalLengths.find((f) => f < zoomShortMm || f > zoomLongMm) : undefined;
  const problem =
    words.length === 0
      ? 'Type focal lengths, such as 18 25 40 60.'
      : bad
        ? `“${bad.word}”: ${bad.problem}`
        : outside !== undefined
          ? `${plain(outside)} mm is outside the zoom, ${plain(zoomShortMm!)} to ${plain(zoomLongMm!)} mm. Leave it out, or take another lens.`
          : words.length > room
            ? `${words.length} are too many: ${room} have room. Leave some out, or let them take the place of all rigs.`
            : null;
  return { focalLengths, problem };
}

/** A row of focal lengths from one rig: the same spot, seen wide to tight. */
export function RowPanel({ index, rig, others }: RowPanelProps) {
  const { zoomShortMm: from, zoomLongMm: to } = rig.lens ?? {};
  const isPrime = from != null && from === to;
  const [text, setText] = useState(from != null && to != null && from < to ? `${plain(from)} ${plain(Math.round(Math.sqrt(from * to)))} ${plain(to)}` : '18 25 40 60 90 150');
  const [replaceAll, setReplaceAll] = useState(true);
  const { focalLengths, problem } = readRow(text, rig, replaceAll ? mostRigs : mostRigs - others);
  return (
    <SidePanel title="Make a row" mark={<RigMark index={index} size={24} />}>
      <Typography sx={{ fontSize: 13, color: 'text.secondary', mb: 1.5 }}>
        This rig at one focal length after the other, from the same spot.{isPrime && ` Its lens is a prime of ${plain(from)} mm: take a zoom, or bare numbers.`}
      </Typography>
      <TextField
        fullWidth
        size="small"
        label="Focal lengths, mm"
        value={text}
        onChange={(event) => setText(event.target.value)}
        error={problem !== null}
        helperText={problem ?? `${focalLengths.length} rigs`}
        slotProps={{ htmlInput: { maxLength: 120 } }}
      />
      <FormControlLabel
        sx={{ my: 1, minHeight: 40 }}
        control={<Switch checked={replaceAll} onChange={(_, on) => setReplaceAll(on)} />}
        label="In place of all rigs"
      />
      <Button fullWidth variant="contained" disabled={problem !== null} onClick={() => makeRow(index, focalLengths, replaceAll)}>
        Make the row
      </Button>
    </SidePanel>
  );
}
