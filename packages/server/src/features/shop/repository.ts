import type { Limits } from '@zetalysis/core/rules';
import { v7 } from 'uuid';
import { ShopLimits } from './model';

/** The limits that were set last; nothing while nobody set any. */
export const newestLimits = (): Promise<ShopLimits | null> => ShopLimits.findOne({ order: [['id', 'DESC']] });

export const addLimits = (personId: string, limits: Limits): Promise<unknown> =>
  ShopLimits.create({ id: v7(), personId, ...limits });
