import type { Config } from './config';
import type { Reach } from './outside';
import { sealingWith } from './sealing';

type Settings = Pick<Config, 'secretsKey' | 'publicAddress' | 'handOverFolder'> & Partial<Pick<Config, 'allowed'>>;

/** How others are reached, as it is set. */
export const reachOf = ({ secretsKey, allowed = new Set(), publicAddress, handOverFolder }: Settings): Reach => ({
  sealing: sealingWith(secretsKey),
  allowed,
  publicAddress,
  handOverFolder,
});
