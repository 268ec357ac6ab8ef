import { useEffect, useState, type RefObject } from 'react';

/** Whether something is in the window, or was until a moment ago. */
export function useInSight(box: RefObject<Element | null>): boolean {
  const [inSight, setInSight] = useState(true);
  useEffect(() => {
    const sight = new IntersectionObserver(([entry]) => setInSight(entry!.isIntersecting));
    sight.observe(box.current!);
    return () => sight.disconnect();
  }, [box]);
  return inSight;
}
