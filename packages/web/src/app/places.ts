/** The places of the product, in their order, each with its sign. */
export const PLACES = [
  {
    to: '/',
    title: 'Today',
    sign: 'M12 1v22M9 5a3 3 0 1 0 6 0a3 3 0 1 0 -6 0M9 12a3 3 0 1 0 6 0a3 3 0 1 0 -6 0M9 19a3 3 0 1 0 6 0a3 3 0 1 0 -6 0',
  },
  {
    to: '/machines',
    title: 'Machines',
    sign: 'M5 8h14v14H5zM9 8V2M13 8V2M9 17c0 -3 3 -3 3 -6c2 2 3 4 3 6',
  },
  {
    to: '/bench',
    title: 'Bench',
    sign: 'M4 14a8 8 0 0 1 16 0M12 14l5 -5M3 18h18v4H3z',
  },
  {
    to: '/practice',
    title: 'Practice',
    sign: 'M4 4h16v16H4zM9.5 9.5a2.7 2.7 0 1 1 4 2.3c-1 .7-1.5 1.1-1.5 2.2M12 17v.2',
  },
  { to: '/patterns', title: 'Patterns', sign: 'M3 3v18h18M7 18v-5M11 18V8M15 18v-8M19 18V5' },
  { to: '/library', title: 'Library', sign: 'M4 3h5v18H4zM9 3h5v18H9zM15 5l4 -1l3 16l-4 1z' },
] as const;
