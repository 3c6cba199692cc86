import { hash, verify } from '@node-rs/argon2';

/** argon2id with the library's defaults (the OWASP minimum or better). */
export const hashPassword = (password: string): Promise<string> => hash(password);

/** A hash of nothing anybody knows: checked when the name is unknown, so that both answers take as long. */
const NOBODY = hash('nobody has this password');

export async function checkPassword(stored: string | undefined, given: string): Promise<boolean> {
  const right = await verify(stored ?? (await NOBODY), given);
  return stored !== undefined && right;
}
