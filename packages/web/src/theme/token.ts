/** A colour of the light that is on, for what is not drawn by a sheet of styles; tokens.css has them all. */
export const token = (name: `--${string}`): string =>
  getComputedStyle(document.documentElement).getPropertyValue(name).trim();
