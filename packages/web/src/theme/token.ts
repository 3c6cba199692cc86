import type { Theme } from './use-theme';

/**
 * A colour of the light that is on, for what is not drawn by a sheet of styles; tokens.css has them all. Who asks says in which
 * light, so that it is asked again when that changes.
 */
export const token = (name: `--${string}`, _light: Theme): string =>
  getComputedStyle(document.documentElement).getPropertyValue(name).trim();
