import * as t from '@sinclair/typebox';
import { LIMITS, type Limits } from '@zetalysis/core/rules';
import { endpoint } from './endpoint';

const ppm = (most: number) => t.Integer({ minimum: 1, maximum: most });

/** What the shop’s rules count from, ppm of carbon monoxide; practice’s own values or stricter ones. */
const limits = t.Object({
  coFind: ppm(LIMITS.coFind),
  coOff: ppm(LIMITS.coOff),
  coOut: ppm(LIMITS.coOut),
} satisfies Record<keyof Limits, unknown>);

export const shop = {
  limits: endpoint({ method: 'GET', path: '/shop/limits', reply: limits }),
  /** A lead or an admin; never above what practice says. */
  tighten: endpoint({ method: 'PUT', path: '/shop/limits', body: limits, reply: limits }),
};
