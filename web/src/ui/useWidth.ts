import { useCallback, useRef, useState } from 'react';

/** The width of an element, px, as it changes; 0 before it is there. */
export function useWidth(): [(element: HTMLElement | null) => void, number] {
  const [width, setWidth] = useState(0);
  const sizes = useRef<ResizeObserver | null>(null);
  const ref = useCallback((element: HTMLElement | null) => {
    sizes.current?.disconnect();
    sizes.current = element && new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    if (element) sizes.current?.observe(element);
  }, []);
  return [ref, width];
}
