import { styled } from '@mui/material/styles';
import { useEffect, useRef, useState } from 'react';

const Canvas = styled('canvas')({ position: 'absolute', inset: 0, width: '100%', height: '100%', display: 'block' });

interface PhotoCanvasProps {
  /** Which rig the cut is of. */
  rig: number;
  address: string;
  /** How much of the photograph is taken in, across and upright; above 1 there is more than it shows. */
  across: number;
  up: number;
  onShown?: (() => void) | undefined;
  onMissing: () => void;
}

const loaded = new Map<string, Promise<HTMLImageElement>>();

/** A photograph, loaded once for all frames that are cut from it. */
function load(address: string): Promise<HTMLImageElement> {
  let image = loaded.get(address);
  if (!image) {
    const element = new Image();
    element.src = address;
    image = element.decode().then(() => element);
    image.catch(() => loaded.delete(address));
    loaded.set(address, image);
  }
  return image;
}

/** The cut of a photograph that a rig would make; where it takes in more, the photograph lies in the middle of it. */
export function PhotoCanvas({ rig, address, across, up, onShown, onMissing }: PhotoCanvasProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  useEffect(() => {
    const sizes = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      const ratio = Math.min(devicePixelRatio, 2);
      if (width >= 1 && height >= 1) setSize({ width: Math.round(width * ratio), height: Math.round(height * ratio) });
    });
    sizes.observe(canvas.current!);
    return () => sizes.disconnect();
  }, []);
  useEffect(() => {
    let current = true;
    if (size) {
      load(address).then(
        (image) => {
          const box = canvas.current;
          if (!current || !box) return;
          Object.assign(box, size);
          const [width, height] = [size.width / across, size.height / up];
          const context = box.getContext('2d')!;
          context.fillStyle = '#6b665e';
          context.fillRect(0, 0, size.width, size.height);
          context.imageSmoothingQuality = 'high';
          context.drawImage(image, (size.width - width) / 2, (size.height - height) / 2, width, height);
          box.dataset['samples'] = '1';
          onShown?.();
        },
        () => current && onMissing(),
      );
    }
    return () => {
      current = false;
    };
  }, [address, across, up, size, onShown, onMissing]);
  return <Canvas ref={canvas} data-rig={rig} aria-hidden />;
}
