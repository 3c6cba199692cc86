/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { Laps, lapsOf, lapWords } from '../../src/places/call/Laps';
import { render } from './render';

const second = (n: number): number => n * 1000;

describe('rounds of what goes off and on', () => {
  test.each([
    [[], []],
    [[300], [{ off: undefined, on: undefined }]],
    [[300, 420], [{ off: second(120), on: undefined }]],
    [
      [300, 420, 700],
      [
        { off: second(120), on: second(280) },
        { off: undefined, on: undefined },
      ],
    ],
    [
      [300, 420, 700, 830],
      [
        { off: second(120), on: second(280) },
        { off: second(130), on: undefined },
      ],
    ],
  ])('taps at %j s', (taps, laps) => expect(lapsOf(taps.map(second))).toEqual(laps));

  test('each is told with its period, once it is over', () =>
    expect(lapWords(lapsOf([300, 420, 700, 830].map(second)))).toBe(
      'round 1: off 02:00, on 04:40, period 06:40; round 2: off 02:10',
    ));

  test('one button says what comes next, and the model’s round stands beside it', async () => {
    const tapped = jest.fn();
    const hands = render(
      <Laps
        laps={[second(300)]}
        model={{ words: 'the filter is blocked', period: second(400) } as never}
        onLap={tapped}
      />,
    );
    expect(screen.getByText(/By the model, if the filter is blocked: period 06:40/)).toBeTruthy();
    await hands.click(screen.getByRole('button', { name: 'It lit again' }));
    expect(tapped).toHaveBeenCalledTimes(1);
  });
});
