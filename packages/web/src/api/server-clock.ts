/** Differences below this are the road's, not the clock's: the server tells its time in whole seconds. */
const NOTICED_MS = 30_000;
/** A road longer than this says nothing about the clock. */
const SLOW_MS = 4000;
const KEPT = 'zetalysis.clock-offset';

/** Learns from an answer how far this device's clock is ahead. `asked` is when it was asked for, by this clock. */
export function hearServerClock(response: Response, asked: number): void {
  const said = Date.parse(response.headers.get('date') ?? '');
  const now = Date.now();
  if (Number.isNaN(said) || now - asked > SLOW_MS) return;
  localStorage.setItem(KEPT, String(Math.round(((now + asked) / 2 - said) / 1000) * 1000));
  listeners.forEach((l) => l());
}

const listeners = new Set<() => void>();

/** Tells when the server's clock was heard again. */
export function onServerClock(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** How far this device's clock is ahead of the server's, milliseconds; nothing when it is right, or nobody knows. */
export function clockOffset(): number | undefined {
  const offset = Number(localStorage.getItem(KEPT) ?? 0);
  return Math.abs(offset) < NOTICED_MS ? undefined : offset;
}

/** The time now by the shop's clock, as far as it is known. */
export const shopTime = (now = Date.now()): number => now - (clockOffset() ?? 0);
