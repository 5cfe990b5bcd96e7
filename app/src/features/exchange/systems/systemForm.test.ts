import type { Destination, OutsideSystem } from '@dossier/contract';
import { EMPTY_PLAIN_SYSTEM, setUpOf } from '@dossier/core/exchange/handOver';
import { EMPTY_FORM, fieldOf, fieldsIn, formOf, type SystemForm } from './systemForm';

const written: SystemForm = {
  ...EMPTY_FORM,
  name: 'The port office',
  base: 'https://port.example',
  secret: 'a key',
  plain: {
    ...EMPTY_PLAIN_SYSTEM,
    lead: { path: '/api/prospects', find: [] },
    contact: { path: '/api/parties', find: [] },
  },
  find: { ...EMPTY_FORM.find, lead: '?ref={ref}\n  ?MailA={MailA}  \n\n' },
};
const read = (form: SystemForm, before?: Parameters<typeof fieldsIn>[1]) => {
  const outcome = fieldsIn(form, before);
  return 'fields' in outcome ? outcome.fields : outcome.faults;
};
const asKept = (fields: object, rest: Partial<Destination> = {}): Destination =>
  ({ id: '7', hasSecret: true, paused: false, pausedWhy: null, ...fields, ...rest }) as Destination;

describe('the form of another system', () => {
  it('says what is asked of it, and shows it again as it was written', () => {
    const fields = read(written);
    expect(fields).toMatchObject({
      name: 'The port office',
      secret: 'a key',
      to: { auth: { kind: 'bearer' }, objects: { lead: { find: [{ path: '/api/prospects?ref={ref}' }, { path: '/api/prospects?MailA={MailA}' }] }, note: null } }, // prettier-ignore
    });
    const { form, isShown } = formOf(asKept(fields));
    expect(isShown).toBe(true);
    expect(form.find.lead).toBe('?ref={ref}\n?MailA={MailA}');
    // Without a word the secret stays.
    const { secret, ...rest } = fields as Record<string, unknown>;
    expect(secret).toBe('a key');
    expect(read(form)).toEqual(rest);
  });

  it('says what is wrong at the fields where it was written', () => {
    const bad = { ...written, name: '', base: 'port', perMinute: '0', plain: { ...written.plain, note: { ...EMPTY_PLAIN_SYSTEM.note, path: 'remarks' } } }; // prettier-ignore
    expect(Object.keys(read(bad))).toEqual(expect.arrayContaining(['name', 'base', 'perMinute', 'plain.note.path', 'plain.note.of', 'plain.note.words'])); // prettier-ignore
    expect(Object.keys(read({ ...written, plain: EMPTY_PLAIN_SYSTEM }))).toContain('plain.lead.path');
    expect(Object.keys(read({ ...written, auth: 'header' }))).toEqual(['header']);
    expect(Object.keys(read({ ...written, kind: 'folder', folder: '../x' }))).toEqual(['folder']);
  });

  it.each([
    ['name', 'name'],
    ['to.base', 'base'],
    ['secret', 'secret'],
    ['to.objects.lead.found.at', 'plain.answers.foundAt'],
    ['to.objects.contact.find.0.path', 'find.contact'],
    ['to.objects.company.update.path', 'plain.company.path'],
    ['to.objects.task.due', 'plain.task.due'],
    ['to.describe.leadAt', 'plain.describe.leadAt'],
  ])('knows %s as %s', (path, field) => expect(fieldOf(path.split('.'))).toBe(field));

  it('leaves what a program has set up in a way that it cannot show', () => {
    const asked = setUpOf(written.plain);
    const to: OutsideSystem = { kind: 'system', base: 'https://port.example', auth: { kind: 'none' }, ...asked } as OutsideSystem; // prettier-ignore
    to.objects.contact = { ...to.objects.contact, refAt: 'data.id' };
    const kept = asKept({ name: 'Ours', to, when: 'leads', occasions: [], perMinute: 60 });
    const { form, isShown } = formOf(kept);
    expect(isShown).toBe(false);
    expect(read({ ...form, name: 'Theirs' }, kept)).toMatchObject({ name: 'Theirs', to });
  });

  it('is that of a folder or an address book too', () => {
    const folder = read({ ...EMPTY_FORM, name: 'Out', kind: 'folder', folder: 'Out', format: 'csv' });
    expect(folder).toMatchObject({ to: { kind: 'folder', folder: 'Out', format: 'csv' } });
    expect(formOf(asKept(folder)).form).toMatchObject({ folder: 'Out', format: 'csv' });
    const book = read({ ...EMPTY_FORM, name: 'Book', kind: 'addressBook', base: 'https://dav.example', user: 'me' });
    expect(book).toMatchObject({ to: { kind: 'addressBook', user: 'me' } });
  });
});
