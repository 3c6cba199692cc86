/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { parseReading } from '@zetalysis/core/units';
import { ReadingField } from '../../src/kit/ReadingField';
import { useReading } from '../../src/places/call/use-reading';
import { render } from './render';

function OneReading({ onRead }: { onRead: (ohms: unknown) => void }) {
  const reading = useReading((text) => parseReading(text, 'resistance'), onRead);
  return (
    <ReadingField
      label="Ohms of the coil"
      text={reading.text}
      problem={reading.problem}
      field={reading.field}
      onText={reading.setText}
      onEnter={reading.enter}
    />
  );
}

describe('a reading that is typed', () => {
  test('is read when Enter is pressed, and the field is empty for the next', async () => {
    const read = jest.fn();
    const hands = render(<OneReading onRead={read} />);
    const field = screen.getByRole('textbox', { name: 'Ohms of the coil' });
    await hands.type(field, '1.85k{Enter}');
    expect(read).toHaveBeenCalledWith({ kind: 'value', value: 1850, dimension: 'resistance' });
    expect(field).toHaveProperty('value', '');
  });

  test('of another unit stays as it was typed, with the reason beside it, until it is typed anew', async () => {
    const read = jest.fn();
    const hands = render(<OneReading onRead={read} />);
    const field = screen.getByRole('textbox');
    await hands.type(field, '3 uA');
    await hands.click(screen.getByRole('button', { name: 'Enter' }));
    expect(read).not.toHaveBeenCalled();
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
});
