import { useEffect, useRef, useState } from 'react';

/**
 * A value that follows another one calmly: at most once in so many milliseconds, and always up to the last. For what takes longer
 * to work out than a hand that drags should wait.
 */
export function useCalm<T>(value: T, everyMs: number): T {
  const [calm, setCalm] = useState(value);
  const latest = useRef(value);
  const waiting = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  useEffect(() => {
    latest.current = value;
    waiting.current ??= setTimeout(() => {
      waiting.current = undefined;
      setCalm(latest.current);
    }, everyMs);
  }, [value, everyMs]);
  useEffect(
    () => () => {
      clearTimeout(waiting.current);
      waiting.current = undefined;
    },
    [],
  );
  return calm;
}
