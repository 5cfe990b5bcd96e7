import { formatPhone } from '@dossier/core/people';
import { normalPhone, phoneAsTyped } from '@dossier/core/people/typedPhone';
import { doubtfulCharacters, isDoubtful, type DraftField } from '@dossier/core/proof';
import { complaintAbout } from '@dossier/core/proof/complaints';
import type { SourceSpan } from '@dossier/core/reading/fields';
import { memo, useCallback, useState, type DragEvent } from 'react';
import { View } from 'react-native';
import { useDispatch } from 'react-redux';
import { FIELD_LABELS } from '@/lib/fieldLabels';
import { Select, Soft } from '@/ui';
import { FieldActions } from './FieldActions';
import { LOOSE_LINE } from './LooseLines';
import { PHONE_KINDS } from './phoneKinds';
import { ProofInput } from './ProofInput';
import { isAddressField, usePastedBlock } from './pastedBlock';
import { sideOf, type CardSides } from './sides';
import { proofActions } from './slice';
import { Strip } from './Strip';

interface Props {
  cardId: string;
  sides: CardSides;
  field: DraftField;
  focused: boolean;
  /** Which of several of its kind it is, counted from 1; undefined for a lone one. */
  ordinal?: number;
  /** ISO 3166 of the card, for numbers without a code. */
  country: string | null;
  onFocus: (id: string) => void;
  onEnter: (id: string) => void;
  register: (id: string, element: HTMLTextAreaElement | null) => void;
}

const NAMES = ['givenName', 'middleName', 'familyName', 'company'];
const MODES = { email: 'email', phone: 'tel', website: 'url' } as const;
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
  ordinal,
  country,
  onFocus,
  onEnter,
  register,
}: Props) {
  const dispatch = useDispatch();
  const { id, leftOut } = field;
  const isPhone = field.field === 'phone';
  const [typed, setTyped] = useState<string>();
  const pasteBlock = usePastedBlock(cardId, country, field.label);
  const label = labelOf(field, ordinal);
  const doubtful = isDoubtful(field);
  const ref = useCallback((element: HTMLTextAreaElement | null) => register(id, element), [id, register]);
  const side = sideOf(sides, field.sources[0]);
  // Of a back that was taken off there is nothing to show.
  const shown = field.sources.filter((source) => source.side !== 'back' || sides.back);
  const text = isPhone ? (typed ?? formatPhone(field.value)) : field.value;
  const change = (value: string, atEnd: boolean) => {
    const growing = atEnd && value.length > text.length;
    const next = isPhone && growing ? phoneAsTyped(value, country) : value;
    if (isPhone) setTyped(next);
    dispatch(proofActions.fieldEdited({ cardId, id, value: isPhone ? normalPhone(next, country) : next }));
  };
  const drop = (event: DragEvent) => {
    const line = event.dataTransfer.getData(LOOSE_LINE);
    const read = line === '' ? undefined : sides.front.reading.lines[Number(line)];
    if (!read) return;
    event.preventDefault();
    const sources = [{ line: Number(line), from: 0, to: read.text.length }];
    dispatch(proofActions.textPicked({ cardId, id, text: read.text, sources, behind: field.value !== '' }));
  };
  return (
    <div onDragOver={(event) => event.dataTransfer.types.includes(LOOSE_LINE) && event.preventDefault()} onDrop={drop}>
      <View
        role="group"
        aria-label={label}
        className={`border-b border-rule px-4 pb-1 pt-2 ${focused ? 'bg-sheet' : ''}`}
      >
        <View className="flex-row gap-3" style={leftOut ? { opacity: 0.5 } : undefined}>
          <View className="w-[84px] justify-end pb-[8px]">
            <Soft numberOfLines={2} className={doubtful ? 'text-ink' : ''}>
              {nameOfField(field)}
            </Soft>
          </View>
          <View className="min-w-0 flex-1">
            {shown.slice(0, MOST_STRIPS).map((span) => (
              <Strip key={spanKey(span)} {...sideOf(sides, span)} span={span} />
            ))}
            <View className="flex-row items-end gap-2">
              <View className="min-w-0 flex-1">
                <ProofInput
                  inputRef={ref}
                  label={label}
                  value={text}
                  doubts={
                    isPhone && doubtful ? [{ from: 0, to: text.length }] : doubtfulCharacters(field, side.reading)
                  }
                  serif={NAMES.includes(field.field)}
                  complaint={complaintAbout(field)}
                  inputMode={MODES[field.field as keyof typeof MODES] ?? 'text'}
                  onChange={change}
                  onBlock={isAddressField(field.field) ? pasteBlock : undefined}
                  onFocus={() => onFocus(id)}
                  onBlur={() => setTyped(undefined)}
                  onEnter={() => onEnter(id)}
                />
              </View>
              {isPhone ? <PhoneKindSelect cardId={cardId} field={field} label={label} /> : null}
            </View>
            {doubtful && (field.disagreement || focused) ? (
              <Soft className="pb-1 text-ink">{doubtWords(field)}</Soft>
            ) : null}
            {shown.length === 0 && field.reasons[0] && !(doubtful && focused) ? (
              <Soft className="pb-1">{field.reasons[0]}</Soft>
            ) : null}
          </View>
        </View>
        {focused || leftOut ? (
          <FieldActions cardId={cardId} field={field} reading={side.reading} label={label} country={country} />
        ) : null}
      </View>
    </div>
  );
});

/** Why a field is marked, in words. */
function doubtWords({ disagreement, sources, reasons }: DraftField): string {
  if (disagreement) return disagreement;
  if (sources.length === 0) return `Not printed on the card: ${reasons[0] ?? 'inferred'}.`;
  return 'Hard to read, or it may be something else. Compare it with the strip.';
}

const spanKey = ({ line, from, to, side }: SourceSpan): string => `${side ?? 'front'} ${line} ${from} ${to}`;

function PhoneKindSelect({ cardId, field, label }: { cardId: string; field: DraftField; label: string }) {
  const dispatch = useDispatch();
  const { id } = field;
  return (
    <View className="flex-row items-center gap-2">
      {field.extension ? <Soft className="tabular">ext. {field.extension}</Soft> : null}
      <Select
        label={`Kind of ${label}`}
        value={field.phoneKind ?? 'work'}
        options={PHONE_KINDS}
        onChange={(phoneKind) => dispatch(proofActions.fieldEdited({ cardId, id, phoneKind }))}
      />
    </View>
  );
}
