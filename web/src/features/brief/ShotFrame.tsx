import { styled, useColorScheme } from '@mui/material/styles';
import { memo } from 'react';
import { usePictures } from '../../picture/pictures';
import { FramePicture } from '../../picture/FramePicture';
import type { Pictured } from './rigs';

const Box = styled('div')(({ theme }) => ({
  position: 'relative',
  overflow: 'hidden',
  display: 'grid',
  placeItems: 'center',
  background: theme.vars!.palette.drawing.wall,
  color: theme.vars!.palette.text.secondary,
  fontSize: 12,
  lineHeight: 1.25,
  textAlign: 'center',
}));

/** The picture of a shot, or a word that stands in for it. */
export const ShotFrame = memo(function ShotFrame({ picture, word, aspect }: { picture: Pictured | null; word: string; aspect: number }) {
  const { colorScheme } = useColorScheme();
  const failed = usePictures((s) => s.failed);
  return (
    <Box style={{ aspectRatio: aspect }}>
      {picture && failed === null ? (
        <FramePicture index={0} rig={picture.rig} figures={picture.figures} scene={picture.scene} dark={colorScheme === 'dark'} />
      ) : (
        <span style={{ padding: 4 }}>{picture ? 'No pictures here' : word}</span>
      )}
    </Box>
  );
});
