import { sessionKey } from './identity';

/** Hands a file to the browser under a name. */
export function saveFile(file: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** Fetches a file that the server writes, and saves it. Throws an Error with words for the reader. */
export async function download(address: string, name: string): Promise<void> {
  const key = sessionKey();
  const answer = await fetch(address, { headers: key === null ? {} : { 'x-session-key': key } }).catch(() => undefined);
  if (!answer) throw new Error('The server cannot be reached. Try again when it is back.');
  if (!answer.ok) {
    const problem = (await answer.json().catch(() => undefined)) as { detail?: string } | undefined;
    throw new Error(problem?.detail ?? `The server answered ${answer.status}.`);
  }
  saveFile(await answer.blob(), name);
}
