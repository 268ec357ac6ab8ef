/** Tells whether a text has every word of what was typed, anywhere in it and in any case of letters; nothing typed is had by all. */
export function hasWords(text: string, typed: string): boolean {
  const low = text.toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => low.includes(word));
}
