import * as t from '@sinclair/typebox';
import { LIMITS, type Limits } from '@zetalysis/core/rules';
import { endpoint } from './endpoint';
import { moment, nullable, trimmed } from './fields';

const ppm = (most: number) => t.Integer({ minimum: 1, maximum: most });

/** What the shop’s rules count from, ppm of carbon monoxide; practice’s own values or stricter ones. */
const limits = t.Object({
  coFind: ppm(LIMITS.coFind),
  coOff: ppm(LIMITS.coOff),
  coOut: ppm(LIMITS.coOut),
} satisfies Record<keyof Limits, unknown>);

const settings = t.Object({
  /** As it stands on the shop’s paper. */
  name: trimmed(120, 1),
  address: trimmed(200),
  /** What prices are in, as it is written before a number. */
  currency: trimmed(8, 1),
  /** What an hour of work costs; nothing while nobody said. */
  hour: nullable(t.Number({ minimum: 0, maximum: 99_999 })),
  paper: t.Unsafe<'A4' | 'LETTER'>(t.Union(['A4', 'LETTER'].map((p) => t.Literal(p)))),
});

/** What stands on the shop’s paper, and what an hour costs. */
export type ShopSettings = t.Static<typeof settings>;

/** As it is while nobody said otherwise. */
export const UNSAID_SETTINGS: ShopSettings = {
  name: 'Our shop',
  address: '',
  currency: '$',
  hour: null,
  paper: 'LETTER',
};

const version = t.Object({ ...settings.properties, by: t.String(), at: moment });

export const shop = {
  settings: endpoint({ method: 'GET', path: '/shop/settings', reply: settings }),
  /** A lead or an admin; what was set before is kept. */
  set: endpoint({ method: 'PUT', path: '/shop/settings', body: settings, reply: settings }),
  /** Every version, the newest first. */
  versions: endpoint({ method: 'GET', path: '/shop/settings/versions', reply: t.Array(version) }),
  limits: endpoint({ method: 'GET', path: '/shop/limits', reply: limits }),
  /** A lead or an admin; never above what practice says. */
  tighten: endpoint({ method: 'PUT', path: '/shop/limits', body: limits, reply: limits }),
};
