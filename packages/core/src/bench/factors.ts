import { findUnit } from '../units';

/** What one of a trade's unit is in SI. */
const one = (symbol: string): number => findUnit(symbol)!.factor;

export const INCH_OF_WATER = one('in w.c.');
export const PSI = one('psi');
export const WATT_PER_BTU_H = one('Btu/h');
export const BTU_PER_CUBIC_FOOT = one('Btu') / one('ft³');
export const CUBIC_FOOT_PER_HOUR = one('ft³/h');
export const CFM = one('cfm');
export const GPM = one('gpm');
export const GALLON = one('gal');

/** Standard atmosphere, Pa. */
export const ATMOSPHERE = 101_325;
