import { Box, Button, Dialog, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { core, type MarksRequest, type TestReading } from '../../../core/core';
import { testReadingFields, type NumberField } from '../../../core/fields';
import { distance } from '../../../ui/format';
import { FileButton } from '../../../ui/FileButton';
import { FieldEntry } from '../../../ui/FieldEntry';
import { testedPlusMinus } from '../../../gear/testWords';

type Mark = MarksRequest['marks'][number];

interface StillReaderProps {
  squeeze: number;
  markPlusMinusPx: number;
  feet: boolean;
  onRead: (reading: TestReading) => void;
  onClose: () => void;
}

/** A reading from a still: marks on what has a known size. A still that stands upright is laid on its side: the sensor's width is its long one. */
export function StillReader({ squeeze, markPlusMinusPx, feet, onRead, onClose }: StillReaderProps) {
  const [picture, setPicture] = useState<{ url: string; width: number; height: number } | null>(null);
  const [marks, setMarks] = useState<Mark[]>([]);
  const [known, setKnown] = useState<{ widthMm: number | null; heightMm: number | null; distanceMm: number | null }>({
    widthMm: null,
    heightMm: null,
    distanceMm: null,
  });
  const [say, setSay] = useState('');
  const image = useRef<HTMLImageElement>(null);
  const held = useRef<number | null>(null);
  useEffect(
    () => () => {
      if (picture) URL.revokeObjectURL(picture.url);
    },
    [picture],
  );
  const bring = async (file: File) => {
    try {
      const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
      setPicture({ url: URL.createObjectURL(file), width: bitmap.width, height: bitmap.height });
      bitmap.close();
      setMarks([]);
      setSay('');
    } catch {
      setSay('This browser cannot read the file as a picture. Save it as JPEG or PNG.');
    }
  };
  const at = (event: PointerEvent): Mark => {
    const box = image.current!.getBoundingClientRect();
    const clamp = (value: number, most: number) => Math.min(most, Math.max(0, value));
    return {
      x: clamp(((event.clientX - box.left) / box.width) * picture!.width, picture!.width),
      y: clamp(((event.clientY - box.top) / box.height) * picture!.height, picture!.height),
    };
  };
  const near = (mark: Mark) => {
    const box = image.current!.getBoundingClientRect();
    const reach = (24 / box.width) * picture!.width;
    return marks.findIndex((m) => Math.hypot(m.x - mark.x, m.y - mark.y) < reach);
  };
  const down = (event: PointerEvent) => {
    event.preventDefault();
    event.currentTarget.setPointerCapture(event.pointerId);
    const mark = at(event);
    const old = near(mark);
    if (old < 0 && marks.length >= 4) return;
    held.current = old < 0 ? marks.length : old;
    setMarks(old < 0 ? [...marks, mark] : marks.map((m, i) => (i === old ? mark : m)));
  };
  const move = (event: PointerEvent) => {
    if (held.current === null) return;
    const mark = at(event);
    setMarks(marks.map((m, i) => (i === held.current ? mark : m)));
  };
  const nudge = (i: number, dx: number, dy: number) => setMarks(marks.map((m, at) => (at === i ? { x: m.x + dx, y: m.y + dy } : m)));

  const isUpright = picture !== null && picture.height > picture.width;
  const isReady = picture && known.widthMm && (marks.length === 2 || (marks.length === 4 && known.heightMm && known.distanceMm));
  const told = isReady
    ? core().markedField({
        marks: isUpright ? marks.map((m) => ({ x: m.y, y: picture.width - m.x })) : marks,
        pictureWidthPx: Math.max(picture.width, picture.height),
        pictureHeightPx: Math.min(picture.width, picture.height),
        widthMm: known.widthMm!,
        heightMm: marks.length === 4 ? known.heightMm : null,
        distanceMm: known.distanceMm,
        squeeze,
        markPlusMinusPx,
      })
    : null;
  const field = told && !Array.isArray(told) ? told : null;
  const missing = !picture
    ? ''
    : marks.length < 2
      ? 'Mark both ends of something of known size: a ruler, a door. Or the four corners of a rectangle, from its top left around.'
      : marks.length === 3
        ? 'One corner more, or take one away.'
        : !known.widthMm
          ? 'How wide is it?'
          : marks.length === 4 && !known.heightMm
            ? 'How high is the rectangle?'
            : !known.distanceMm
              ? 'How far is it from the sensor mark?'
              : field === null
                ? 'These corners are no rectangle seen from the front. Mark them in order around.'
                : '';
  const entry = (key: 'widthMm' | 'heightMm' | 'distanceMm', label: string) => (
    <FieldEntry
      field={{ ...(testReadingFields[key] as NumberField), label }}
      value={known[key]}
      feet={feet}
      problem={undefined}
      placeholder="type it"
      onValue={(value) => setKnown({ ...known, [key]: value })}
    />
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-label="Reading from a still">
      <DialogTitle sx={{ pb: 0.5 }}>Reading from a still</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1, px: { xs: 1, sm: 3 } }}>
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'end' }}>
          <FileButton
            accept="image/*"
            testId="still"
            variant={picture ? 'text' : 'contained'}
            sx={{ minHeight: 44 }}
            onFile={(file) => void bring(file)}
          >
            {picture ? 'Another still' : 'Choose a still'}
          </FileButton>
          <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, minmax(0, 130px))', gap: 1 }}>
            {entry('widthMm', marks.length > 2 ? 'True width' : 'Between the marks')}
            {marks.length > 2 && entry('heightMm', 'True height')}
            {entry('distanceMm', 'Tape')}
          </Box>
        </Box>
        {say && (
          <Typography role="alert" sx={{ fontSize: 13.5, color: 'error.main' }}>
            {say}
          </Typography>
        )}
        {picture && (
          <Box
            data-testid="marked"
            onPointerDown={down}
            onPointerMove={move}
            onPointerUp={() => (held.current = null)}
            sx={{ position: 'relative', touchAction: 'none', cursor: 'crosshair', lineHeight: 0 }}
          >
            <Box
              ref={image}
              component="img"
              src={picture.url}
              alt="The still"
              draggable={false}
              sx={{ width: '100%', maxHeight: '58vh', objectFit: 'fill' }}
            />
            {marks.map((mark, i) => (
              <Box
                key={i}
                component="button"
                type="button"
                aria-label={`Mark ${i + 1}; arrow keys move it, Delete takes it away`}
                onKeyDown={(event) => {
                  const by = event.shiftKey ? 10 : 1;
                  const moves: Record<string, [number, number]> = {
                    ArrowLeft: [-by, 0],
                    ArrowRight: [by, 0],
                    ArrowUp: [0, -by],
                    ArrowDown: [0, by],
                  };
                  const to = moves[event.key];
                  if (to) {
                    event.preventDefault();
                    nudge(i, ...to);
                  } else if (event.key === 'Delete' || event.key === 'Backspace') {
                    setMarks(marks.filter((_, at) => at !== i));
                  }
                }}
                sx={{
                  position: 'absolute',
                  left: `${(100 * mark.x) / picture.width}%`,
                  top: `${(100 * mark.y) / picture.height}%`,
                  transform: 'translate(-50%, -50%)',
                  width: 30,
                  height: 30,
                  p: 0,
                  borderRadius: '50%',
                  border: '2px solid #fff',
                  outline: '2px solid #000',
                  background: 'linear-gradient(#fff,#fff) center/1px 100% no-repeat, linear-gradient(#fff,#fff) center/100% 1px no-repeat',
                  color: 'transparent',
                  pointerEvents: 'none',
                }}
              />
            ))}
          </Box>
        )}
        {isUpright && (
          <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
            The still stands upright: its long side is taken for the sensor’s width.
          </Typography>
        )}
        <Typography role="status" sx={{ fontSize: 13.5 }}>
          {missing ||
            (field &&
              `The whole picture shows ${distance(field.widthMm, feet)} there, ${testedPlusMinus('weight', field.plusMinusMm)} mm from the marks${
                field.tiltDeg === null ? '' : `; the plane was turned by ${field.tiltDeg.toFixed(1)}°, which is taken out`
              }.`)}
        </Typography>
        <Box sx={{ display: 'flex', gap: 1, justifyContent: 'flex-end' }}>
          <Button disabled={marks.length === 0} onClick={() => setMarks(marks.slice(0, -1))}>
            Take a mark away
          </Button>
          <Button onClick={onClose}>Close</Button>
          <Button
            variant="contained"
            disabled={!field || !known.distanceMm}
            onClick={() => onRead({ widthMm: Number(field!.widthMm.toPrecision(7)), distanceMm: known.distanceMm })}
          >
            Take the reading
          </Button>
        </Box>
      </DialogContent>
    </Dialog>
  );
}
