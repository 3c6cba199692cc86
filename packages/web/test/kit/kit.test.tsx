/** @jest-environment jsdom */
import { screen, within } from '@testing-library/react';
import { Button } from '../../src/kit/Button';
import { Dialog } from '../../src/kit/Dialog';
import { Field } from '../../src/kit/Field';
import { Notice } from '../../src/kit/Notice';
import { Pages } from '../../src/kit/Pages';
import { Table } from '../../src/kit/Table';
import { Words } from '../../src/kit/Words';
import { render } from './render';

describe('the kit', () => {
  test('a button inside a form does not send it, unless it is the one that does', async () => {
    const sent = jest.fn((e: React.FormEvent) => e.preventDefault());
    const hands = render(
      <form onSubmit={sent}>
        <Button>Beside</Button>
        <Button htmlType="submit">Send</Button>
      </form>,
    );
    await hands.click(screen.getByRole('button', { name: 'Beside' }));
    expect(sent).not.toHaveBeenCalled();
    await hands.click(screen.getByRole('button', { name: 'Send' }));
    expect(sent).toHaveBeenCalledTimes(1);
  });

  test('a field with a problem says it, and belongs to it', () => {
    render(<Field label="Screw" value="" problem="Write what was turned." onChange={() => undefined} />);
    const field = screen.getByRole('textbox', { name: 'Screw' });
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(document.getElementById(field.getAttribute('aria-describedby')!)!.textContent).toBe(
      'Write what was turned.',
    );
  });

  test('a dialog is closed by Escape and does its one thing by its button', async () => {
    const [closed, done] = [jest.fn(), jest.fn()];
    const hands = render(
      <Dialog title="Record the break" action="Record" onAction={done} onClose={closed}>
        <p>What was found</p>
      </Dialog>,
    );
    const dialog = screen.getByRole('dialog', { name: 'Record the break' });
    await hands.click(within(dialog).getByRole('button', { name: 'Record' }));
    expect(done).toHaveBeenCalledTimes(1);
    await hands.keyboard('{Escape}');
    expect(closed).toHaveBeenCalledTimes(1);
  });

  test('a notice is read out at once', () => {
    render(<Notice kind="danger">Bypass in place</Notice>);
    expect(screen.getByRole('alert').textContent).toContain('Bypass in place');
  });

  test('a table names its rows by the first column, and says so when it has none', () => {
    const columns = [
      { title: 'Machine', cell: (m: { name: string }) => m.name },
      { title: 'Letters', cell: (m: { name: string }) => m.name.length, figures: true as const },
    ];
    render(
      <>
        <Table label="Some" rows={[{ name: 'Boiler' }]} keyOf={(m) => m.name} columns={columns} empty="None." />
        <Table label="None" rows={[]} keyOf={(m) => m.name} columns={columns} empty="No machine yet." />
      </>,
    );
    const some = screen.getByRole('group', { name: 'Some' });
    expect(within(some).getByRole('rowheader', { name: 'Boiler' })).toBeTruthy();
    expect(within(some).getByRole('cell', { name: '6' })).toBeTruthy();
    expect(within(screen.getByRole('group', { name: 'None' })).getByText('No machine yet.')).toBeTruthy();
  });

  test('one of several words holds, and a list of pages asks for another one', async () => {
    const [chose, asked] = [jest.fn(), jest.fn()];
    const options = [
      { id: 'open', title: 'All open' },
      { id: 'closed', title: 'Closed' },
    ];
    const hands = render(
      <>
        <Words label="Which calls" options={options} value="open" onChange={chose} />
        <Pages page={1} size={25} total={60} onPage={asked} />
        <Pages page={1} size={25} total={25} onPage={asked} />
      </>,
    );
    expect(screen.getByRole('button', { name: 'All open' }).getAttribute('aria-pressed')).toBe('true');
    await hands.click(screen.getByRole('button', { name: 'Closed' }));
    expect(chose).toHaveBeenCalledWith('closed');
    expect(screen.getAllByTitle('3')).toHaveLength(1);
    await hands.click(screen.getByTitle('3'));
    expect(asked).toHaveBeenCalledWith(3);
  });
});
