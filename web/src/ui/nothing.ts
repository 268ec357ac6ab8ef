const words = new Set(['', 'none', 'nothing', 'no', 'unknown', 'not known', 'n/a', '–', '—', '?']);

/** True for a text that says that there is nothing, or that nothing is known: also the words that stand in the empty field. */
export const meansNothing = (text: string, placeholder = ''): boolean => {
  const said = text.trim().toLowerCase();
  return words.has(said) || said === placeholder.trim().toLowerCase();
};
