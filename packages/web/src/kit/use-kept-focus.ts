import type { InputRef } from 'antd';
import { type RefObject, useLayoutEffect } from 'react';

/** Fields that somebody was typing in when they were drawn anew. */
const typedIn = new WeakSet<RefObject<InputRef | null>>();

/** A page's one field may be another element after the next answer: whoever was typing in it goes on where they were. */
export function useKeptFocus(field: RefObject<InputRef | null>): void {
  useLayoutEffect(() => {
    if (typedIn.delete(field)) field.current?.focus({ cursor: 'end' });
    const input = field.current?.input;
    return () => {
      if (input && document.activeElement === input) typedIn.add(field);
    };
  }, [field]);
}
