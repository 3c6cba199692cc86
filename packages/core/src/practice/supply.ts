import type { Move } from './move';

/** How the two switches of a supply stand: the breaker at the house's panel, the service switch at the appliance. */
export interface Supply {
  readonly breaker: boolean;
  readonly service: boolean;
}

/** There is power while both are on. */
export const hasPower = ({ breaker, service }: Supply): boolean => breaker && service;

/** How a supply stands after some moves. Who sets power off without saying where took the service switch: it is at hand. */
export function supplyAfter(moves: readonly Move[]): Supply {
  let now: Supply = { breaker: true, service: true };
  for (const { body } of moves) {
    if (body.type === 'supply') now = { breaker: body.breaker, service: body.service };
    else if (body.type === 'setup' && body.power) now = { breaker: true, service: true };
    else if (body.type === 'setup' && hasPower(now)) now = { ...now, service: false };
  }
  return now;
}
