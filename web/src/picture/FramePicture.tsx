import { styled } from '@mui/material/styles';
import { useCallback, useState } from 'react';
import { isWorry, type Numbers, type RigInput, type SceneInput } from '../core/core';
import { PhotoCanvas } from './PhotoCanvas';
import { PictureCanvas } from './PictureCanvas';
import { stageOf, viewOf } from './frameView';
import { photoAddress } from './photo';

const Word = styled('div')(({ theme }) => ({
  position: 'absolute',
  left: 6,
  bottom: 6,
  right: 6,
  width: 'fit-content',
  maxWidth: 'calc(100% - 12px)',
  padding: '2px 8px',
  fontSize: 12.5,
  lineHeight: 1.3,
  borderRadius: 4,
  pointerEvents: 'none',
  color: theme.vars!.palette.text.primary,
  background: theme.vars!.palette.background.paper,
}));

interface FramePictureProps {
  index: number;
  rig: RigInput;
  figures: Numbers;
  scene: SceneInput;
  dark: boolean;
  onShown?: (() => void) | undefined;
}

/** The picture that a rig gives: rendered, or cut from the scene's photograph. */
export function FramePicture({ index, rig, figures, scene, dark, onShown }: FramePictureProps) {
  const [missing, setMissing] = useState<string | null>(null);
  const photo = scene.backdrop === 'photo' ? scene.photo : null;
  const id = photo?.id;
  const onMissing = useCallback(() => setMissing(id ?? null), [id]);
  if (!photo) {
    return <PictureCanvas rig={index} view={viewOf(figures, rig)} stage={stageOf(scene, dark)} onShown={onShown} />;
  }
  const { stillShareAcross: across, stillShareUp: up } = figures;
  if (Number.isNaN(across)) {
    return <Word>The photograph was taken from elsewhere: this rig stands at a distance of its own.</Word>;
  }
  if (missing === photo.id) {
    return <Word>The photograph cannot be loaded. It may have been deleted; bring it again under “Place, light”.</Word>;
  }
  const isWider = isWorry(figures, 'stillShareAcross') || isWorry(figures, 'stillShareUp');
  return (
    <>
      <PhotoCanvas rig={index} address={photoAddress(photo)} across={across} up={up} onShown={onShown} onMissing={onMissing} />
      {isWider && <Word>{Math.ceil(100 * (Math.max(across, up) - 1))} % wider than the photograph</Word>}
    </>
  );
}
