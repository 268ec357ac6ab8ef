import { ThemeProvider } from '@mui/material/styles';
import { act, type ReactNode } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, vi } from 'vitest';
import { theme } from '../src/app/theme';

vi.stubGlobal('IS_REACT_ACT_ENVIRONMENT', true);

const roots: Root[] = [];

afterEach(() => {
  act(() => roots.splice(0).forEach((root) => root.unmount()));
  document.body.replaceChildren();
});

/** Draws something into the page, and hands back what draws it anew. */
export function draw(what: ReactNode): (next: ReactNode) => void {
  vi.stubGlobal('IS_REACT_ACT_ENVIRONMENT', true);
  const root = createRoot(document.body.appendChild(document.createElement('div')));
  roots.push(root);
  const again = (next: ReactNode) => act(() => root.render(<ThemeProvider theme={theme}>{next}</ThemeProvider>));
  again(what);
  return again;
}

/** Types into a field as a person does: the whole text at once. */
export function type(input: HTMLInputElement, text: string): void {
  act(() => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, text);
    input.dispatchEvent(new Event('input', { bubbles: true }));
  });
}

export const press = (on: Element, key: string, more: KeyboardEventInit = {}): boolean => {
  let taken = false;
  act(() => {
    const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more });
    on.dispatchEvent(event);
    taken = event.defaultPrevented;
  });
  return taken;
};

export const leave = (input: HTMLInputElement): void =>
  act(() => {
    input.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
  });

/** Lets what was begun come to its end: turns of the event loop, not time, so that a busy machine sees the same. */
export const settled = (): Promise<void> =>
  act(async () => {
    for (let turn = 0; turn < 40; turn++) await new Promise((done) => setTimeout(done));
  });

/** What is drawn is so wide, px: this page is never laid out. */
export const wide = (px: number): void => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      constructor(private readonly told: (entries: { contentRect: { width: number } }[]) => void) {}
      observe() {
        this.told([{ contentRect: { width: px } }]);
      }
      disconnect() {}
    },
  );
};
