import { newId } from './unique';

/** This page, as long as it is open. */
export const thisTab = newId();

const lockOf = (tab: string) => `juxtopsis.tab.${tab}`;
const earlierKey = 'juxtopsis.tab';
/** Without locks a page that was not heard of for this long is taken to be closed, ms. */
const silentMs = 90_000;

/** The page that stood in this tab before a reload; it is closed by now. */
const earlier = sessionStorage.getItem(earlierKey);
sessionStorage.setItem(earlierKey, thisTab);

const locks = (navigator as Partial<Navigator>).locks;
// Held until the page is closed, however that happens.
void locks?.request(lockOf(thisTab), () => new Promise<never>(() => undefined));

/**
 * Tells which pages are open: by locks that the browser lets go of when a page closes, or, where a page over plain HTTP has
 * none, by when they last wrote.
 */
export async function openTabs(): Promise<(tab: string, lastWrote: number) => boolean> {
  const held = locks ? new Set(((await locks.query()).held ?? []).map((lock) => lock.name)) : null;
  return (tab, lastWrote) => tab === thisTab || (tab !== earlier && (held ? held.has(lockOf(tab)) : Date.now() - lastWrote < silentMs));
}
