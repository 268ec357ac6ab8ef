import { styled } from '@mui/material/styles';
import { useEffect, useId, useRef, useState } from 'react';
import { dropPicture, showPicture, usePictures } from './pictures';
import type { Stage, View } from './view';

const Canvas = styled('canvas')({ position: 'absolute', inset: 0, width: '100%', height: '100%', display: 'block' });

interface PictureCanvasProps {
  /** Which rig it is of. */
  rig: number;
  view: View;
  stage: Stage;
  /** Told once there is something to be seen. */
  onShown?: () => void;
}

/** The longest side that is rendered, px: more is not seen on a bench of frames. */
const longest = 1600;

/** A rendered picture that fills its parent; drawn only while it is in sight. */
export function PictureCanvas({ rig, view, stage, onShown }: PictureCanvasProps) {
  const id = useId();
  const canvas = useRef<HTMLCanvasElement>(null);
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  const [seen, setSeen] = useState(true);
  const failed = usePictures((s) => s.failed);

  useEffect(() => {
    const box = canvas.current!;
    const sizes = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      const ratio = Math.min(devicePixelRatio, 2, longest / Math.max(width, height, 1));
      if (width >= 1 && height >= 1) setSize({ width: Math.round(width * ratio), height: Math.round(height * ratio) });
    });
    const sight = new IntersectionObserver(([entry]) => setSeen(entry!.isIntersecting));
    sizes.observe(box);
    sight.observe(box);
    return () => {
      sizes.disconnect();
      sight.disconnect();
      dropPicture(id);
    };
  }, [id]);

  const visible = usePageVisible();
  useEffect(() => {
    if (!size) {
      return;
    }
    if (!seen || !visible || failed !== null) {
      dropPicture(id);
      return;
    }
    showPicture({ id, view, stage, ...size }, ({ bitmap, samples, drawCalls, ms }) => {
      const box = canvas.current;
      if (!box) {
        bitmap.close();
        return;
      }
      box.width = bitmap.width;
      box.height = bitmap.height;
      box.getContext('bitmaprenderer')!.transferFromImageBitmap(bitmap);
      Object.assign(box.dataset, { samples, drawCalls, ms: Math.round(ms) });
      onShown?.();
    });
  }, [id, view, stage, size, seen, visible, failed, onShown]);

  return <Canvas ref={canvas} data-rig={rig} aria-hidden style={failed === null ? undefined : { display: 'none' }} />;
}

function usePageVisible(): boolean {
  const [visible, setVisible] = useState(!document.hidden);
  useEffect(() => {
    const change = () => setVisible(!document.hidden);
    document.addEventListener('visibilitychange', change);
    return () => document.removeEventListener('visibilitychange', change);
  }, []);
  return visible;
}
