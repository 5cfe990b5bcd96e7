import { complaintAbout, doubtfulCharacters, isDoubtful, type DraftField } from '@dossier/core/proof';
import { memo, useCallback } from 'react';
import { View } from 'react-native';
import { useDispatch } from 'react-redux';
import { Button, Select, Soft } from '@/ui';
import { FIELD_LABELS } from '@/lib/fieldLabels';
import { PHONE_KINDS } from './phoneKinds';
import { ProofInput } from './ProofInput';
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
  onFocus: (id: string) => void;
  onEnter: (id: string) => void;
  register: (id: string, element: HTMLTextAreaElement | null) => void;
}

const NAMES = ['givenName', 'middleName', 'familyName', 'company'];
/** Runners-up offered at a field. */
const OFFERED = 3;
const MODES = { email: 'email', phone: 'tel', website: 'url' } as const;

/** One field: the strip of the picture it came from, its text right under it, what can be done with it. */
export const FieldRow = memo(function FieldRow({
  cardId,
  sides,
  field,
  focused,
  ordinal,
  onFocus,
  onEnter,
  register,
}: Props) {
  const dispatch = useDispatch();
  const { id, leftOut } = field;
  const label = ordinal ? `${FIELD_LABELS[field.field]} ${ordinal}` : FIELD_LABELS[field.field];
  const doubtful = isDoubtful(field);
  const ref = useCallback((element: HTMLTextAreaElement | null) => register(id, element), [id, register]);
  const [source] = field.sources;
  const side = sideOf(sides, source);
  // Of a back that was taken off there is nothing to show.
  const shown = source?.side === 'back' && !sides.back ? undefined : source;
  return (
    <View
      role="group"
      aria-label={label}
      className={`border-b border-rule px-4 pb-1 pt-2 ${focused ? 'bg-sheet' : ''}`}
    >
      <View className="flex-row gap-3" style={leftOut ? { opacity: 0.5 } : undefined}>
        <View className="w-[84px] justify-end pb-[8px]">
          <Soft className={doubtful ? 'text-ink' : ''}>{FIELD_LABELS[field.field]}</Soft>
        </View>
        <View className="min-w-0 flex-1">
          {shown ? <Strip {...side} span={shown} /> : null}
          <View className="flex-row items-end gap-2">
            <View className="min-w-0 flex-1">
              <ProofInput
                inputRef={ref}
                label={label}
                value={field.value}
                doubts={doubtfulCharacters(field, side.reading)}
                serif={NAMES.includes(field.field)}
                complaint={complaintAbout(field)}
                inputMode={MODES[field.field as keyof typeof MODES] ?? 'text'}
                onChange={(value) => dispatch(proofActions.fieldEdited({ cardId, id, value }))}
                onFocus={() => onFocus(id)}
                onEnter={() => onEnter(id)}
              />
            </View>
            {field.field === 'phone' ? <PhoneKindSelect cardId={cardId} field={field} label={label} /> : null}
          </View>
          {field.disagreement && doubtful ? <Soft className="pb-1 text-ink">{field.disagreement}</Soft> : null}
          {source === undefined && field.reasons[0] ? <Soft className="pb-1">{field.reasons[0]}</Soft> : null}
        </View>
      </View>
      {focused || leftOut ? <FieldActions cardId={cardId} field={field} label={label} doubtful={doubtful} /> : null}
    </View>
  );
});

function FieldActions({
  cardId,
  field: { id, leftOut, value, runnersUp = [] },
  label,
  doubtful,
}: {
  cardId: string;
  field: DraftField;
  label: string;
  doubtful: boolean;
}) {
  const dispatch = useDispatch();
  return (
    <View className="flex-row flex-wrap pl-[80px]">
      {doubtful ? (
        <Button
          look="bare"
          label={`${label} is right as it is`}
          onPress={() => dispatch(proofActions.fieldSettled({ cardId, id }))}
        >
          Right as it is
        </Button>
      ) : null}
      {runnersUp
        .filter((other) => other.value !== value)
        .slice(0, OFFERED)
        .map((other) => (
          <Button
            key={other.value}
            look="bare"
            label={`Make ${label} “${other.value}”, ${other.reason}`}
            onPress={() => dispatch(proofActions.fieldEdited({ cardId, id, value: other.value }))}
          >
            {`Take “${other.value}”`}
          </Button>
        ))}
      <Button
        look="bare"
        label={leftOut ? `Take back ${label}` : `Leave out ${label}`}
        onPress={() => dispatch(proofActions.fieldLeftOut({ cardId, id, leftOut: !leftOut }))}
      >
        {leftOut ? 'Take back' : 'Leave out'}
      </Button>
      <Button
        look="brick"
        label={`Delete ${label}`}
        onPress={() => dispatch(proofActions.fieldDeleted({ cardId, id }))}
      >
        Delete
      </Button>
    </View>
  );
}

function PhoneKindSelect({ cardId, field, label }: { cardId: string; field: DraftField; label: string }) {
  const dispatch = useDispatch();
  return (
    <View className="flex-row items-center gap-2">
      {field.extension ? <Soft className="tabular">ext. {field.extension}</Soft> : null}
      <Select
        label={`Kind of ${label}`}
        value={field.phoneKind ?? 'work'}
        options={PHONE_KINDS}
        onChange={(phoneKind) => dispatch(proofActions.fieldEdited({ cardId, id: field.id, phoneKind }))}
      />
    </View>
  );
}
