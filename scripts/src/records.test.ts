import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { chooseRecords } from '../records.mjs';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'dossier-records-'));
});
afterEach(() => rmSync(folder, { recursive: true }));

const opened = (...args: string[]) => {
  const records = chooseRecords(args, folder);
  records.remember();
  return records.own ? 'own' : 'demo';
};

describe('which records are opened', () => {
  it('are the demo’s at first, and those open last from then on', () => {
    expect([opened(), opened('--empty'), opened(), opened('--demo'), opened()]).toEqual([
      'demo',
      'own',
      'own',
      'demo',
      'demo',
    ]);
  });

  it('begin again from the demo, also after a team of one’s own, which stays', () => {
    opened('--empty');
    expect(opened('--fresh')).toBe('demo');
    expect(chooseRecords(['--empty'], folder).database).not.toBe(chooseRecords([], folder).database);
  });

  it('forget only what was dropped', () => {
    const demo = chooseRecords(['--fresh'], folder);
    const own = chooseRecords(['--empty', '--fresh'], folder);
    mkdirSync(dirname(demo.stamp));
    for (const file of [demo.stamp, demo.demoLoaded, own.stamp]) writeFileSync(file, '');
    own.forget();
    expect(() => writeFileSync(own.stamp, '', { flag: 'wx' })).not.toThrow();
    expect(() => writeFileSync(demo.demoLoaded, '', { flag: 'wx' })).toThrow();
  });
});
