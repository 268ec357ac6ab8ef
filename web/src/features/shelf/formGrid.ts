/** Fields stand in two columns. */
export const formGrid = { display: 'grid', gap: 1, gridTemplateColumns: 'repeat(2, minmax(0, 1fr))', alignItems: 'start' } as const;
