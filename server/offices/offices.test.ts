import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Import, PersonFields } from '@dossier/contract';
import { unzipSync } from 'fflate';
import { Client, personFields } from '../tests/client';
import { until } from '../tests/services';

/** What is taken out, read by programs that other people use. */
jest.setTimeout(300_000);

/** A word that only these tests' people have. */
const OWN = `Lanyon${randomUUID()
  .replace(/[^a-f]/g, '')
  .slice(0, 6)}`;
const folder = mkdtempSync(join(tmpdir(), 'dossier-offices-'));
const work = (kind: 'work' | 'mobile' | 'fax', value: string, extension = '') => ({ value, kind, extension });
const PEOPLE: Partial<PersonFields>[] = [
  {
    prefix: 'Dr.',
    givenName: '=HYPERLINK("http://evil.example")',
    familyName: `${OWN}; "Quoted", née\\`,
    suffix: 'MBA, FRSA',
    company: `${OWN} Packers, Ltd`,
    department: 'Dispatch; night',
    title: '@cmd|calc',
    emails: ['a@lanyon.example', 'b@lanyon.example'],
    phones: [work('work', '+441632960117', '004'), work('mobile', '+447700900651'), work('fax', '0800 FLOWERS')],
    websites: ['lanyon.example'],
    street: '9 Quay Road, Unit 3',
    postalCode: '007',
    locality: 'Port Ellery',
    country: 'GB',
    more: [{ label: 'Sizes; "all"', value: '2.5 m, 3 m' }],
  },
  { givenName: '𠮷野', familyName: `${OWN} Łódź 📇`, emails: ['c@lanyon.example'] },
  { familyName: `${OWN} 1e9`, title: 'END:VCARD', company: 'TRUE', postalCode: '2026-03-24', region: '-1' },
];
let rep: Client;
const ids: string[] = [];

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  for (const fields of PEOPLE)
    ids.push(await rep.filed(fields, { tags: ['cold chain', 'a;b'], note: 'First\nSecond, third; "fourth"' }));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function taken(query: string): Promise<Buffer> {
  const response = await fetch(`${process.env.DOSSIER_TEST_ADDRESS}/people/export?q=${OWN}&sort=name&${query}`, {
    headers: { cookie: rep.cookie },
  });
  expect(response.status).toBe(200);
  return Buffer.from(await response.arrayBuffer());
}

/** Reads the vCards of a file with vobject and tells what they say. */
const READ_VCARDS = `
import json, sys, vobject
people = []
for card in vobject.readComponents(sys.stdin.buffer.read().decode('utf-8')):
    said = lambda name: [line.value for line in card.contents.get(name, [])]
    name = card.n.value
    people.append({
        'uid': card.uid.value, 'family': name.family, 'given': name.given, 'prefix': name.prefix, 'suffix': name.suffix,
        'org': said('org'), 'title': said('title'), 'emails': said('email'), 'tels': said('tel'), 'note': said('note'),
        'streets': [a.street for a in said('adr')], 'codes': [a.code for a in said('adr')], 'categories': said('categories')})
print(json.dumps(people))
`;

describe.each(['3.0', '4.0'])('vCards %s', (version) => {
  it('are read by vobject with the same values', async () => {
    const bytes = await taken(`format=vcard&version=${version}`);
    const said = execFileSync('/usr/bin/python3', ['-c', READ_VCARDS], { input: bytes }).toString();
    const people = JSON.parse(said) as Record<string, string | string[] | string[][]>[];
    const byUid = new Map(people.map((person) => [person.uid, person]));
    expect(people).toHaveLength(PEOPLE.length);
    for (const [i, given] of PEOPLE.entries()) {
      const fields = personFields(given);
      const person = byUid.get(`urn:uuid:${ids[i]}`)!;
      expect(person).toMatchObject({ family: fields.familyName, given: fields.givenName, prefix: fields.prefix });
      expect(person.emails).toEqual(fields.emails);
      if (fields.title) expect(person.title).toEqual([fields.title]);
      if (fields.company) expect((person.org as string[][])[0]).toEqual([fields.company, fields.department].filter(Boolean)); // prettier-ignore
      if (fields.postalCode) expect(person.codes).toEqual([fields.postalCode]);
      expect((person.note as string[])[0]).toContain('First\nSecond, third; "fourth"');
      expect((person.tels as string[]).length).toBe(fields.phones.length);
    }
  });
});

const READ_EVENTS = `
import json, sys, vobject
calendar = vobject.readOne(sys.stdin.buffer.read().decode('utf-8'))
print(json.dumps(sorted([event.summary.value, event.dtstart.value.isoformat()] for event in calendar.vevent_list)))
`;

it('tasks in a calendar are read by vobject', async () => {
  await rep.send('POST', '/tasks', {
    text: 'Visit; "dock", 2',
    dueOn: '2026-12-09',
    dueTime: '09:30',
    personId: ids[0],
  });
  await rep.send('POST', '/tasks', { text: 'Łódź', dueOn: '2026-12-10' });
  const { path } = (await rep.send<{ path: string }>('POST', '/calendar-feed')).body;
  const feed = await fetch(process.env.DOSSIER_TEST_ADDRESS!.replace('/api/v1', '') + path);
  const said = execFileSync('/usr/bin/python3', ['-c', READ_EVENTS], { input: Buffer.from(await feed.arrayBuffer()) }).toString(); // prettier-ignore
  const name = (await rep.person(ids[0]!)).fullName;
  expect(JSON.parse(said)).toEqual([
    [`Visit; "dock", 2 (${name})`, '2026-12-09T09:30:00'],
    ['Łódź', '2026-12-10'],
  ]);
});

it('a folder of vCards is listed by khard', async () => {
  const book = join(folder, 'book');
  mkdirSync(book);
  for (const [name, bytes] of Object.entries(unzipSync(new Uint8Array(await taken('format=vcard&version=3.0&zip=1')))))
    writeFileSync(join(book, name), bytes);
  const config = join(folder, 'khard.conf');
  writeFileSync(config, `[addressbooks]\n[[people]]\npath = ${book}\n[general]\ndefault_action = list\n`);
  const listed = execFileSync('/usr/bin/khard', ['-c', config, 'list', '--parsable'], {
    env: { ...process.env, LC_ALL: 'C.UTF-8', PATH: '/usr/bin:/bin' },
  }).toString();
  expect(listed.trim().split('\n')).toHaveLength(PEOPLE.length);
  for (const { familyName } of PEOPLE) expect(listed).toContain(familyName);
});

it('a workbook that a spreadsheet has opened and saved changes nothing when it is brought back', async () => {
  writeFileSync(join(folder, 'people.xlsx'), await taken('format=xlsx'));
  const saved = join(folder, 'saved');
  execFileSync(
    'soffice',
    [`-env:UserInstallation=file://${folder}/profile`, '--headless', '--convert-to', 'xlsx:Calc MS Excel 2007 XML', '--outdir', saved, join(folder, 'people.xlsx')], // prettier-ignore
    { stdio: 'ignore', env: { ...process.env, HOME: folder } },
  );
  const before = await Promise.all(ids.map((id) => rep.person(id)));
  const { body } = await rep.send<Import>(
    'POST',
    '/imports?name=people.xlsx',
    readFileSync(join(saved, 'people.xlsx')),
  );
  expect(body).toMatchObject({ format: 'xlsx', rows: PEOPLE.length });
  await rep.send('POST', `/imports/${body.id}/run`);
  const done = await until(async () => {
    const { body: now } = await rep.get<Import>(`/imports/${body.id}`);
    return ['done', 'failed'].includes(now.state) && now;
  });
  expect(done.counts).toEqual({
    created: 0,
    updated: 0,
    unchanged: PEOPLE.length,
    perhaps: 0,
    refused: 0,
    conflicts: 0,
  });
  expect(await Promise.all(ids.map((id) => rep.person(id)))).toEqual(before);
});
