import fc from 'fast-check';
import { expanded, judgeZones, LIMITS, narrowedBy, type Zones } from '../src/bench';

describe('zones', () => {
  const zones: Zones = { good: { from: 10, to: 20 }, marginal: { from: 5, to: 25 } };

  test('what is known well is judged by where it lies', () =>
    expect([4, 5, 9, 10, 20, 21, 25, 26].map((value) => judgeZones({ value, u: 0 }, zones).verdict)).toEqual([
      'bad',
      'marginal',
      'marginal',
      'good',
      'good',
      'marginal',
      'marginal',
      'bad',
    ]));

  test('near a limit it is marginal; on the side that can hurt somebody it is bad', () => {
    const near = { value: 19.9, u: 0.3 };
    expect(judgeZones(near, zones).verdict).toBe('marginal');
    expect(judgeZones(near, { ...zones, unsafe: 'high' }).verdict).toBe('bad');
    expect(judgeZones(near, { ...zones, unsafe: 'low' }).verdict).toBe('marginal');
    expect(judgeZones({ value: 10.1, u: 0.3 }, { ...zones, unsafe: 'low' }).verdict).toBe('bad');
  });

  test('a method too coarse for its zone condemns and clears nothing', () => {
    expect(judgeZones({ value: 15, u: 6 }, zones)).toEqual({ verdict: 'repeat', because: 'too-coarse' });
    expect(judgeZones({ value: 0.1, u: 0.36 }, { good: { to: 0.1 }, marginal: { to: 0.2 } })).toEqual({
      verdict: 'repeat',
      because: 'too-coarse',
    });
  });

  test('what a part read when it was good narrows what is good, and never widens it', () => {
    const own = narrowedBy(LIMITS['flame-signal'], 2.4e-6, 0.2);
    const now = { value: 1.5e-6, u: 0.25e-6 };
    expect(judgeZones(now, LIMITS['flame-signal']).verdict).toBe('good');
    expect(judgeZones(now, own).verdict).toBe('marginal');
    // One that was never within the limits says nothing.
    expect(narrowedBy(LIMITS['flame-signal'], 0.3e-6, 0.2)).toBe(LIMITS['flame-signal']);
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 40, noNaN: true }),
        fc.double({ min: 0.1, max: 40, noNaN: true }),
        (b, x) => {
          const value = { value: x, u: 0 };
          if (judgeZones(value, narrowedBy(zones, b, 0.2)).verdict === 'good')
            expect(judgeZones(value, zones).verdict).toBe('good');
        },
      ),
    );
  });

  test('a wider interval never turns marginal into good or good into bad', () => {
    const rank = { good: 0, marginal: 1, repeat: 1, bad: 2 };
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 4, noNaN: true }),
        fc.double({ min: 0, max: 4, noNaN: true }),
        (value, u, more) => {
          const narrow = judgeZones({ value, u }, zones).verdict;
          const wide = judgeZones({ value, u: u + more }, zones).verdict;
          if (narrow === 'marginal') expect(wide).not.toBe('good');
          if (narrow === 'good') expect(wide).not.toBe('bad');
          if (narrow === 'bad') expect(rank[wide]).toBeGreaterThan(0);
        },
      ),
    );
  });

  test('widths add as squares: one alone is 1.155 times itself', () => {
    expect(expanded(1)).toBeCloseTo(1.1547, 4);
    expect(expanded(3, 4)).toBeCloseTo(5.7735, 4);
  });
});
