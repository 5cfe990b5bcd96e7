import { emptyPersonFields, type PersonFields } from '../people';
import { endsWithJob, withoutEndings } from './endsWithJob';

const phone = (value: string, kind: 'work' | 'mobile' | 'fax') => ({ value, kind, extension: '' });
const known: PersonFields = {
  ...emptyPersonFields(),
  familyName: 'Voss',
  company: 'Harrowfield Creamery',
  emails: ['voss@harrowfield.example', 'nella@gmail.com'],
  phones: [phone('+441632960117', 'work'), phone('+447700900651', 'mobile'), phone('+441632960118', 'fax')],
  websites: ['harrowfield.example'],
  street: '9 Quay Road',
  postalCode: 'PE4 7QX',
  locality: 'Port Ellery',
  country: 'GB',
};
const card: PersonFields = {
  ...emptyPersonFields(),
  familyName: 'Voss',
  company: 'Skerry Fish Auctions',
  emails: ['voss@skerryfish.example'],
  phones: [phone('+441632960204', 'work')],
};

describe('a new job', () => {
  it('ends what was the old firm’s, and leaves what is the person’s own', () => {
    expect(endsWithJob(known, card).map(({ text }) => text)).toEqual([
      '+44 1632 960117',
      '+44 1632 960118',
      'voss@harrowfield.example',
      'harrowfield.example',
      '9 Quay Road, Port Ellery, PE4 7QX',
    ]);
    expect(withoutEndings(known, endsWithJob(known, card))).toMatchObject({
      phones: [phone('+447700900651', 'mobile')],
      emails: ['nella@gmail.com'],
      websites: [],
      street: '',
      country: '',
      familyName: 'Voss',
    });
  });

  it('ends nothing that the new card has too', () => {
    const same = {
      ...card,
      phones: known.phones,
      emails: known.emails,
      websites: known.websites,
      locality: 'Port Ellery',
    };
    expect(endsWithJob(known, same)).toEqual([]);
  });

  it('leaves what a person wants to keep', () => {
    const [number, ...others] = endsWithJob(known, card);
    expect(number!.kind).toBe('phone');
    expect(withoutEndings(known, others).phones.map(({ value }) => value)).toContain('+441632960117');
  });
});
