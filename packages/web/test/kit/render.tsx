import { TextEncoder } from 'node:util';
import { render as draw } from '@testing-library/react';
import userEvent, { type UserEvent } from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { AntTheme } from '../../src/kit/AntTheme';

// What a browser has and the simulated page has not.
window.matchMedia ??= (query: string) =>
  ({
    matches: query.includes('reduced-motion'),
    media: query,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
    addListener: () => undefined,
    removeListener: () => undefined,
  }) as unknown as MediaQueryList;
window.TextEncoder ??= TextEncoder as typeof window.TextEncoder;
window.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
};

/** Delivers a message when everything else has run, as a browser does. */
class LaterChannel {
  readonly port1: { onmessage: (() => void) | null } = { onmessage: null };
  readonly port2 = { postMessage: (): void => void setTimeout(() => this.port1.onmessage?.()) };
}
window.MessageChannel ??= LaterChannel as unknown as typeof MessageChannel;

/** Draws a component of the kit as it stands on a page; gives the hands that use it. */
export function render(component: ReactElement): UserEvent {
  draw(<AntTheme>{component}</AntTheme>);
  return userEvent.setup();
}
