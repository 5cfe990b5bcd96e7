import { isDoubtful, putFirst, swapPartners, type DraftField } from '@dossier/core/proof';
import { otherCase, partsToMove } from '@dossier/core/proof/wording';
import type { Reading } from '@dossier/core/reading/fields';
import { View } from 'react-native';
import { useDispatch, useSelector } from 'react-redux';
import { FieldChips } from './FieldChips';
import { offersOf } from './offers';
import { proofActions, selectDraft } from './slice';
import { useSuggestionsQuery } from '@/features/people';
import { FIELD_LABELS } from '@/lib/fieldLabels';
import { Button } from '@/ui';

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
}

/** What can be done with the field in focus: what it could be instead first, each by one touch. */
export function FieldActions({ cardId, field, reading, label, country, onSettled, giving, onGive }: Props) {
  const dispatch = useDispatch();
  const draft = useSelector(selectDraft(cardId))?.draft;
  const { id, leftOut, value } = field;
  const parts = partsToMove(field);
  const [partner] = draft ? swapPartners(draft, field) : [];
  const edit = (next: string) => dispatch(proofActions.fieldEdited({ cardId, id, value: next }));
  const hasCase = /\p{L}/u.test(value) && field.field !== 'phone';
  return (
    <View className="flex-row flex-wrap min-[300px]:pl-[80px]">
      {leftOut ? null : (
        <>
          {isDoubtful(field) ? (
            <Button
              look="bare"
              label={`${label} is right as it is`}
              onPress={() => {
                dispatch(proofActions.fieldSettled({ cardId, id }));
                onSettled(id);
              }}
            >
              Right as it is
            </Button>
          ) : null}
          {offersOf(field, reading).map((offer) => (
            <Button
              key={offer.value}
              look="bare"
              label={`Make ${label} “${offer.value}”, ${offer.reason}`}
              onPress={() => {
                edit(offer.value);
                if (isDoubtful(field)) onSettled(id);
              }}
            >
              {`Take “${offer.value}”`}
            </Button>
          ))}
          <Suggested field={field} domain={domainIn(draft?.fields ?? [])} label={label} onTake={edit} />
          {parts.map((part) => (
            <Button
              key={part.text}
              look="bare"
              onPress={() => dispatch(proofActions.partMoved({ cardId, id, ...part }))}
            >{`Move “${part.text}” to ${FIELD_LABELS[part.field]}`}</Button>
          ))}
          {partner ? (
            <Button
              look="bare"
              onPress={() => dispatch(proofActions.fieldsSwapped({ cardId, id, other: partner.id }))}
            >{`Swap with ${FIELD_LABELS[partner.field]}`}</Button>
          ) : null}
          {draft && putFirst(draft, id) !== draft ? (
            <Button
              look="bare"
              label={`Put ${label} first`}
              onPress={() => dispatch(proofActions.fieldPutFirst({ cardId, id }))}
            >
              Put it first
            </Button>
          ) : null}
          {hasCase ? (
            <Button
              look="bare"
              label={`Other case for ${label}`}
              onPress={() => edit(otherCase(field, country ?? undefined))}
            >
              {otherCase(field, country ?? undefined) === value.toUpperCase() ? 'CAPITALS' : 'Natural case'}
            </Button>
          ) : null}
          {value ? (
            <Button
              look="bare"
              label={`Give ${label} to another field`}
              onPress={() => onGive(giving ? undefined : id)}
            >
              Give to …
            </Button>
          ) : null}
        </>
      )}
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
      {giving ? (
        <View className="w-full pb-2">
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

interface SuggestedProps {
  field: DraftField;
  domain: string | undefined;
  label: string;
  onTake: (value: string) => void;
}

const LEAST_LETTERS = 2;

/** What the workspace calls this company already, or titles that begin like this one. */
function Suggested({ field: { field, value }, domain, label, onTake }: SuggestedProps) {
  const known = field === 'company' || field === 'title';
  const q = value.trim().length >= LEAST_LETTERS ? value.trim() : '';
  const query = { field: field as 'company' | 'title', q, ...(field === 'company' && domain && { domain }) };
  const { data } = useSuggestionsQuery(query, { skip: !known || (q === '' && !domain) });
  if (!known) return null;
  return (data?.items ?? [])
    .filter((text) => text !== value)
    .slice(0, LEAST_LETTERS)
    .map((text) => (
      <Button key={text} look="bare" label={`Make ${label} “${text}”, as known here`} onPress={() => onTake(text)}>
        {`Known here: “${text}”`}
      </Button>
    ));
}

const domainIn = (fields: readonly DraftField[]): string | undefined =>
  fields.find((f) => f.field === 'email' && !f.leftOut)?.value.split('@')[1];
