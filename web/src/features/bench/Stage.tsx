import { styled, useColorScheme } from '@mui/material/styles';
import type { Numbers, RigInput, SceneInput } from '../../core/core';
import { FramePicture } from '../../picture/FramePicture';
import { FrameLines } from '../../picture/LineFrame';
import { usePictures } from '../../picture/pictures';

/** Where frames lie over each other. */
export const Stage = styled('div')({ position: 'relative', margin: '0 auto', overflow: 'hidden', background: '#000' });

/** One of them. */
export const Layer = styled('div')({ position: 'absolute', inset: 0, '& > svg': { width: '100%', height: '100%' } });

interface RigFrameProps {
  index: number;
  rig: RigInput;
  figures: Numbers;
  scene: SceneInput;
}

/** The frame of a rig: rendered, or in lines where no pictures can be drawn. */
export function RigFrame({ index, rig, figures, scene }: RigFrameProps) {
  const dark = useColorScheme().colorScheme === 'dark';
  const failed = usePictures((s) => s.failed);
  return failed === null ? (
    <FramePicture index={index} rig={rig} figures={figures} scene={scene} dark={dark} />
  ) : (
    <FrameLines scene={scene} focus={figures} aspect={figures.deliveredAspect} />
  );
}
