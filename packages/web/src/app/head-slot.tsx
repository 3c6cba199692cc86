import { createContext, type ReactNode, useContext } from 'react';
import { createPortal } from 'react-dom';

/** Where a place may write into the head bar; nothing until it is drawn. */
export const HeadSlot = createContext<HTMLElement | null>(null);

/** What a place has to say in the head bar: on a call, whose machine it is. */
export function InHead({ children }: { children: ReactNode }) {
  const slot = useContext(HeadSlot);
  return slot && createPortal(children, slot);
}
