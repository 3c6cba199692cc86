import type { Limits } from '@zetalysis/core/rules';
import type { ShopSettings } from '@zetalysis/contract';
import { v7 } from 'uuid';
import { ShopLimits, ShopSettingsVersion } from './model';

/** The limits that were set last; nothing while nobody set any. */
export const newestLimits = (): Promise<ShopLimits | null> => ShopLimits.findOne({ order: [['id', 'DESC']] });

export const addLimits = (personId: string, limits: Limits): Promise<unknown> =>
  ShopLimits.create({ id: v7(), personId, ...limits });

/** Every version of the settings, the newest first. */
export const settingsVersions = (most?: number): Promise<ShopSettingsVersion[]> =>
  ShopSettingsVersion.findAll({ order: [['id', 'DESC']], ...(most !== undefined && { limit: most }) });

export const addSettings = (personId: string, settings: ShopSettings): Promise<unknown> =>
  ShopSettingsVersion.create({
    ...settings,
    hour: settings.hour === null ? null : settings.hour.toFixed(2),
    id: v7(),
    personId,
  });
