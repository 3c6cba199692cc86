/** What a hand needs for things that are done at the machine, minutes. Common practice, no source. */
export const MINUTES = {
  set: 0.5,
  /** To the house's panel and back. */
  breaker: 2,
  probes: 0.3,
  note: 0.1,
  look: 0.5,
  say: 0.2,
  try: 0.5,
  fit: 18,
  mend: 9,
  exchange: 2,
  line: 0.7,
} as const;
