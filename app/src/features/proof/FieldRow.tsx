import { useDroppable } from '@dnd-kit/core';
import { formatPhone, isAddressField } from '@dossier/core/people';
import { phoneAsTyped, typedPhone } from '@dossier/core/people/typedPhone';
import { doubtfulCharacters, isDoubtful, type DraftField } from '@dossier/core/proof';
import { complaintAbout } from '@dossier/core/proof/complaints';
import type { SourceSpan } from '@dossier/core/reading/fields';
import { memo, useCallback, useState } from 'react';
import { useDispatch } from 'react-redux';
import { FIELD_LABELS } from '@/lib/fieldLabels';
import { Select } from '@/ui';
import { FieldActions } from './FieldActions';
import { usePastedBlock } from './pastedBlock';
import { PHONE_KINDS } from './phoneKinds';
import { ProofInput } from './ProofInput';
import { type CardSides, sideOf } from './sides';
import { proofActions } from './slice';
import { Strip } from './Strip';
import { reasonWords, whyDoubtful } from './reasonWords';

interface Props {
  cardId: string;
  sides: CardSides;
  field: DraftField;
  focused: boolean;
  /** On a wide screen all fields of a card are to be seen at once. */
  dense?: boolean;
  /** Another field stands beside it. */
  half?: boolean;
  /** Which of several of its kind it is, counted from 1; undefined for a lone one. */
  ordinal?: number;
  /** ISO 3166 of the card, for numbers without a code. */
  country: string | null;
  onFocus: (id: string) => void;
  onEnter: (id: string) => void;
  onSettled: (id: string) => void;
  /** Whether its text is being given to another field. */
  giving: boolean;
  onGive: (id: string | undefined) => void;
  register: (id: string, element: HTMLTextAreaElement | null) => void;
}

const NAMES = ['givenName', 'middleName', 'familyName', 'company'];
const MODES = { email: 'email', phone: 'tel', website: 'url' } as const;
/** Quiet interface text in plain elements: a desk has hundreds of parts. */
const NOTE = 'font-sans text-[15px] leading-[21px]';
/** Lines of an address on a card. */
const MOST_STRIPS = 3;

const nameOfField = ({ field, label }: DraftField): string =>
  label === undefined
    ? FIELD_LABELS[field]
    : field === 'more'
      ? label
      : `${FIELD_LABELS[field]}, ${label.toLowerCase()}`;

/** What a field is called on the desk. */
export const labelOf = (field: DraftField, ordinal?: number): string => {
  const label = nameOfField(field);
  return ordinal ? `${label} ${ordinal}` : label;
};

/** One field: the strips of the picture it came from, its text right under them, what can be done with it. */
export const FieldRow = memo(function FieldRow({
  cardId,
  sides,
  field,
  focused,
  dense,
  half,
  ordinal,
  country,
  onFocus,
  onEnter,
  onSettled,
  giving,
  onGive,
  register,
}: Props) {
  const dispatch = useDispatch();
  const { id, leftOut } = field;
  const { setNodeRef, isOver } = useDroppable({ id });
  const isPhone = field.field === 'phone';
  const [typed, setTyped] = useState<string>();
  const pasteBlock = usePastedBlock(cardId, country, field.label);
  const label = labelOf(field, ordinal);
  const doubtful = isDoubtful(field);
  const ref = useCallback((element: HTMLTextAreaElement | null) => register(id, element), [id, register]);
  const side = sideOf(sides, field.sources[0]);
  // Of a back that was taken off there is nothing to show.
  const shown = field.sources.filter((source) => source.side !== 'back' || sides.back);
  const isMain = ordinal === 1 && field.field in MODES;
  const words = wordsUnder(field, doubtful && focused, shown.length > 0);
  const text = isPhone ? (typed ?? formatPhone(field.value, field.extension)) : field.value;
  const change = (value: string, atEnd: boolean) => {
    const growing = atEnd && value.length > text.length;
    const next = isPhone && growing ? phoneAsTyped(value, country) : value;
    if (!isPhone) return dispatch(proofActions.fieldEdited({ cardId, id, value: next }));
    setTyped(next);
    return dispatch(proofActions.fieldEdited({ cardId, id, ...typedPhone(next, country) }));
  };
  const actions =
    focused || leftOut ? (
      <FieldActions
        cardId={cardId}
        field={field}
        reading={side.reading}
        label={label}
        country={country}
        onSettled={onSettled}
        giving={giving}
        onGive={onGive}
        dense={dense}
      />
    ) : null;
  return (
    <>
      <div
        role="group"
        aria-label={label}
        ref={setNodeRef}
        className={`border-b border-rule px-4 ${dense ? 'pt-[3px]' : 'pb-1 pt-2'} ${half ? '' : 'col-span-2'} ${focused ? 'bg-sheet' : ''} ${isOver ? 'bg-table' : ''}`}
      >
        <div className={`flex flex-wrap gap-x-3 ${leftOut ? 'opacity-50' : ''}`}>
          <div
            className={`line-clamp-2 ${half ? 'w-[72px]' : 'w-[84px]'} shrink-0 self-end ${dense ? 'pb-[4px]' : 'pb-[8px]'} ${NOTE} ${doubtful ? 'text-ink' : 'text-soft'}`}
          >
            {isMain ? `${nameOfField(field)}, first` : nameOfField(field)}
          </div>
          {/* Where there is no room beside it, the text stands under its name. */}
          <div className={`${half ? 'min-w-[130px]' : 'min-w-[min(100%,170px)]'} flex-1 basis-0`}>
            {shown.slice(0, MOST_STRIPS).map((span) => (
              <Strip
                key={spanKey(span)}
                {...sideOf(sides, span)}
                span={span}
                tallest={dense ? DENSE_STRIP : undefined}
              />
            ))}
            <div className="flex items-end gap-2">
              <ProofInput
                inputRef={ref}
                label={label}
                dense={dense}
                value={text}
                doubts={isPhone && doubtful ? [{ from: 0, to: text.length }] : doubtfulCharacters(field, side.reading)}
                missing={doubtful && text === ''}
                serif={NAMES.includes(field.field)}
                complaint={complaintAbout(field)}
                inputMode={MODES[field.field as keyof typeof MODES] ?? 'text'}
                onChange={change}
                onBlock={isAddressField(field.field) ? pasteBlock : undefined}
                onFocus={() => onFocus(id)}
                onBlur={() => setTyped(undefined)}
                onEnter={() => onEnter(id)}
              />
              {isPhone ? <PhoneKindSelect cardId={cardId} field={field} label={label} dense={dense} /> : null}
            </div>
          </div>
        </div>
        {words ? (
          <div
            className={`pb-1 [overflow-wrap:anywhere] min-[300px]:pl-[96px] ${NOTE} ${doubtful ? 'text-ink' : 'text-soft'}`}
          >
            {words}
          </div>
        ) : null}
        {half ? null : actions}
      </div>
      {half && actions ? <div className="col-span-2 border-b border-rule bg-sheet px-4">{actions}</div> : null}
    </>
  );
});

const DENSE_STRIP = 22;

/** Why a field is marked, or where it comes from when there is nothing to show. */
function wordsUnder(field: DraftField, asked: boolean, printed: boolean): string | undefined {
  const { sources, reasons } = field;
  const why = isDoubtful(field) ? whyDoubtful(field) : undefined;
  if (why && (field.disagreement || asked)) return why;
  if (!asked) return printed || !reasons[0] ? undefined : reasonWords(reasons[0]);
  if (sources.length === 0) return `Not printed on the card: ${reasons[0] ? reasonWords(reasons[0]) : 'inferred'}.`;
  return 'Hard to read, or it may be something else. Compare it with the strip.';
}

const spanKey = ({ line, from, to, side }: SourceSpan): string => `${side ?? 'front'} ${line} ${from} ${to}`;

function PhoneKindSelect({
  cardId,
  field,
  label,
  dense,
}: Pick<Props, 'cardId' | 'field' | 'dense'> & { label: string }) {
  const dispatch = useDispatch();
  const { id } = field;
  return (
    <Select
      label={`Kind of ${label}`}
      dense={dense}
      value={field.phoneKind ?? 'work'}
      options={PHONE_KINDS}
      onChange={(phoneKind) => dispatch(proofActions.fieldEdited({ cardId, id, phoneKind }))}
    />
  );
}
