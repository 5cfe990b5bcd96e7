import { draftOf } from '@dossier/core/proof';
import type { FieldProposal, Reading } from '@dossier/core/reading/fields';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { useState, type ReactNode } from 'react';
import { useSelector } from 'react-redux';
import { renderInStore } from '@/testing/renderInStore';
import { AddField } from './AddField';
import { FieldRow } from './FieldRow';
import { LooseLines } from './LooseLines';
import { cardDraftOf, proofActions, selectDraft } from './slice';

const character = (text: string, i: number) => ({ text, probability: 0.6, alternatives: [], at: (i + 0.5) / 5 });
const reading: Reading = {
  width: 400,
  height: 240,
  lines: [
    {
      text: 'Buyer',
      quad: [
        [10, 10],
        [90, 10],
        [90, 30],
        [10, 30],
      ],
      characters: [...'Buyer'].map(character),
      confidence: 0.6,
    },
    {
      text: 'Since 1921',
      quad: [
        [10, 50],
        [90, 50],
        [90, 70],
        [10, 70],
      ],
      characters: [],
      confidence: 0.9,
    },
  ],
};
const proposals: FieldProposal[] = [
  {
    field: 'title',
    value: 'Buyer',
    sources: [{ line: 0, from: 0, to: 5 }],
    confidence: 0.5,
    reasons: [],
    runnersUp: [{ value: 'Head Buyer', reason: { code: 'fromCode' } }],
    disagreement: { code: 'codeSaysOther', said: 'Head Buyer' },
  },
  {
    field: 'company',
    value: 'Quayside',
    sources: [],
    confidence: 0.6,
    reasons: [{ code: 'readOutOf', said: 'quayside.example' }],
  },
  {
    field: 'phone',
    value: '+441632960117',
    phoneKind: 'work',
    extension: '12',
    sources: [],
    confidence: 1,
    reasons: [],
  },
];
const nothing = () => undefined;
const settled = jest.fn();

/** Every field of the card's draft, the first one focused. */
function Rows() {
  const [giving, setGiving] = useState<string>();
  const card = useSelector(selectDraft('c1'));
  return (card?.draft.fields ?? []).map((field, i) => (
    <FieldRow
      key={field.id}
      cardId="c1"
      sides={{ front: { cardId: 'c1', reading, picture: true, pictureId: null } }}
      field={field}
      focused={i === 0}
      country="GB"
      onFocus={nothing}
      onEnter={nothing}
      onSettled={settled}
      giving={giving === field.id}
      onGive={setGiving}
      register={nothing}
    />
  ));
}

function openDesk(beside?: ReactNode) {
  const view = renderInStore(
    <>
      <Rows />
      {beside}
    </>,
  );
  act(
    () =>
      void view.store.dispatch(
        proofActions.draftOpened({
          cardId: 'c1',
          cardDraft: cardDraftOf({ draft: draftOf(proposals), note: '', readingId: 'r1' }, 0, 'Ottilie Brandt'),
        }),
      ),
  );
  const fields = () => selectDraft('c1')(view.store.getState())!.draft.fields;
  return { ...view, fields };
}

describe('a field on the desk', () => {
  it('is edited, settled, left out, taken back and deleted', () => {
    const { fields } = openDesk();
    fireEvent.click(screen.getByRole('button', { name: 'Title is right as it is' }));
    expect(fields()[0]).toMatchObject({ value: 'Buyer', confidence: 1 });
    // So that the next doubt is asked about.
    expect(settled).toHaveBeenLastCalledWith(fields()[0]!.id);
    expect(screen.queryByRole('button', { name: 'Title is right as it is' })).toBeNull();
    fireEvent.change(screen.getByRole('textbox', { name: 'Title' }), { target: { value: 'Head Buyer' } });
    expect(fields()[0]!.value).toBe('Head Buyer');
    fireEvent.click(screen.getByRole('button', { name: 'Leave out Title' }));
    expect(fields()[0]!.leftOut).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Take back Title' }));
    expect(fields()[0]!.leftOut).toBe(false);
    fireEvent.click(screen.getByRole('button', { name: 'Delete Title' }));
    expect(fields().map((f) => f.field)).toEqual(['company', 'phone']);
  });

  it('shows what speaks against it and takes the other value with a tap', () => {
    const { fields } = openDesk();
    expect(screen.getByText('The code on the card says “Head Buyer”.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Make Title “Head Buyer”, from the code on the card' }));
    expect(fields()[0]).toMatchObject({ value: 'Head Buyer', confidence: 1 });
    expect(screen.queryByText('The code on the card says “Head Buyer”.')).toBeNull();
  });

  it('says where it comes from when it is not printed, and of what kind a number is', () => {
    const { fields } = openDesk();
    expect(screen.getByText('read out of quayside.example')).toBeTruthy();
    fireEvent.change(screen.getByRole('combobox', { name: 'Kind of Phone' }), { target: { value: 'mobile' } });
    expect(fields()[2]!.phoneKind).toBe('mobile');
  });

  it('shows an extension behind its number, and takes another from there', () => {
    const { fields } = openDesk();
    const phone = screen.getByRole('textbox', { name: 'Phone' });
    expect(phone).toHaveProperty('value', '+44 1632 960117 ext. 12');
    fireEvent.change(phone, { target: { value: '+44 1632 960117 x345' } });
    expect(fields()[2]).toMatchObject({ value: '+441632960117', extension: '345' });
    fireEvent.change(phone, { target: { value: '+44 1632 960117' } });
    expect(fields()[2]).toMatchObject({ value: '+441632960117', extension: '' });
  });
});

describe('loose lines', () => {
  it('are given to a field with a tap, and point at their place meanwhile', () => {
    const pointed: (number | undefined)[] = [];
    function Loose() {
      const [open, setOpen] = useState<number>();
      const onOpen = (line: number | undefined) => {
        pointed.push(line);
        setOpen(line);
      };
      return (
        <LooseLines cardId="c1" reading={reading} picture pictureId={null} lines={[1]} open={open} onOpen={onOpen} />
      );
    }
    const { fields } = openDesk(<Loose />);
    fireEvent.click(screen.getByRole('button', { name: 'Give “Since 1921” to a field' }));
    const choices = within(screen.getByRole('group', { name: 'Give “Since 1921” to' }));
    fireEvent.click(choices.getByRole('button', { name: 'Note' }));
    expect(fields().at(-1)).toMatchObject({
      field: 'note',
      value: 'Since 1921',
      sources: [{ line: 1, from: 0, to: 10 }],
    });
    expect(pointed).toEqual([1, undefined]);
  });

  it('are not mentioned when there are none', () => {
    const { container } = renderInStore(
      <LooseLines
        cardId="c1"
        reading={reading}
        picture
        pictureId={null}
        lines={[]}
        open={undefined}
        onOpen={nothing}
      />,
    );
    expect(container.textContent).toBe('');
  });
});

describe('adding a field', () => {
  it('offers what can stand again, and what is not there yet', () => {
    const added: string[] = [];
    renderInStore(
      <AddField
        standing={['title', 'email']}
        open
        onOpen={nothing}
        onAddress={() => added.push('address')}
        onAdd={(field, label) => added.push(label ?? field)}
      />,
    );
    expect(screen.queryByRole('button', { name: 'Title' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'E-mail' }));
    fireEvent.click(screen.getByRole('button', { name: 'Another field' }));
    fireEvent.click(screen.getByRole('button', { name: 'Social handle' }));
    fireEvent.click(screen.getByRole('button', { name: 'Another field' }));
    fireEvent.change(screen.getByRole('textbox', { name: 'Any other name' }), { target: { value: 'Dock' } });
    fireEvent.click(screen.getByRole('button', { name: 'Add this field' }));
    fireEvent.click(screen.getByRole('button', { name: 'Another address' }));
    expect(added).toEqual(['email', 'Social handle', 'Dock', 'address']);
  });
});
