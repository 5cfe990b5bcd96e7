import type { Destination, HandOverMapping, OutsideFields } from '@dossier/contract';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { answerWith, renderInStore } from '@/testing/renderInStore';
import { MappingScreen } from './MappingScreen';

jest.mock('expo-router', () => ({ Link: ({ children }: { children: React.ReactNode }) => children }));

const described: OutsideFields['items'] = [
  { name: 'Surname', label: 'Surname', type: 'text', required: true, longest: 40, choices: [] },
  { name: 'Marks', label: 'Tags', type: 'list', required: false, longest: null, choices: [] },
  { name: 'House', label: 'House', type: 'text', required: true, longest: 60, choices: [] },
];
const EMPTY: HandOverMapping = { lead: [], contact: [], company: [], occasions: [] };
const surname = { to: 'Surname', from: ['familyName'], fixed: null, steps: [], as: 'text' as const };

interface Shown {
  mapping?: HandOverMapping;
  fields?: { status?: number; body?: unknown };
  saved?: { status?: number; body?: unknown };
}

function show({ mapping = EMPTY, fields = { body: { items: described } }, saved = { status: 204 } }: Shown = {}) {
  const system = {
    id: '7',
    name: 'The port office',
    mapping,
    mappingVersion: 3,
    to: { kind: 'system', objects: { company: null } },
  } as unknown as Destination;
  const fetched = answerWith({
    'GET /session': { body: { user: { id: '1', name: 'Maren', role: 'manager' }, workspace: { ownFields: ['Boat'] } } },
    'GET /people': { body: { items: [{ id: '5', fullName: 'Inga Voss' }], total: 1, counted: 'exact', next: null } },
    'GET /occasions': { body: { items: [{ id: '4', name: 'Tarnmoor fair' }] } },
    'GET /destinations/7/fields/': fields,
    'GET /destinations/7/mappings': { body: { items: [{ version: 3, at: '2026-03-24T02:07:00Z', by: 'Maren', mapping }, { version: 2, at: '2026-03-23T02:07:00Z', by: 'Pim', mapping: { ...EMPTY, lead: [surname] } }] } }, // prettier-ignore
    'POST /destinations/7/sample': { body: { kind: 'lead', record: { Surname: 'Voss' }, faults: [{ to: 'House', fault: 'This must be there, and nothing is known for it.' }], company: null } }, // prettier-ignore
    'POST /destinations/7/try': { body: { request: 'POST /api', status: 422, answer: 'No House', problem: 'It does not take this (422).', link: null } }, // prettier-ignore
    'PUT /destinations/7/mapping': saved,
    'GET /destinations/7': { body: system },
  });
  renderInStore(<MappingScreen systemId="7" />);
  return async (method: string, path: string): Promise<unknown> => {
    const request = await waitFor(() => {
      const found = fetched.mock.calls.find(([one]: [Request]) => one.method === method && one.url.endsWith(path));
      expect(found).toBeTruthy();
      return (found as [Request])[0];
    });
    return JSON.parse(await request.text());
  };
}
const press = async (name: string | RegExp) => fireEvent.click(await screen.findByRole('button', { name }));
const choose = async (label: string, text: string) => {
  const list = await screen.findByRole<HTMLSelectElement>('combobox', { name: label });
  const option = [...list.options].find((one) => one.text === text)!;
  fireEvent.change(list, { target: { value: option.value } });
};

describe('what goes into which field', () => {
  it('is proposed by the names of fields, shown with somebody, and saved over the version it was made of', async () => {
    const sent = show();
    await press('Propose 2 by their names');
    expect(await screen.findByText('Voss')).toBeTruthy();
    await press('Fill House');
    await choose('What goes there', 'Company');
    expect(await screen.findByText('This must be there, and nothing is known for it.')).toBeTruthy();
    await press('Save as version 4');
    expect(await sent('PUT', '/destinations/7/mapping?over=3')).toEqual({
      ...EMPTY,
      lead: [
        { ...surname, steps: [{ do: 'cut', length: 40 }] },
        { to: 'Marks', from: ['tags'], fixed: null, steps: [], as: 'list' },
        { to: 'House', from: ['company'], fixed: null, steps: [], as: 'text' },
      ],
    });
  });

  it('stays as it is written where somebody else has saved another version meanwhile', async () => {
    const problem = { type: 'about:blank', status: 409, title: 'Changed', code: 'changed-since', detail: 'Version 4 was saved meanwhile.' }; // prettier-ignore
    show({ saved: { status: 409, body: problem } });
    await press('Fill Surname');
    await choose('What goes there', 'Family name');
    await press('Save as version 4');
    expect(await screen.findByText('Version 4 was saved meanwhile.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Surname: Family name' })).toBeTruthy();
    expect(screen.getByText('What you have changed is not saved yet.')).toBeTruthy();
  });

  it('can be taken up again as it was, and tried', async () => {
    const sent = show();
    await press('Former versions');
    await press('Take version 2 up again');
    expect(await screen.findByRole('button', { name: 'Surname: Family name' })).toBeTruthy();
    await press('Try it with Inga Voss');
    expect(await screen.findByText('It does not take this (422).')).toBeTruthy();
    expect(screen.getByText('No House')).toBeTruthy();
    expect(await sent('POST', '/destinations/7/try')).toMatchObject({ personId: '5', as: 'lead' });
  });

  it('has its fields taken from a record where the system describes none', async () => {
    const problem = {
      type: 'about:blank',
      status: 409,
      title: 'Not described',
      code: 'not-described',
      detail: 'None.',
    };
    show({ fields: { status: 409, body: problem } });
    await press('Take the names from a record');
    const record = await screen.findByLabelText('A record as the other system gives it (JSON)');
    fireEvent.change(record, { target: { value: 'Surname: Voss' } });
    expect(await screen.findByText(/This is no record/)).toBeTruthy();
    fireEvent.change(record, { target: { value: '{"Surname":"Voss","Marks":["a"]}' } });
    await press('Take its 2 fields');
    await press('Fill Surname');
    await choose('What goes there', 'Family name');
    expect(await screen.findByRole('button', { name: 'Surname: Family name' })).toBeTruthy();
  });

  it('says of nobody that nothing is known before that was asked', async () => {
    show({ mapping: { ...EMPTY, lead: [surname, { ...surname, to: 'Marks', from: ['tags'], as: 'list' }] } });
    await screen.findByRole('button', { name: 'Surname: Family name' });
    expect(screen.queryByText('Nothing is known: it is left out.')).toBeNull();
    expect(await screen.findByText('Nothing is known: it is left out.')).toBeTruthy();
  });

  it('is another one for people of an occasion, from where it was', async () => {
    show({ mapping: { ...EMPTY, lead: [surname] } });
    await choose('Met where', 'Otherwise for Tarnmoor fair …');
    await press('Surname: Family name');
    await press('Nothing goes into Surname');
    expect(await screen.findByText('Nothing goes into any field yet.')).toBeTruthy();
    await choose('Met where', 'Met anywhere else');
    expect(await screen.findByRole('button', { name: 'Surname: Family name' })).toBeTruthy();
  });
});
