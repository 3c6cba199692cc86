/** Multiplies a value before use, by its place and tolerance: how sound appliances that differ from the nominal one are made. */
export type Vary = (path: string, value: number, tolerance: number) => number;

/** The nominal appliance. */
export const nominal: Vary = (_path, value) => value;
