/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { Choice } from '../../src/kit/Choice';
import { render } from './render';

const FEW = [
  { value: 'a', label: 'As the family' },
  { value: 'b', label: 'Without a damper' },
];

describe('one of several', () => {
  test('shows what is chosen, and says what is chosen next', async () => {
    const chosen = jest.fn();
    const hands = render(<Choice label="Variant" value="a" options={FEW} onChange={chosen} />);
    expect(screen.getByText('As the family')).toBeTruthy();
    await hands.click(screen.getByRole('combobox', { name: 'Variant' }));
    await hands.click(screen.getByTitle('Without a damper'));
    expect(chosen).toHaveBeenCalledWith('b');
  });

  test('as a menu it never shows a choice: what is picked is done, and it stands as before', async () => {
    const chosen = jest.fn();
    const hands = render(
      <Choice label="Do" labelHidden value={undefined} placeholder="Unplug…" options={FEW} onChange={chosen} />,
    );
    await hands.click(screen.getByRole('combobox', { name: 'Do' }));
    await hands.click(screen.getByTitle('As the family'));
    expect(chosen).toHaveBeenCalledWith('a');
    expect(screen.getByText('Unplug…')).toBeTruthy();
  });

  test('a long list is looked through by typing, by its headings too', async () => {
    const groups = ['Unplug', 'Set a clock'].map((label) => ({
      label,
      options: Array.from({ length: 6 }, (_, i) => ({ value: `${label} ${i}`, label: `number ${i}` })),
    }));
    const chosen = jest.fn();
    const hands = render(<Choice label="Do" value={undefined} options={groups} onChange={chosen} />);
    const list = screen.getByRole('combobox', { name: 'Do' });
    await hands.click(list);
    await hands.type(list, 'clock');
    expect(screen.getAllByTitle('number 3')).toHaveLength(1);
    await hands.click(screen.getByTitle('number 3'));
    expect(chosen).toHaveBeenCalledWith('Set a clock 3');
  });
});
