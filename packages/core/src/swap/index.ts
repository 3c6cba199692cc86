/** Swap: taking a part out and putting another in: notes by kind of part as data, and whether a new part goes with the others. */
export { type Seal, SEALS, type SwapNote, SWAPPED_KINDS, swapNoteFor } from './notes';
export { type Fit, type PartValue, willItFit } from './will-it-fit';
