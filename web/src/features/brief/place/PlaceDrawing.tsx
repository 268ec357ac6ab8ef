import { styled } from '@mui/material/styles';
import { useEffect, useRef, useState } from 'react';
import { type PlaceDrawingProps, measure } from './placeScale';
import { FromTheSide } from './FromTheSide';
import { FromAbove } from './FromAbove';

// What is outside the place is solid, as in a section of a building, and the sheet is as large as its room.
const Sheet = styled('div')(({ theme }) => ({
  display: 'grid',
  alignContent: 'center',
  minHeight: 300,
  height: '100%',
  overflow: 'hidden',
  borderRadius: theme.shape.borderRadius,
  background: theme.vars!.palette.background.default,
}));

/**
 * The place to scale: from the side and from above, one scale for both. The wall behind the subject is on the left, the camera on
 * the right. Subject, walls and the distance to keep are moved here by hand or key. Overhead, the camera looks down.
 */
export function PlaceDrawing({ shot, place, frame, fit, feet }: PlaceDrawingProps) {
  const holder = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const sizes = new ResizeObserver(([entry]) => setSize({ width: entry!.contentRect.width, height: entry!.contentRect.height }));
    sizes.observe(holder.current!);
    return () => sizes.disconnect();
  }, []);

  const measured = measure(shot, place, frame, fit, size);
  const shown = { shot, place, frame, fit, feet, ...measured };
  return (
    <Sheet ref={holder}>
      {size.width > 0 && (
        <div style={{ display: 'flex', flexDirection: measured.isBeside ? 'row' : 'column' }}>
          <FromTheSide {...shown} />
          <FromAbove {...shown} />
        </div>
      )}
    </Sheet>
  );
}
