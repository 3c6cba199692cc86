import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import type { Request } from 'express';

const COOKIE = 'zetalysis-device';
const YEAR_MS = 365 * 86_400_000;

const signature = (id: string, name: string, secret: string): string =>
  createHmac('sha256', secret).update(`device|${id}|${name}`).digest('base64url');

/** Marks the device as one on which this person has signed in: strangers cannot use up its tries. */
export function rememberDevice(request: Request, name: string, secret: string): void {
  const id = randomBytes(12).toString('base64url');
  request.res!.cookie(COOKIE, `${id}.${signature(id, name, secret)}`, {
    httpOnly: true,
    sameSite: 'strict',
    secure: request.secure,
    maxAge: YEAR_MS,
  });
}

/** The mark of the device, if this person has signed in on it before. */
export function knownDevice(request: Request, name: string, secret: string): string | undefined {
  const cookie = (request.get('cookie') ?? '').split(/;\s*/).find((c) => c.startsWith(`${COOKIE}=`));
  const [id, given] = cookie?.slice(COOKIE.length + 1).split('.') ?? [];
  if (id === undefined || given === undefined) return undefined;
  const right = Buffer.from(signature(id, name, secret));
  const found = Buffer.from(given);
  return right.length === found.length && timingSafeEqual(right, found) ? id : undefined;
}
