import type { CallReport } from '@zetalysis/core/presentation';
import { type Around, spanOf } from '../around';
import type { Block } from '../paper';

/** The head of every sheet: whose it is, which report, when, and who worked. */
export const headOf = ({ customer }: CallReport, around: Around, title: string): Block => ({
  kind: 'letterhead',
  shop: around.shop.name,
  address: around.shop.address,
  right: [
    `${title} ${around.number}`,
    spanOf(customer.opened, customer.closed, around),
    around.nameOf(customer.person),
  ].filter((w) => w !== ''),
});
