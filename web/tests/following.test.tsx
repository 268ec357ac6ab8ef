import { act } from 'react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { useFrameHeight } from '../src/features/bench/useFrameHeight';
import { useCalm } from '../src/ui/useCalm';
import { useInSight } from '../src/ui/useInSight';
import { lights } from '../src/ui/lit';
import { useRef } from 'react';
import { draw } from './drawn';

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

const pass = (ms: number) =>
  act(() => {
    vi.advanceTimersByTime(ms);
  });
const text = () => document.querySelector('output')!.textContent;

test('a calm value follows at most once in its time, and always up to the last', () => {
  let drawn = 0;
  function Calm({ value }: { value: number }) {
    drawn++;
    return <output>{useCalm(value, 200)}</output>;
  }
  const again = draw(<Calm value={0} />);
  for (let value = 1; value <= 9; value++) {
    again(<Calm value={value} />);
    pass(10);
  }
  expect(text()).toBe('0');
  pass(200);
  expect([text(), drawn]).toEqual(['9', 11]);
  again(<Calm value={10} />);
  pass(200);
  expect(text()).toBe('10');
});

test('a calm value that is not on the page any more stops', () => {
  const Calm = ({ value }: { value: number }) => <output>{useCalm(value, 200)}</output>;
  const again = draw(<Calm value={0} />);
  again(<Calm value={1} />);
  again(null);
  expect(vi.getTimerCount()).toBe(0);
});

test('what is out of sight knows it', () => {
  let seen: (entries: { isIntersecting: boolean }[]) => void = () => undefined;
  const disconnect = vi.fn();
  vi.stubGlobal(
    'IntersectionObserver',
    class {
      constructor(tell: typeof seen) {
        seen = tell;
      }
      observe = vi.fn();
      disconnect = disconnect;
    },
  );
  function Seen() {
    const box = useRef<HTMLOutputElement>(null);
    return <output ref={box}>{String(useInSight(box))}</output>;
  }
  const again = draw(<Seen />);
  expect(text()).toBe('true');
  act(() => seen([{ isIntersecting: false }]));
  expect(text()).toBe('false');
  again(null);
  expect(disconnect).toHaveBeenCalled();
});

test('a rig is marked on the page as long as a hand or the focus is on it', () => {
  const marked = () => document.documentElement.dataset['lit'];
  lights(2).onPointerEnter();
  expect(marked()).toBe('2');
  lights(3).onFocus();
  expect(marked()).toBe('3');
  lights(3).onBlur();
  expect(marked()).toBeUndefined();
});

/** A Bench of one rig: its frame, as high as it may be, its inputs, and the ground line. */
function Bench({ inputsPx, slackPx = 0 }: { inputsPx: number; slackPx?: number }) {
  const root = useRef<HTMLDivElement>(null);
  const height = useFrameHeight(root, 1);
  return (
    <div ref={root} data-inputs={inputsPx} data-slack={slackPx}>
      <section>
        <div data-frame={height} />
        <div data-last />
      </section>
      <div data-below />
      <output>{height}</output>
    </div>
  );
}

/** The layout that a browser would make of it. */
function layOut(): void {
  const number = (name: string) => Number(document.querySelector<HTMLElement>('[data-inputs]')!.dataset[name]);
  const frame = () => Number(document.querySelector<HTMLElement>('[data-frame]')!.dataset['frame']);
  const groundPx = 150;
  vi.spyOn(HTMLElement.prototype, 'clientHeight', 'get').mockImplementation(frame);
  vi.spyOn(HTMLElement.prototype, 'getBoundingClientRect').mockImplementation(function (this: HTMLElement) {
    const last = frame() + number('inputs');
    const bottom =
      'below' in this.dataset ? last + number('slack') + 8 + groundPx : this.tagName === 'SECTION' ? last + number('slack') + 8 : last;
    return { bottom } as DOMRect;
  });
}

let resized: () => void = () => undefined;
beforeEach(() => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      constructor(tell: () => void) {
        resized = tell;
      }
      observe = () => resized();
      disconnect = () => undefined;
    },
  );
});

const settle = () => {
  for (let i = 0; i < 6; i++) act(() => resized());
};

test('the frame takes the height that is left above the ground line, and no more', () => {
  layOut();
  vi.stubGlobal('innerWidth', 1280);
  vi.stubGlobal('innerHeight', 800);
  const again = draw(<Bench inputsPx={300} />);
  settle();
  // 800 − 1 of the window, less inputs, ground and their gaps.
  expect(text()).toBe(String(800 - 1 - 300 - 8 - 150 - 8));
  again(<Bench inputsPx={420} />);
  settle();
  expect(text()).toBe(String(800 - 1 - 420 - 8 - 150 - 8));
});

test('room that nothing stands in goes to the frame, but in a window that is too small it stays large enough to read', () => {
  layOut();
  vi.stubGlobal('innerWidth', 1280);
  vi.stubGlobal('innerHeight', 500);
  draw(<Bench inputsPx={400} slackPx={0} />);
  settle();
  expect(text()).toBe('132');
});

test('on a phone it is as wide as the page', () => {
  layOut();
  vi.stubGlobal('innerWidth', 390);
  vi.stubGlobal('innerHeight', 844);
  draw(<Bench inputsPx={400} />);
  settle();
  expect(text()).toBe('900');
});
