import { X509Certificate } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { generate } from 'selfsigned';

const DAY_MS = 24 * 60 * 60 * 1000;
/** Phones refuse certificates that are good for longer. */
const GOOD_FOR_MS = 365 * DAY_MS;
const MADE_ANEW_MS = 30 * DAY_MS;

/** Addresses of this machine in its networks (IPv4). */
export const ownAddresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter((address) => address.family === 'IPv4' && !address.internal)
    .map(({ address }) => address);

/**
 * A certificate for these addresses, kept in `folder` and made anew when it ends soon or lacks one of them: whoever has told their
 * phone to trust it is not asked every day.
 * @returns paths of the key and of the certificate (PEM)
 */
export async function certificateFor(addresses, folder) {
  const paths = { key: join(folder, 'key.pem'), certificate: join(folder, 'certificate.pem') };
  if (existsSync(paths.key) && existsSync(paths.certificate) && isGood(readFileSync(paths.certificate), addresses))
    return paths;
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const made = await generate([{ name: 'commonName', value: 'Dossier on this machine' }], {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    notAfterDate: new Date(Date.now() + GOOD_FOR_MS),
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: [{ type: 2, value: 'localhost' }, ...['127.0.0.1', ...addresses].map((ip) => ({ type: 7, ip }))],
      },
    ],
  });
  writeFileSync(paths.key, made.private, { mode: 0o600 });
  chmodSync(paths.key, 0o600);
  writeFileSync(paths.certificate, made.cert);
  return paths;
}

/** What a server is told so that it answers https on all addresses of this machine too. @param folder where the certificate is kept */
export async function httpsEnvironment(port, folder) {
  const { key, certificate } = await certificateFor(ownAddresses(), folder);
  return { DOSSIER_HTTPS_PORT: String(port), DOSSIER_HTTPS_KEY: key, DOSSIER_HTTPS_CERTIFICATE: certificate };
}

function isGood(pem, addresses) {
  const certificate = new X509Certificate(pem);
  const ends = Date.parse(certificate.validTo) - MADE_ANEW_MS;
  return ends > Date.now() && addresses.every((address) => certificate.checkIP(address));
}
