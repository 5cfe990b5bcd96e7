import { hash, verify } from '@node-rs/argon2';

/** Argon2id with the first recommended option of RFC 9106 for constrained memory: 64 MiB, 3 passes. */
const OPTIONS = { memoryCost: 65_536, timeCost: 3, parallelism: 1 } as const;

export const hashPassword = (password: string): Promise<string> => hash(password, OPTIONS);

let decoy: Promise<string> | undefined;

/** Takes the same time whether the account exists or not. */
export async function checkPassword(stored: string | undefined, password: string): Promise<boolean> {
  decoy ??= hashPassword('nobody has this one');
  const matches = await verify(stored ?? (await decoy), password);
  return stored !== undefined && matches;
}
