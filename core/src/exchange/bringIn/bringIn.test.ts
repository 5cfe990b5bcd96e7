import fc from 'fast-check';
import { emptyPersonFields } from '../../people';
import { cellMark, peopleColumns, repeatsOf, rowState } from '../table';
import { hasHead, proposeMapping, rowOf } from '.';

const words = {
  country: 'GB',
  ratings: ['Hot', 'Warm'],
  statuses: ['New', 'Spoken to'],
  closeReasons: ['No need', 'No money'],
  owners: ['Ottilie Brandt'],
};

describe('what the columns of a table are', () => {
  it.each([
    ['English', ['First Name', 'Last Name', 'Company', 'Job Title', 'E-mail Address', 'Mobile Phone', 'Business Fax', 'City', 'Shoe size'], ['givenName', 'familyName', 'company', 'title', 'email', 'mobile', 'fax', 'locality', null]],
    ['German', ['Vorname', 'Nachname', 'Firma', 'Straße', 'PLZ', 'Ort', 'E-Mail', 'Telefon', 'Handy', 'Bemerkung'], ['givenName', 'familyName', 'company', 'street', 'postalCode', 'locality', 'email', 'phone', 'mobile', 'note']],
    ['French', ['Prénom', 'Nom', 'Société', 'Fonction', 'Courriel', 'Téléphone', 'Code postal', 'Ville', 'Pays'], ['givenName', 'familyName', 'company', 'title', 'email', 'phone', 'postalCode', 'locality', 'country']],
    ['Swedish', ['Förnamn', 'Efternamn', 'Företag', 'E-post', 'Telefon', 'Postnummer', 'Land'], ['givenName', 'familyName', 'company', 'email', 'phone', 'postalCode', 'country']],
    ['numbered ones', ['Name', 'E-mail 1', 'E-mail 2', 'Phone 1 - Value'], ['fullName', 'email', 'email', 'phone']],
  ])('is told by headers: %s', (_, head, mapping) => {
    expect(proposeMapping(head, [])).toEqual(mapping);
  }); // prettier-ignore

  it('is told by what stands in them where headers say nothing', () => {
    const rows = [
      ['nella@harrowfield.example', '+44 1632 960117', 'https://harrowfield.example', 'Dr.', '9 Quay Road, Port Ellery PE4 7QX', 'Norway'],
      ['idris@quay.example', '01632 960118', 'www.quay.example', 'Prof.', '1 Dock Street, Tarnmoor TM1 1AA', 'Germany'],
    ]; // prettier-ignore
    expect(proposeMapping(['A', 'B', 'C', 'Title', 'Address', 'D'], rows)).toEqual(['email', 'phone', 'website', 'prefix', 'address', 'country']); // prettier-ignore
    expect(proposeMapping(null, rows).slice(0, 3)).toEqual(['email', 'phone', 'website']);
    expect(hasHead([['Name', 'Mail'], ...rows])).toBe(true);
    expect(hasHead(rows)).toBe(false);
    expect(hasHead([['Voss', 'Åkerlund'], ['Brandt', 'Falconer']])).toBe(false); // prettier-ignore
    expect(hasHead([['Who', 'What', 'Dossier id', 'Dossier version', 'Dossier state'], ['Voss', 'Buyer', '', '', '']])).toBe(true); // prettier-ignore
  });

  it('that was taken out here is known by its own headers', () => {
    const columns = peopleColumns(repeatsOf([]));
    const head = [...columns.map(({ header }) => header), 'Dossier id', 'Dossier version', 'Dossier state'];
    expect(proposeMapping(head, [])).toEqual([...columns.map(({ key, set }) => (set ? key : null)), 'id', 'version', 'state']); // prettier-ignore
  });
});

describe('a row', () => {
  it('with a cell of a million characters, as where a quote is not closed, is not looked through', () => {
    const cell = 'Ada Lund;a@lund.example\n'.repeat(40_000);
    const named = rowOf([cell, 'ada@lund.example'], ['fullName', 'email'], ['Name', 'Mail'], words);
    expect(named.draft.fields.familyName.length).toBeGreaterThan(900_000);
    expect(rowOf([cell], ['address'], ['Where'], words).draft.fields.street.length).toBeGreaterThan(900_000);
  });

  it('is taken apart as cards are: names, addresses, numbers with their country', () => {
    const head = ['Name', 'Address', 'Tel', 'Mobile', 'Mails', 'Tags', 'Shoe size', 'Note'];
    const mapping = ['fullName', 'address', 'phone', 'mobile', 'email', 'tags', 'own', 'note'];
    const { draft, note, faults } = rowOf(['Dr. Nella Harrowfield', '9 Quay Road, Port Ellery, PE4 7QX', '01632 960117 ext. 12', '07700 900651', 'N@Harrowfield.example; nella@quay.example', 'cold chain, fish', '38', 'First\nSecond'], mapping, head, words); // prettier-ignore
    expect(faults).toEqual([]);
    expect(note).toBe('First\nSecond');
    expect(draft.tags).toEqual(['cold chain', 'fish']);
    expect(draft.fields).toEqual({
      ...emptyPersonFields(),
      prefix: 'Dr.',
      givenName: 'Nella',
      familyName: 'Harrowfield',
      street: '9 Quay Road',
      locality: 'Port Ellery',
      postalCode: 'PE4 7QX',
      emails: ['n@harrowfield.example', 'nella@quay.example'],
      phones: [
        { value: '+441632960117', kind: 'work', extension: '12' },
        { value: '+447700900651', kind: 'mobile', extension: '' },
      ],
      more: [{ label: 'Shoe size', value: '38' }],
    });
  });

  it('with the family name first is the same person', () => {
    expect(rowOf(['Harrowfield, Nella'], ['fullName'], [], words).draft.fields).toMatchObject({ givenName: 'Nella', familyName: 'Harrowfield' }); // prettier-ignore
  });

  it('says what is wrong in which cell, and takes the rest', () => {
    const { draft, faults } = rowOf(['Voss', 'Lukewarm', 'Somebody'], ['familyName', 'rating', 'owner'], [], words);
    expect(faults).toEqual([
      { key: 'rating', fault: 'Write Hot, Warm, or nothing.' },
      { key: 'owner', fault: 'No colleague is called so.' },
    ]);
    expect(draft.fields.familyName).toBe('Voss');
  });

  it('that was taken out is known again, with the marks of its cells', () => {
    const id = '01900000-0000-7000-8000-000000000001';
    const { back } = rowOf(['Voss', id, '7', rowState([['familyName', 'Voss']])], ['familyName', 'id', 'version', 'state'], [], words); // prettier-ignore
    expect(back).toEqual({ id, version: 7, marks: new Map([['familyName', cellMark('Voss')]]) });
    expect(rowOf(['Voss', 'no id'], ['familyName', 'id'], [], words).back).toBeUndefined();
  });

  it('whatever stands in it is read to an end', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ unit: 'binary' }), { maxLength: 5 }), (row) => {
        const { draft } = rowOf(row, ['fullName', 'address', 'phone', 'email', 'own'], ['\0', '', ' '], words);
        expect(JSON.stringify(draft)).not.toContain('\\u0000');
      }),
    );
  });
});
