import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { measureMatching } from './matchingBench';
import { fieldsOfRow, readRegister } from './registerCsv';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'register-'));
});
afterAll(() => rmSync(folder, { recursive: true }));

const register = (text: string): string => {
  const file = join(folder, 'register.csv');
  writeFileSync(file, text);
  return file;
};

describe('a register file', () => {
  it('is read with any columns in any order, byte order mark and quoted commas', () => {
    const [row] = readRegister(
      register(
        '\uFEFFemails,ID,company,phones,country\r\na@q.example; b@q.example,7,"Quay, Fish & Co",01632 960117 ext. 12,United Kingdom\r\n\r\n',
      ),
    );
    const fields = fieldsOfRow(row!);
    expect(fields).toMatchObject({ emails: ['a@q.example', 'b@q.example'], company: 'Quay, Fish & Co', country: 'GB' });
    expect(fields.phones).toEqual([{ value: '01632 960117', kind: 'work', extension: '12' }]);
  });

  it.each([
    ['given_name,family_name\nNella,Voss\n', /no column "id"/],
    ['id,given_name\n1,Nella\n1,Otto\n', /row 3: the id 1 is there twice/],
    ['id,given_name\n,Nella\n', /row 2: the id is missing/],
    ['id,given_name\n1,"Nella\n', /quotation mark is not closed/],
  ])('is refused with what to mend (%#)', (text, words) => {
    expect(() => readRegister(register(text))).toThrow(words);
  });
});

describe('matching on a drawn register', () => {
  it('takes hardly anybody for somebody else, and misses few', () => {
    const { same, sameOrPerhaps, exactKeys } = measureMatching(4000, 3);
    expect(same.precision).toBeGreaterThanOrEqual(0.995);
    expect(sameOrPerhaps.recall).toBeGreaterThanOrEqual(0.96);
    expect(same.recall).toBeGreaterThan(exactKeys.recall);
    expect(exactKeys.precision).toBeLessThan(0.5);
  });
});
