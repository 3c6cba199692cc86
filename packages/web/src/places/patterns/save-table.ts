import Papa from 'papaparse';
import { saveFile } from '../../api/download';

/** Saves rows as CSV. What begins like a formula has a quote before it, so that a spreadsheet shows it and does not run it. */
export const saveTable = (name: string, rows: readonly Readonly<Record<string, string | number | null>>[]): void =>
  saveFile(new Blob([Papa.unparse([...rows], { escapeFormulae: true })], { type: 'text/csv' }), `${name}.csv`);
