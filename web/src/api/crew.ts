const currentKey = 'juxtopsis.crew';
const firstKey = 'juxtopsis.firstCrew';

/** The crew that this page works for; empty until a server has told it. It stays the same as long as the page is open. */
let current = localStorage.getItem(currentKey) ?? '';

export const crew = (): string => current;

/** Takes note of the crew that the server works for. When it is another than this page's, the page is opened anew. */
export function meet(told: string | null): void {
  if (told === null || told === current) {
    return;
  }
  localStorage.setItem(currentKey, told);
  if (current === '') {
    current = told;
    localStorage.setItem(firstKey, told);
  } else {
    location.reload();
  }
}

/** What the browser keeps for this crew has this name; the first crew that a browser meets owns what was kept before it was known. */
export const keptUnder = (name: string): string =>
  current === '' || current === localStorage.getItem(firstKey) ? name : `${name}-${current}`;
