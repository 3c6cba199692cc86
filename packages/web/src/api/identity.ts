import type { Me } from '@zetalysis/contract';

/**
 * Who is signed in on this device. The browser's cookie alone signs nobody in: every request also carries a secret that lies
 * here, so that signing out takes effect without the server, by forgetting it.
 */
const ME = 'zetalysis.me';
const KEY = 'zetalysis.key';
/** Somebody signed out while the server was away: the session has still to be ended there. */
const ENDING = 'zetalysis.ending';

export const sessionKey = (): string | null => localStorage.getItem(KEY);

export function whoIsHere(): Me | null {
  const text = localStorage.getItem(ME);
  if (text === null || sessionKey() === null) return null;
  // Kept by an older program, somebody has no grants until the server says.
  const kept = JSON.parse(text) as Omit<Me, 'grants'> & Partial<Pick<Me, 'grants'>>;
  return { ...kept, grants: kept.grants ?? [] };
}

export function arrive(me: Me, key: string): void {
  localStorage.setItem(KEY, key);
  localStorage.setItem(ME, JSON.stringify(me));
  // A new session takes the place of the old one at the server too.
  localStorage.removeItem(ENDING);
}

export const rememberMe = (me: Me): void => localStorage.setItem(ME, JSON.stringify(me));

export function leave(): void {
  localStorage.setItem(ENDING, 'yes');
  localStorage.removeItem(KEY);
  localStorage.removeItem(ME);
}

/** Whether a session has to be ended at the server that nobody here can use any more. */
export const mustEndSession = (): boolean => localStorage.getItem(ENDING) !== null && sessionKey() === null;
export const sessionEnded = (): void => localStorage.removeItem(ENDING);

/** This device's name in the log: made once. */
export function deviceName(): string {
  const key = 'zetalysis.device';
  const kept = localStorage.getItem(key);
  if (kept !== null) return kept;
  const made = `d-${crypto.randomUUID().slice(0, 8)}`;
  localStorage.setItem(key, made);
  return made;
}
