import { isDoubtful, putFirst, swapPartners, type DraftField } from '@dossier/core/proof';
import { otherCase, partsToMove } from '@dossier/core/proof/wording';
import type { Reading } from '@dossier/core/reading/fields';
import { useState } from 'react';
import { View } from 'react-native';
import { useDispatch, useSelector } from 'react-redux';
import { useSuggestionsQuery } from '@/features/people';
import { FIELD_LABELS } from '@/lib/fieldLabels';
import { Button } from '@/ui';
import { FieldChips } from './FieldChips';
import { offersOf } from './offers';
import { proofActions, selectDraft } from './slice';

interface Props {
  cardId: string;
  field: DraftField;
  reading: Reading;
  label: string;
  country: string | null;
  /** A doubt was settled with one of these buttons: on to the next one. */
  onSettled: (id: string) => void;
  /** Whether its text is being given to another field. */
  giving: boolean;
  onGive: (id: string | undefined) => void;
  dense?: boolean;
}

/** What can be done with the field in focus: what it could be instead first, each by one touch. */
export function FieldActions({ cardId, field, reading, label, country, onSettled, giving, onGive, dense }: Props) {
  const dispatch = useDispatch();
  const draft = useSelector(selectDraft(cardId))?.draft;
  const { id, leftOut, value } = field;
  const [more, setMore] = useState(false);
  const suggested = useSuggested(field, domainIn(draft?.fields ?? []));
  const [partner] = draft ? swapPartners(draft, field) : [];
  const edit = (next: string) => dispatch(proofActions.fieldEdited({ cardId, id, value: next }));
  const hasCase = /\p{L}/u.test(value) && field.field !== 'phone';
  const likely = leftOut
    ? []
    : [
        ...(isDoubtful(field)
          ? [
              <Act
                key="settle"
                words="Right as it is"
                label={`${label} is right as it is`}
                onPress={() => {
                  dispatch(proofActions.fieldSettled({ cardId, id }));
                  onSettled(id);
                }}
              />,
            ]
          : []),
        ...offersOf(field, reading).map((offer) => (
          <Act
            key={`take ${offer.value}`}
            words={`Take “${offer.value}”`}
            label={`Make ${label} “${offer.value}”, ${offer.reason}`}
            onPress={() => {
              edit(offer.value);
              if (isDoubtful(field)) onSettled(id);
            }}
          />
        )),
        ...suggested
          .filter((text) => text !== value)
          .slice(0, MOST_SUGGESTED)
          .map((text) => (
            <Act
              key={`known ${text}`}
              words={`Known here: “${text}”`}
              label={`Make ${label} “${text}”, as known here`}
              onPress={() => edit(text)}
            />
          )),
        ...partsToMove(field).map((part) => (
          <Act
            key={`move ${part.text}`}
            words={`Move “${part.text}” to ${FIELD_LABELS[part.field]}`}
            onPress={() => dispatch(proofActions.partMoved({ cardId, id, ...part }))}
          />
        )),
        ...(partner
          ? [
              <Act
                key="swap"
                words={`Swap with ${FIELD_LABELS[partner.field]}`}
                onPress={() => dispatch(proofActions.fieldsSwapped({ cardId, id, other: partner.id }))}
              />,
            ]
          : []),
      ];
  // What is done now and then stays behind one word where there is something likelier.
  const folds = likely.length > 1;
  return (
    <View className={`-mx-2 flex-row flex-wrap min-[700px]:pl-[80px] ${dense ? 'dense-acts' : ''}`}>
      {likely}
      {folds ? (
        <Act words={more ? 'Less' : 'More …'} label={`More for ${label}`} onPress={() => setMore(!more)} />
      ) : null}
      {folds && !more ? null : (
        <>
          {!leftOut && draft && putFirst(draft, id) !== draft ? (
            <Act
              words="Put it first"
              label={`Put ${label} first`}
              onPress={() => dispatch(proofActions.fieldPutFirst({ cardId, id }))}
            />
          ) : null}
          {!leftOut && hasCase ? (
            <Act
              words={otherCase(field, country ?? undefined) === value.toUpperCase() ? 'CAPITALS' : 'Natural case'}
              label={`Other case for ${label}`}
              onPress={() => edit(otherCase(field, country ?? undefined))}
            />
          ) : null}
          {!leftOut && value ? (
            <Act
              words="Give to …"
              label={`Give ${label} to another field`}
              onPress={() => onGive(giving ? undefined : id)}
            />
          ) : null}
          <Act
            words={leftOut ? 'Take back' : 'Leave out'}
            label={leftOut ? `Take back ${label}` : `Leave out ${label}`}
            onPress={() => dispatch(proofActions.fieldLeftOut({ cardId, id, leftOut: !leftOut }))}
          />
          <Act
            look="brick"
            words="Delete"
            label={`Delete ${label}`}
            onPress={() => dispatch(proofActions.fieldDeleted({ cardId, id }))}
          />
        </>
      )}
      {giving ? (
        <View className="w-full px-2 pb-2">
          <FieldChips
            label={`Give ${label} to`}
            without={[field.field, 'more']}
            onChoose={(to) => dispatch(proofActions.fieldMoved({ cardId, id, field: to }))}
          />
        </View>
      ) : null}
    </View>
  );
}

interface ActProps {
  words: string;
  label?: string;
  look?: 'bare' | 'brick';
  onPress: () => void;
}

const Act = ({ words, label, look = 'bare', onPress }: ActProps) => (
  <Button look={look} label={label} className="px-2" onPress={onPress}>
    {words}
  </Button>
);

const LEAST_LETTERS = 2;
const MOST_SUGGESTED = 2;

/** What the workspace calls this company already, or titles that begin like this one. */
function useSuggested({ field, value }: DraftField, domain: string | undefined): readonly string[] {
  const known = field === 'company' || field === 'title';
  const q = value.trim().length >= LEAST_LETTERS ? value.trim() : '';
  const query = { field: field as 'company' | 'title', q, ...(field === 'company' && domain && { domain }) };
  const { data } = useSuggestionsQuery(query, { skip: !known || (q === '' && !domain) });
  return known ? (data?.items ?? []) : [];
}

const domainIn = (fields: readonly DraftField[]): string | undefined =>
  fields.find((f) => f.field === 'email' && !f.leftOut)?.value.split('@')[1];
