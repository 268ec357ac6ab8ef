/** Marks a rig on the whole page while a hand or the focus is on it; nothing is drawn anew for that but what is marked. */
const light = (index: number | null): void => {
  if (index === null) {
    delete document.documentElement.dataset['lit'];
  } else {
    document.documentElement.dataset['lit'] = String(index);
  }
};

/** What something that belongs to a rig listens to. */
export const lights = (index: number) => ({
  onPointerEnter: () => light(index),
  onPointerLeave: () => light(null),
  onFocus: () => light(index),
  onBlur: () => light(null),
});

/** Where one rig is marked, its lines stand out from those of the others, and so does its frame. */
export const litStyles = {
  'html[data-lit] .rig-line': { opacity: 0.3 },
  ...Object.fromEntries(Array.from({ length: 12 }, (_, i) => [`html[data-lit="${i}"] .rig-line-${i}`, { opacity: 1, strokeWidth: 2.6 }])),
  ...Object.fromEntries(
    Array.from({ length: 12 }, (_, i) => [
      `html[data-lit="${i}"] .rig-frame-${i}`,
      { outline: '3px solid var(--mui-palette-primary-main)', outlineOffset: 1 },
    ]),
  ),
};
