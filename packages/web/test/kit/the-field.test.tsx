/** @jest-environment jsdom */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { useRef, useState } from 'react';
import { screen } from '@testing-library/react';
import type { InputRef } from 'antd';
import { drawingOf } from '@zetalysis/core/presentation';
import { loadProfile } from '@zetalysis/core/profile';
import { Field } from '../../src/places/call/next/Field';
import { useEntry } from '../../src/places/call/next/use-entry';
import { ReadingField } from '../../src/kit/ReadingField';
import { ApplianceProvider } from '../../src/places/call/use-appliance';
import { render } from './render';

const file = 'furnace-condensing.yaml';
const drawing = drawingOf(loadProfile(readFileSync(join(__dirname, '../../../../profiles', file), 'utf8'), file));
const appliance = { drawing, wires: {}, units: 'us', machine: undefined } as const;

const IGNITER = {
  kind: 'reading',
  dimension: 'resistance',
  subject: { type: 'ohms', part: 'igniter', branch: '' },
} as const;

interface Given {
  readonly asked?: typeof IGNITER;
  readonly tapped?: readonly string[];
  readonly onTyped: (typed: unknown) => void;
}

function OneField({ asked, tapped = [], onTyped }: Given) {
  const entry = useEntry({ asked, tapped, at: 'glow', field: useRef<InputRef>(null) }, onTyped);
  return <Field entry={entry} label="Reading" asked={asked} />;
}

const draw = (given: Given) =>
  render(
    <ApplianceProvider value={appliance}>
      <OneField {...given} />
    </ApplianceProvider>,
  );

describe('the one field', () => {
  test('takes a number for what is asked, says what it understood, and is empty for the next', async () => {
    const typed = jest.fn();
    const hands = draw({ asked: IGNITER, onTyped: typed });
    const field = screen.getByRole('textbox', { name: 'Reading' });
    await hands.type(field, '1.85k');
    expect(screen.getByText(/^Ohms, igniter.*: 1\.85 kΩ$/)).toBeTruthy();
    await hands.type(field, '{Enter}');
    expect(typed).toHaveBeenCalledWith({
      body: expect.objectContaining({
        part: 'igniter',
        reading: { kind: 'value', value: 1850, dimension: 'resistance' },
      }),
      answers: true,
    });
    expect(field).toHaveProperty('value', '');
  });

  test('takes another point in any order of words, and says which', async () => {
    const typed = jest.fn();
    const hands = draw({ asked: IGNITER, onTyped: typed });
    await hands.type(screen.getByRole('textbox'), 'ip n 119');
    expect(screen.getByText(/^IP–N: 119 V/)).toBeTruthy();
    await hands.type(screen.getByRole('textbox'), '{Enter}');
    expect(typed).toHaveBeenCalledWith({
      body: expect.objectContaining({ type: 'volts', red: 'IP', black: 'N', phase: 'glow' }),
      answers: false,
    });
  });

  test('of what was tapped, a number is enough', async () => {
    const typed = jest.fn();
    const hands = draw({ tapped: ['MV'], onTyped: typed });
    await hands.type(screen.getByRole('textbox'), '15-18{Enter}');
    expect(typed).toHaveBeenCalledWith({
      body: expect.objectContaining({ red: 'MV', black: 'C', reading: expect.objectContaining({ low: 15, high: 18 }) }),
      answers: false,
    });
  });

  test('of another unit stays as it was typed, with the reason beside it, until it is typed anew', async () => {
    const typed = jest.fn();
    const hands = draw({ asked: IGNITER, onTyped: typed });
    const field = screen.getByRole('textbox');
    await hands.type(field, '3 uA');
    await hands.click(screen.getByRole('button', { name: 'Enter' }));
    expect(typed).not.toHaveBeenCalled();
    expect(field).toHaveProperty('value', '3 uA');
    const problem = screen.getByRole('alert');
    expect(problem.textContent).toContain('µA measures current');
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(field.getAttribute('aria-describedby')).toBe(problem.id);
    expect(document.activeElement).toBe(field);
    await hands.type(field, '{Backspace}');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(field.getAttribute('aria-invalid')).toBe('false');
  });

  test('whoever types while another answer is asked for goes on in the new field; nobody else is moved there', async () => {
    const hands = render(<Moving />);
    await hands.click(screen.getByRole('textbox'));
    await hands.keyboard('1');
    await hands.click(screen.getByRole('button', { name: 'Look away' }));
    expect(screen.getByRole('textbox', { name: 'in the next' })).not.toBe(document.activeElement);
    await hands.click(screen.getByRole('textbox'));
    await hands.keyboard('2!');
    expect(screen.getByRole('textbox', { name: 'in the first' })).toBe(document.activeElement);
    await hands.keyboard('3');
    expect(screen.getByRole('textbox')).toHaveProperty('value', '123');
  });
});

/** A field that stands elsewhere, as another element, after a button or an exclamation mark. */
function Moving() {
  const field = useRef<InputRef>(null);
  const [first, setFirst] = useState(true);
  const [text, setText] = useState('');
  const one = (label: string) => (
    <ReadingField
      label={label}
      text={text}
      problem={undefined}
      field={field}
      onText={(typed) => {
        if (typed.endsWith('!')) setFirst(!first);
        setText(typed.replace('!', ''));
      }}
      onEnter={() => undefined}
    />
  );
  return (
    <>
      {first ? <p>{one('in the first')}</p> : <div>{one('in the next')}</div>}
      <button type="button" onClick={() => setFirst(!first)}>
        Look away
      </button>
    </>
  );
}
