/** What stops all testing at once. */
export const DANGERS = ['gas', 'co', 'fire'] as const;
export type Danger = (typeof DANGERS)[number];
