let since: number | null = null;

window.addEventListener('pointerdown', () => (since = performance.now()), true);
for (const end of ['pointerup', 'pointercancel', 'blur']) {
  window.addEventListener(end, () => (since = null), true);
}

/** Since when a hand holds the pointer down, by `performance.now`; null while none does. */
export const pointerHeldSince = (): number | null => since;
