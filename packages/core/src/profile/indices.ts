declare const LIST: unique symbol;

/** A place in one list of a model. A place in another list is refused by the compiler; when the program runs it is a number. */
export type Index<List extends string> = number & { readonly [LIST]: List };

export type PartIndex = Index<'parts'>;
export type NetIndex = Index<'nets'>;
export type PhaseIndex = Index<'phases'>;

/** Says of a number that it is a place in a list: where lists are made and searched. */
export const asIndex = <I extends Index<string>>(place: number): I => place as I;

/** The step of a reading that is taken as the appliance stands, whatever it did. */
export const AS_IT_STANDS = asIndex<PhaseIndex>(-1);
