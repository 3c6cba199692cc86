/** @jest-environment jsdom */
import { act, cleanup, screen } from '@testing-library/react';
import { useState } from 'react';
import { Pad, type PadUnit } from '../../src/kit/Pad';
import { Ring } from '../../src/kit/Ring';
import { useAwake } from '../../src/kit/use-awake';
import { render } from './render';

const VOLTS: PadUnit[] = [{ typed: 'V' }, { typed: 'Vac', title: 'V AC' }, { typed: 'Vdc' }, { typed: 'mV' }];

function Typed({ units, open }: { readonly units: PadUnit[]; readonly open: boolean }) {
  const [text, setText] = useState('');
  return (
    <>
      <output>{text}</output>
      <Pad open={open} units={units} text={text} onText={setText} />
    </>
  );
}

describe('the pad', () => {
  const typed = async (keys: readonly string[], units = VOLTS, open = true): Promise<string> => {
    const hands = render(<Typed units={units} open={open} />);
    for (const name of keys) await hands.click(screen.getByRole('button', { name }));
    return screen.getByRole('status').textContent!;
  };

  test.each([
    [['2', '5', '.', '9'], '25.9'],
    [['1', '5', 'to: it is unsteady', '1', '8'], '15–18'],
    [['2', '5', 'V AC'], '25 Vac'],
    // A unit chosen first stays behind what is typed after it.
    [['mV', '7', '5', '0'], '750 mV'],
    [['mV', '2', '0', 'to: it is unsteady', '2', '4'], '20–24 mV'],
    [['2', '5', 'mV', 'V'], '25'],
    [['2', '5', '8', 'Take the last figure back'], '25'],
    [['7', 'OL'], 'OL'],
    [['OL', '3'], '3'],
    [['minus', '3'], '-3'],
  ])('%j writes %s', async (keys, text) => expect(await typed(keys)).toBe(text));

  test('degrees have to be said: the first unit is written as well', async () => {
    const degrees: PadUnit[] = [
      { typed: 'F', title: '°F', written: true },
      { typed: 'C', title: '°C', written: true },
    ];
    expect(await typed(['1', '4', '0', '°F'], degrees, false)).toBe('140 F');
    cleanup();
    expect(await typed(['6', '°C', '0'], degrees, false)).toBe('60 C');
    expect(screen.queryByRole('button', { name: /OL/ })).toBeNull();
  });
});

describe('a clock that has ended', () => {
  test('shakes the hand at once and every five seconds, until it is seen to', () => {
    jest.useFakeTimers();
    const vibrate = jest.fn();
    Object.assign(navigator, { vibrate });
    render(<Ring />);
    expect(vibrate.mock.calls).toEqual([[400]]);
    jest.advanceTimersByTime(10_000);
    expect(vibrate).toHaveBeenCalledTimes(3);
    cleanup();
    jest.advanceTimersByTime(60_000);
    expect(vibrate).toHaveBeenCalledTimes(3);
    jest.useRealTimers();
  });

  test('sounds where somebody has touched the page, and is silent where nobody has', () => {
    const started = jest.fn();
    const tone = () => ({ frequency: {}, connect: jest.fn(), start: started, stop: jest.fn() });
    Object.assign(globalThis, {
      AudioContext: class {
        readonly currentTime = 0;
        readonly createOscillator = tone;
      },
    });
    Object.assign(navigator, { vibrate: jest.fn(), userActivation: { hasBeenActive: false } });
    render(<Ring />);
    expect(started).not.toHaveBeenCalled();
    Object.assign(navigator, { userActivation: { hasBeenActive: true } });
    render(<Ring />);
    expect(started).toHaveBeenCalledTimes(1);
  });
});

describe('the screen while a try is watched', () => {
  const Watched = ({ on }: { readonly on: boolean }) => {
    useAwake(on);
    return null;
  };

  test('stays on, again when the page is looked at again, and may sleep afterwards', async () => {
    const release = jest.fn(() => Promise.resolve());
    const request = jest.fn(() => Promise.resolve({ release }));
    Object.assign(navigator, { wakeLock: { request } });
    render(<Watched on={false} />);
    expect(request).not.toHaveBeenCalled();
    cleanup();
    render(<Watched on />);
    await act(() => Promise.resolve());
    expect(request).toHaveBeenCalledWith('screen');
    document.dispatchEvent(new Event('visibilitychange'));
    expect(request).toHaveBeenCalledTimes(2);
    await act(() => Promise.resolve());
    cleanup();
    expect(release).toHaveBeenCalled();
    document.dispatchEvent(new Event('visibilitychange'));
    expect(request).toHaveBeenCalledTimes(2);
  });

  test('a browser that does not want to, or cannot, is no error', async () => {
    Object.assign(navigator, { wakeLock: { request: () => Promise.reject(new Error('battery')) } });
    render(<Watched on />);
    await act(() => Promise.resolve());
    cleanup();
    delete (navigator as { wakeLock?: unknown }).wakeLock;
    expect(() => render(<Watched on />)).not.toThrow();
  });
});
