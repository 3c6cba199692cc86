/** A share as one would say it; near its ends the figure would pretend to know more than the model does. */
export const percent = (share: number): string =>
  share > 0.99 ? '> 99 %' : share < 0.01 ? '< 1 %' : `${Math.round(share * 100)} %`;
