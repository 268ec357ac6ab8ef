import { useLayoutEffect, useState, type RefObject } from 'react';

const least = 132;
const most = 900;
const paddingPx = 8;

/** Below this the rigs stand one below the other, px. */
const stackedPx = 600;

/**
 * The highest that frames may be drawn, px, so that all down to the ground line is in the window: what is left over below it, or inside
 * the columns of the rigs, goes to the pictures. On a phone, where nobody sees all at once, they are as wide as the page.
 */
export function useFrameHeight(root: RefObject<HTMLElement | null>, count: number): number {
  const [height, setHeight] = useState(least);
  useLayoutEffect(() => {
    const page = root.current;
    if (!page) {
      return undefined;
    }
    const measure = () => {
      if (window.innerWidth < stackedPx) {
        setHeight(most);
        return;
      }
      const pictures = [...page.querySelectorAll<HTMLElement>('[data-frame]')];
      const below = page.querySelector<HTMLElement>('[data-below]');
      if (pictures.length === 0 || !below) {
        return;
      }
      const bottom = below.getBoundingClientRect().bottom + window.scrollY + paddingPx;
      const drawn = Math.max(...pictures.map((picture) => picture.clientHeight));
      const slack = Math.min(...pictures.map((picture) => slackOf(picture)));
      const next = Math.floor(
        Math.min(most, Math.max(least, drawn + slack + Math.max(least - drawn - slack, window.innerHeight - 1 - bottom))),
      );
      setHeight((now) => (next < now || next > now + 1 ? next : now));
    };
    const sizes = new ResizeObserver(measure);
    const watch = () => {
      sizes.disconnect();
      sizes.observe(page);
      for (const part of page.children) {
        sizes.observe(part);
      }
    };
    // A bar that comes or goes moves what is below it.
    const parts = new MutationObserver(watch);
    parts.observe(page, { childList: true });
    window.addEventListener('resize', measure);
    watch();
    return () => {
      sizes.disconnect();
      parts.disconnect();
      window.removeEventListener('resize', measure);
    };
  }, [root, count]);
  return height;
}

/** Room in a rig's column that nothing stands in, px. */
function slackOf(picture: HTMLElement): number {
  const column = picture.closest('section');
  const last = column?.lastElementChild;
  return column && last ? Math.max(0, column.getBoundingClientRect().bottom - last.getBoundingClientRect().bottom - paddingPx) : 0;
}
