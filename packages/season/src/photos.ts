import { createHash } from 'node:crypto';
import sharp from 'sharp';
import type { PhotoKind } from '@zetalysis/core/visit';
import type { SeasonMachine } from './machines';

const WIDTH = 800;
const HEIGHT = 560;

const sheet = (inside: string, ground: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}"><rect width="100%" height="100%" fill="${ground}"/>${inside}</svg>`;

/** Rows of something that is written, as far as one can read it on a bad photo: bars of the length of its words. */
const rows = (words: readonly string[], x: number, y: number): string =>
  words
    .flatMap((line, row) => {
      let at = x;
      return line.split(' ').map((word) => {
        const bar = `<rect x="${at}" y="${y + row * 38}" width="${word.length * 13}" height="18" fill="#2a2f33"/>`;
        at += word.length * 13 + 12;
        return bar;
      });
    })
    .join('');

const plate = ({ machine: { make, modelName, serial, sheet: of } }: SeasonMachine): string =>
  sheet(
    `<rect x="90" y="80" width="620" height="400" rx="14" fill="#c9ccca" stroke="#8b8f8d" stroke-width="6"/>` +
      [120, 680].map((x) => `<circle cx="${x}" cy="110" r="12" fill="#7d8280"/>`).join('') +
      rows([make, modelName, serial, of.made, of.fuel], 150, 160),
    '#6f6a60',
  );

const wiring = (): string =>
  sheet(
    `<rect x="60" y="70" width="680" height="160" rx="8" fill="#23583c"/>` +
      ['#c22f2a', '#e9e6df', '#dcb12a', '#3a64b8', '#5e3a24', '#2c2c2c', '#d9772b']
        .map(
          (colour, i) =>
            `<circle cx="${120 + i * 90}" cy="200" r="13" fill="#b9b9b0"/>` +
            `<path d="M${120 + i * 90} 205 q${(i - 3) * 18} 130 ${(3 - i) * 30} 300" stroke="${colour}" stroke-width="14" fill="none"/>`,
        )
        .join(''),
    '#3d3a36',
  );

const damage = (): string =>
  sheet(
    `<rect x="120" y="40" width="560" height="480" rx="20" fill="#a9aeb0"/>` +
      `<ellipse cx="410" cy="300" rx="170" ry="110" fill="#3b2a20"/><ellipse cx="410" cy="310" rx="110" ry="66" fill="#16110e"/>` +
      `<path d="M250 250 l60 40 l-20 50 l80 30" stroke="#1a1a1a" stroke-width="7" fill="none"/>`,
    '#54504a',
  );

/** A photo of the season, drawn by code: of a plate, of wires before they were taken off, of what had burnt. */
export async function photoOf(
  kind: Extract<PhotoKind, 'plate' | 'wiring' | 'damage'>,
  of: SeasonMachine,
): Promise<{ readonly type: 'image/jpeg'; readonly hash: string; readonly picture: string }> {
  const drawn = kind === 'plate' ? plate(of) : kind === 'wiring' ? wiring() : damage();
  const picture = await sharp(Buffer.from(drawn)).jpeg({ quality: 60 }).toBuffer();
  return {
    type: 'image/jpeg',
    hash: createHash('sha256').update(picture).digest('hex'),
    picture: picture.toString('base64'),
  };
}
